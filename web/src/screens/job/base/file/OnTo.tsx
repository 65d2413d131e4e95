import { ArrowRight } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { ACTS } from '../../../../parts/acts'
import { useJobPart } from './JobContext'
import { useNextAct } from './useNextAct'

/** The way to a step that follows; nothing where the job's next act leads there, which the foot of the step says. */
export function OnTo({ step, children }: { step: string; children: ReactNode }) {
  const id = useJobPart(({ file }) => file.id)
  if (ACTS[useNextAct()].step === step) return null
  return (
    <Link
      to={`/jobs/${id}/${step}`}
      className="inline-flex min-h-11 items-center gap-2 self-start rounded-sm border border-rule-2 px-3.5 font-medium hover:bg-sheet-2"
    >
      {children} <ArrowRight size={17} aria-hidden />
    </Link>
  )
}
