import type { Evaluation, Machine, Placement } from '@tembrix/core/things/model'
import { memo } from 'react'
import { callout } from '../../base/ui'
import { NO_FINDINGS, wordingOf } from './catalogue'
import { FindingBox } from './FindingBox'

interface Props {
  machine: Machine
  placement: Placement
  evaluation: Evaluation
}

/** Everything to know about a situation, the gravest first, each with its meaning and what to do. */
export const FindingList = memo(function FindingList({ machine, evaluation, placement }: Props) {
  if (evaluation.findings.length === 0) {
    return <p className={callout({ tone: 'good' })}>{NO_FINDINGS}</p>
  }
  return (
    <ul aria-label="Findings" className="flex flex-col gap-1.5">
      {evaluation.findings.map((finding) => {
        const { title, means, todo } = wordingOf({ finding, machine, evaluation, placement })
        const { code, severity, slots } = finding
        return (
          <FindingBox key={code + slots.join()} code={code} severity={severity} title={title}>
            {means} <b className="font-semibold">{todo}</b>
          </FindingBox>
        )
      })}
    </ul>
  )
})
