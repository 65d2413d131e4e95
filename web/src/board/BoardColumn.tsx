import type { Evaluation, Machine, Placement, Settings } from '@tembrix/core/model'
import type { Assignment } from '@tembrix/core/records'
import { Check } from '../ui'
import { Board } from './Board'
import { type Cost, Figures } from './Figures'
import { Gates } from './Gates'
import { MemoryStrip } from './MemoryStrip'

interface Props {
  machine: Machine
  placement: Placement
  evaluation: Evaluation
  settings: Settings
  /** What it is compared with. */
  before?: { assignment: Assignment; evaluation: Evaluation } | undefined
  cost?: Cost | undefined
  /** Asks for the memory profile; none where that is no question. */
  onProfile?: ((profile: boolean) => void) | undefined
  lit?: readonly string[]
  /** Where the screen is narrow, the board alone: the hands need the room for what is beside it. */
  bare?: boolean
}

/** The board with what stands in its slots, and beneath it what that comes to. */
export function BoardColumn(props: Props) {
  const { machine, placement, evaluation, settings, before, cost, onProfile, lit, bare } = props
  return (
    <div className="flex min-h-0 min-w-0 flex-col gap-1.5 max-lg:shrink-0 lg:flex-[1.75]">
      <div className="min-h-0 flex-1 max-lg:h-72 max-lg:flex-none">
        <Board findings={evaluation.findings} before={before?.assignment} lit={lit ?? []} />
      </div>
      <div className={`shrink-0 bg-sheet ${bare ? 'max-lg:hidden' : ''}`}>
        <Figures evaluation={evaluation} before={before?.evaluation} cost={cost} />
        <MemoryStrip machine={machine} placement={placement} evaluation={evaluation} />
        <Gates
          machine={machine}
          placement={placement}
          evaluation={evaluation}
          profileSwitch={
            onProfile && machine.profiles ? (
              <Check label="Ask for it" checked={settings.profile} onChecked={onProfile} />
            ) : undefined
          }
        />
      </div>
    </div>
  )
}
