import type { SoakPlan } from '@tembrix/core/bench/soak'
import { plural, tidy } from '../../base/format'

const SHARE_NAMES: readonly [number, string][] = [
  [19 / 20, 'nineteen passes of twenty'],
  [9 / 10, 'nine passes of ten'],
  [4 / 5, 'four passes of five'],
  [2 / 3, 'two passes of three'],
  [1 / 2, 'every other pass'],
  [1 / 3, 'one pass of three'],
  [1 / 4, 'one pass of four'],
  [1 / 5, 'one pass of five'],
  [1 / 10, 'one pass of ten'],
  [1 / 20, 'one pass of twenty'],
]

/** The rarest fault that clean passes would have shown, 95 times in 100. */
export function shownWords(share: number): string {
  const [, name] = SHARE_NAMES.find(([one]) => Math.abs(one - share) < 1e-9) ?? []
  return name ? `a fault that is seen in ${name}` : 'a fault that is seen in every pass'
}

/** Hours as a span, from a quarter of an hour on. */
export function soakHours({ low, high }: SoakPlan['hours']): string {
  const quarters = (hours: number) => tidy(Math.max(0.25, Math.round(hours * 4) / 4), 2)
  return quarters(low) === quarters(high)
    ? `${quarters(high)} hours`
    : `${quarters(low)} to ${quarters(high)} hours`
}

/** Number of passes, their warmth and their time, as read in a sentence. */
export const soakWords = ({ passes, warm, hours }: SoakPlan): string =>
  `${plural(passes, 'full pass', 'full passes')} of the memory test${warm ? ', warm' : ''}, about ${soakHours(hours)}`
