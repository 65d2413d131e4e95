import type { Evaluation, Finding, Machine } from '@tembrix/core/model'
import { Info, OctagonX, TriangleAlert } from 'lucide-react'
import { memo } from 'react'
import { type Wording, wordingOf } from './catalogue'

const LOOKS = {
  stop: { icon: OctagonX, tag: 'Stop', box: 'bg-stop-soft border-stop', ink: 'text-stop' },
  risk: {
    icon: TriangleAlert,
    tag: 'Risk',
    box: 'bg-risk-soft border-risk-line',
    ink: 'text-risk',
  },
  note: { icon: Info, tag: 'Note', box: 'bg-note-soft border-rule-2', ink: 'text-ink-2' },
}

interface Props {
  machine: Machine
  evaluation: Evaluation
}

/** Everything to know about a situation, the gravest first, each with its meaning and what to do. */
export function FindingList({ machine, evaluation }: Props) {
  if (evaluation.findings.length === 0) {
    return (
      <p className="rounded-sm border-l-4 border-act bg-act-soft px-3 py-2">
        No problems found: the modules fit, sit in the right slots and share the channels evenly.
      </p>
    )
  }
  return (
    <ul aria-label="Findings" className="flex flex-col gap-1.5">
      {evaluation.findings.map((finding) => {
        const wording = wordingOf({ finding, machine, evaluation })
        return (
          <FindingView
            key={finding.code + finding.slots.join()}
            code={finding.code}
            severity={finding.severity}
            {...wording}
          />
        )
      })}
    </ul>
  )
}

const FindingView = memo(function FindingView({
  code,
  severity,
  title,
  means,
  todo,
}: Pick<Finding, 'code' | 'severity'> & Wording) {
  const { icon: Icon, tag, box, ink } = LOOKS[severity]
  return (
    <li data-code={code} className={`keep-together rounded-sm border-l-4 px-3 py-2 ${box}`}>
      <h3 className="flex items-center gap-2 font-semibold">
        <Icon size={18} aria-hidden className={`shrink-0 ${ink}`} />
        <span className="flex-1">{title}</span>
        <span className={`text-sm font-semibold ${ink}`}>{tag}</span>
      </h3>
      <p className="text-[0.93rem]">
        {means} <b className="font-semibold">{todo}</b>
      </p>
    </li>
  )
})
