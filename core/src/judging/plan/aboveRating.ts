import type { Evaluation, Machine } from '../../things/model'
import { highestStep } from '../evaluate'

export const GRADES = ['a-step', 'well', 'far'] as const
export type Grade = (typeof GRADES)[number]

export interface AboveRating {
  dataRate: number
  /** What the controller is rated for at this load. */
  rating: number
  /** How far above, as a share. */
  share: number
  grade: Grade
  /** The usual way out: set by hand to this, MT/s; the highest standard step that is not far above. */
  holds: number
}

/** Up to this share above the rating it usually runs; up to the next it depends on the very processor. */
const USUAL = 0.15
const DOUBTFUL = 0.3

/**
 * How far a placement runs above the controller's rating at its load, null where it does not. Four
 * dual-rank modules at a profile made for two are far above, though the profile is the same.
 */
export function aboveRating(
  { generation }: Pick<Machine, 'generation'>,
  { run }: Evaluation,
): AboveRating | null {
  if (!run || run.dataRate <= run.controllerRating) return null
  const { dataRate, controllerRating: rating } = run
  const share = dataRate / rating - 1
  return {
    dataRate,
    rating,
    share,
    grade: share <= USUAL ? 'a-step' : share <= DOUBTFUL ? 'well' : 'far',
    holds: highestStep(generation, rating * (1 + USUAL)),
  }
}
