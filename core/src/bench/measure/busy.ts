import { known } from '../../things/model'
import { median } from './session'

export const BUSY_SPREAD = known(
  0.25,
  'Rounds of a quiet machine scatter by a few per cent; with something else at work by tens to hundreds. One odd round is not it.',
)

/** Whether rounds of one session scatter as they do only while something else is busy; the furthest one is let pass. */
export function looksBusy(runs: readonly number[]): boolean {
  if (runs.length < 4) return false
  const middle = median(runs)
  const furthest = runs
    .map((run) => Math.abs(run - middle))
    .sort((a, b) => b - a)
    .slice(1)
  return (furthest[0] as number) > BUSY_SPREAD.value * middle
}
