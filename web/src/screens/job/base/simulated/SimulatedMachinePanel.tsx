import type { InStore, Trait } from '@tembrix/core/bench/simulate'
import { Cpu } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { list } from '../../../../base/format'
import { Button, Disclosure } from '../../../../base/ui'
import { partWords, useModuleNames } from '../trials'
import type { SimulatedBench } from './useSimulated'

interface Props {
  bench: SimulatedBench
  /** Whether one may be put on the bench now. */
  fresh?: boolean
  /** What it said last. */
  said: string
  /** What can be done with it here. */
  children: ReactNode
}

const KINDS: [InStore | Trait | null, string][] = [
  ['fault', 'One with a hidden fault'],
  ['no-start', 'One that will not start'],
  ['comes-and-goes', 'One whose fault comes and goes'],
  ['only-warm', 'One that fails only when warm'],
  [null, 'A sound one'],
  ['held', 'One whose browser holds it back'],
  ['odd', 'One that keeps memory and lists too many slots'],
  ['forgets', 'One that loses its setup'],
]

/** A simulated machine in place of the real one: to try Tembrix out, and to learn. */
export function SimulatedMachinePanel({ bench, fresh = true, said, children }: Props) {
  const [shown, setShown] = useState(false)
  const name = useModuleNames()
  const { machine, hidden, begin, remove } = bench
  const start = (kind: InStore | Trait | null) => {
    setShown(false)
    begin(kind)
  }
  return (
    <Disclosure
      className="border-t border-rule"
      open={machine !== null}
      summary={
        <span className="flex items-center gap-2 text-sm">
          <Cpu size={16} aria-hidden /> On a simulated machine, to try this out
        </span>
      }
    >
      <div className="flex flex-wrap items-center gap-2 pb-2">
        {machine ? (
          <>
            {children}
            <Button look="quiet" onClick={() => setShown(true)}>
              What is hidden in it?
            </Button>
            <Button look="quiet" onClick={remove}>
              Remove it
            </Button>
          </>
        ) : fresh ? (
          KINDS.map(([kind, label]) => (
            <Button key={label} onClick={() => start(kind)}>
              {label}
            </Button>
          ))
        ) : (
          <span className="text-sm">Start again to put one on the bench.</span>
        )}
        <p className="w-full text-sm" aria-live="polite">
          {said}{' '}
          {machine && shown && (
            <b className="font-semibold">
              {hidden.length === 0
                ? 'Hidden: nothing, it is sound.'
                : `Hidden: ${list(hidden.map((part) => partWords(part, name)))}.`}
            </b>
          )}
        </p>
      </div>
    </Disclosure>
  )
}
