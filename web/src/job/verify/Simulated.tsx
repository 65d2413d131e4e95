import {
  type Fault,
  type Outcome,
  partOf,
  type Suspicion,
  type Trial,
} from '@tembrix/core/diagnose'
import { type Hidden, hide, random, tryOut } from '@tembrix/core/simulate'
import { Cpu } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui'
import { outcomeWords, partWords } from './words'

interface Props {
  suspicion: Suspicion
  trial: Trial | undefined
  /** No trial is noted yet: a fault can be hidden. */
  fresh: boolean
  onOutcome: (trial: Trial, outcome: Outcome) => void
  name: (module: string) => string
}

/** A simulated machine in place of a real one: a fault is hidden in it, and it does what that fault would do. */
export function Simulated({ suspicion, trial, fresh, onOutcome, name }: Props) {
  const [machine, setMachine] = useState<Hidden | null>(null)
  const [said, setSaid] = useState('')
  const { bench, arrangement } = suspicion

  function begin() {
    setMachine(hide(bench, arrangement, [someFault(suspicion, Date.now())]))
    setSaid('A fault is hidden. Make the trial on it.')
  }

  function make() {
    if (!machine || !trial) return
    const { outcome, after } = tryOut(machine, trial)
    setMachine(after)
    setSaid(`${outcomeWords(outcome)}.`)
    onOutcome(trial, outcome)
  }

  return (
    <details className="border-y border-rule">
      <summary className="flex min-h-11 cursor-pointer items-center gap-2 text-sm">
        <Cpu size={16} aria-hidden /> On a simulated machine, to try this out
      </summary>
      <div className="flex flex-wrap items-center gap-2 pb-2">
        {!machine || fresh ? (
          <Button onClick={begin} disabled={!fresh}>
            Hide a fault in it
          </Button>
        ) : null}
        {machine && trial && <Button onClick={make}>Make the trial on it</Button>}
        {machine && !trial && (
          <Button
            onClick={() =>
              setSaid(
                `Hidden was: ${machine.faults.map((one) => partWords(partOf(one), name)).join(', ')}.`,
              )
            }
          >
            What was it?
          </Button>
        )}
        <span className="text-sm" aria-live="polite">
          {said || (fresh ? '' : 'Begin anew to hide a fault.')}
        </span>
      </div>
    </details>
  )
}

/** One of the faults that could be, as often as the table has them. */
function someFault({ bench, arrangement, faults }: Suspicion, seed: number): Fault {
  const next = random(seed)
  const could = faults.filter(
    (fault) =>
      fault.kind !== 'SEAT_CURED' &&
      !(fault.kind === 'SLOT' && arrangement[fault.slot] === undefined) &&
      !(fault.kind === 'ORDER' || (fault.kind === 'PAIR' && bench.modules.length < 3)),
  )
  return could[Math.floor(next() * could.length)] as Fault
}
