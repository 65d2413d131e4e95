import type { Severity } from '@tembrix/core/things/model'
import { Info, OctagonX, TriangleAlert } from 'lucide-react'
import type { ReactNode } from 'react'
import { SEVERITY_NAMES } from './catalogue'

const LOOKS = {
  stop: { icon: OctagonX, box: 'bg-stop-soft border-stop', ink: 'text-stop' },
  risk: { icon: TriangleAlert, box: 'bg-risk-soft border-risk-line', ink: 'text-risk' },
  note: { icon: Info, box: 'bg-note-soft border-rule-2', ink: 'text-ink-2' },
}

interface Props {
  code: string
  severity: Severity
  title: string
  children: ReactNode
}

/** One finding in a list: how grave it is, what it is, and below it what it means and what to do. */
export function FindingBox({ code, severity, title, children }: Props) {
  const { icon: Icon, box, ink } = LOOKS[severity]
  return (
    <li data-code={code} className={`keep-together rounded-sm border-l-4 px-3 py-2 ${box}`}>
      <h3 className="flex items-center gap-2 font-semibold">
        <Icon size={18} aria-hidden className={`shrink-0 ${ink}`} />
        <span className="flex-1">{title}</span>
        <span className={`text-sm font-semibold ${ink}`}>{SEVERITY_NAMES[severity]}</span>
      </h3>
      <p className="text-[0.93rem]">{children}</p>
    </li>
  )
}
