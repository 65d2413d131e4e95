import type { Suspicion } from '@tembrix/core/diagnose'
import { Cpu } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { Button, list } from '../../ui'
import type { SimulatedAs, SimulatedBench } from './useSimulated'
import { partWords } from './words'

interface Props {
  bench: SimulatedBench
  suspicion: Suspicion
  name: (module: string) => string
  /** Whether one may be put on the bench now. */
  fresh?: boolean
  /** What it said last. */
  said: string
  /** What can be done with it here. */
  children: ReactNode
}

/** A simulated machine in place of the real one: to try Tembrix out, and to learn. */
export function Simulated({ bench, suspicion, name, fresh = true, said, children }: Props) {
  const [shown, setShown] = useState(false)
  const { machine, hidden, begin, putAway } = bench
  const start = (as: SimulatedAs) => {
    setShown(false)
    begin(suspicion, as)
  }
  return (
    <details className="border-t border-rule" open={machine !== null}>
      <summary className="flex min-h-11 cursor-pointer items-center gap-2 text-sm">
        <Cpu size={16} aria-hidden /> On a simulated machine, to try this out
      </summary>
      <div className="flex flex-wrap items-center gap-2 pb-2">
        {machine ? (
          <>
            {children}
            <Button look="quiet" onClick={() => setShown(true)}>
              What is hidden in it?
            </Button>
            <Button look="quiet" onClick={putAway}>
              Remove it
            </Button>
          </>
        ) : fresh ? (
          <>
            <Button onClick={() => start('faulty')}>One with a hidden fault</Button>
            <Button onClick={() => start('fickle')}>One whose fault comes and goes</Button>
            <Button onClick={() => start('sound')}>A sound one</Button>
            <Button onClick={() => start('held')}>One whose browser holds it back</Button>
            <Button onClick={() => start('odd')}>
              One that keeps memory and lists too many slots
            </Button>
          </>
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
    </details>
  )
}
