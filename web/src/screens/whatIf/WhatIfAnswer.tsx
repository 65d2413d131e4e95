import { mixingRisk } from '@tembrix/core/judging/plan'
import { capacity, latency, speed } from '../../base/format'
import { callout } from '../../base/ui'
import { modeWord } from '../../parts/board'
import { wordingOf } from '../../parts/findings'
import type { Trying } from './useWhatIf'

/** The answer in a line: does it work, and how well. */
export function WhatIfAnswer({ trying }: { trying: Trying }) {
  const { state, placement, settings, evaluation } = trying
  const { machine } = state
  const count = Object.values(placement).filter(Boolean).length
  if (count === 0) return <p className="text-ink-2">Nothing in the slots yet.</p>
  const { run, starts, findings, mode } = evaluation
  if (!starts || !run) {
    const [first] = findings
    const why = first ? wordingOf({ finding: first, machine, evaluation, placement }).title : ''
    return (
      <p
        role="status"
        aria-label="Answer"
        className={callout({ tone: 'stop', className: 'text-lg' })}
      >
        <b className="font-semibold">No.</b> {why}
      </p>
    )
  }
  const risks = findings.filter(({ severity }) => severity === 'risk').length
  const { level } = mixingRisk(machine, placement, settings, machine.touchy ?? false)
  const but = risks > 0 || level === 'some' || level === 'high'
  return (
    <p
      role="status"
      aria-label="Answer"
      className={callout({ tone: but ? 'risk' : 'good', className: 'text-lg' })}
    >
      <b className="font-semibold">{but ? 'Yes, but.' : 'Yes.'}</b>{' '}
      {capacity(evaluation.capacity.usableGiB)}, {modeWord(mode)}, {speed(run.dataRate)},{' '}
      {latency(run.firstWordNs)}
      {but ? '; notes and warnings are below.' : '.'}
    </p>
  )
}
