import { largerFirst } from '@tembrix/core/bench/fitting'
import { Button, callout } from '../../../../base/ui'
import { useJob } from '../../base/file'
import type { Fitting } from './useFit'

/** Says where the plan could lie better on the board, before hands are at it. */
export function FitBoard({ fitting }: { fitting: Fitting }) {
  const { machine, planned, pieces, plan, edit } = useJob()
  const better = largerFirst(machine, planned.assignment, pieces)
  const begun = fitting.steps.some(({ code, id }) => code === 'PUT_IN' && fitting.fit.ticks[id])
  if (better === planned.assignment || begun) return null
  return (
    <section className={callout({ tone: 'risk' })}>
      <p className="mb-1">
        <b className="font-semibold">The larger pair is not in the slots that are filled first.</b>{' '}
        No figure changes, but those slots lie best for the signal.
      </p>
      <Button onClick={() => edit.step('plans', plan, { placement: better })}>
        Change places in the plan
      </Button>
    </section>
  )
}
