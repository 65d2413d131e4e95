import type { Assignment } from '../../things/records'
import type { FittingStep } from './step'

/** What sits in the slots once these steps are done: what was taken out is gone, what was put in is there. */
export function slotsAfter(
  found: Assignment,
  planned: Assignment,
  steps: readonly FittingStep[],
  isDone: (step: FittingStep) => boolean,
): Assignment {
  const now = { ...found }
  for (const step of steps) {
    if (!isDone(step)) continue
    for (const slot of step.slots) {
      if (step.code === 'TAKE_OUT') delete now[slot]
      const piece = planned[slot]
      if (step.code === 'PUT_IN' && piece) now[slot] = piece
    }
  }
  return now
}
