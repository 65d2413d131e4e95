import { asFarAsSeen } from '@tembrix/core/judging/evaluate'
import type { Evaluation, Machine, Placement, Settings } from '@tembrix/core/things/model'
import type { Assignment } from '@tembrix/core/things/records'
import { memo } from 'react'
import { capacity, list } from '../../base/format'
import { Check } from '../../base/ui'
import { Board } from './Board'
import { type Cost, EvaluationFigures } from './EvaluationFigures'
import { MemoryStrip } from './MemoryStrip'
import { SpeedLimitList } from './SpeedLimitList'

interface Props {
  machine: Machine
  placement: Placement
  evaluation: Evaluation
  settings: Settings
  /** What it is compared with. */
  before?: { assignment: Assignment; evaluation: Evaluation } | undefined
  cost?: Cost | undefined
  /** Enables the memory profile; none where that is no question. */
  onProfile?: ((profile: boolean) => void) | undefined
  lit?: readonly string[]
  /** Slots nobody has looked into: while there are any, nothing is said that rests on them. */
  unseen?: readonly string[]
  /** What can be done with the board as a whole, at its edge. */
  tools?: React.ReactNode
}

/** The board with what stands in its slots, and beneath it what that comes to. */
export const BoardColumn = memo(function BoardColumn(props: Props) {
  const { evaluation, before, lit, tools } = props
  const { unseen = [] } = props
  const findings = asFarAsSeen(evaluation.findings, unseen)
  return (
    <div className="flex h-full min-h-0 min-w-0 flex-col gap-1.5">
      <div className="flex min-h-0 flex-1 gap-0.5 max-lg:h-72 max-lg:flex-none">
        <div className="min-w-0 flex-1">
          <Board findings={findings} before={before?.assignment} lit={lit ?? []} />
        </div>
        {tools}
      </div>
      <div className="shrink-0 bg-sheet">
        {unseen.length > 0 && (
          <p className="border-b border-rule bg-note-soft px-3 py-2 text-[0.93rem]">
            <b className="font-semibold">
              {capacity(evaluation.capacity.installedGiB)} seen so far.
            </b>{' '}
            What is in {list(unseen)} is not known yet, so nothing is said of channels, order and
            start.
          </p>
        )}
        {unseen.length === 0 && <Answer {...props} />}
      </div>
    </div>
  )
})

/** What a placement comes to: its figures, how it lies across the channels, what limits the speed. */
function Answer({ machine, placement, evaluation, settings, before, cost, onProfile }: Props) {
  return (
    <>
      <EvaluationFigures evaluation={evaluation} before={before?.evaluation} cost={cost} />
      <MemoryStrip machine={machine} placement={placement} evaluation={evaluation} />
      <SpeedLimitList
        machine={machine}
        placement={placement}
        evaluation={evaluation}
        profileSwitch={
          onProfile && machine.profiles ? (
            <Check label="Enable" checked={settings.profile} onChecked={onProfile} />
          ) : undefined
        }
      />
    </>
  )
}
