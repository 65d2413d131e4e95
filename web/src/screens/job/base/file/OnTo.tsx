import { ArrowRight } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { useJobPart } from './JobContext'

/** The way to the step where work goes on. */
export function OnTo({ step, children }: { step: string; children: ReactNode }) {
  const id = useJobPart(({ file }) => file.id)
  return (
    <Link
      to={`/jobs/${id}/${step}`}
      className="inline-flex min-h-11 items-center gap-2 self-start rounded-sm border border-rule-2 px-3.5 font-medium hover:bg-sheet-2"
    >
      {children} <ArrowRight size={17} aria-hidden />
    </Link>
  )
}
