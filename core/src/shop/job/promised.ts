import { type AboveRating, aboveRating, evaluate } from '../../judging/evaluate'
import type { Machine } from '../../things/model'
import type { Situation } from './situation'

export interface Promised {
  /** What may be promised of a plan: the plan itself, or what it falls back to where it hardly ever runs as planned. */
  situation: Situation
  /** How far the plan runs above the controller's rating; null where it does not. */
  above: AboveRating | null
}

/**
 * What may be promised of a plan. A speed that its grade calls unlikely is tried at the bench, and no paper counts on
 * it: it falls back to what runs with nothing switched on.
 */
export function promisedOf(machine: Machine, planned: Situation): Promised {
  const { placement, evaluation } = planned
  const above = aboveRating(machine, placement, evaluation)
  if (above?.grade !== 'unlikely') return { situation: planned, above }
  const settings = { profile: false, manual: null }
  const plain = evaluate({ machine, placement, settings })
  return { situation: { ...planned, settings, evaluation: plain }, above }
}
