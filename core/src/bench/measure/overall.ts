import type { Work } from '../../judging/forecast'
import type { Tested } from './tested'

/** How much of the customer's time each kind of work takes; only the proportions count. */
export interface WorkShare {
  work: Work
  weight: number
}

/** Several tests in one figure: times as good, with its 95 % interval, and of how many tests it is made. */
export interface Overall {
  ratio: number
  low: number
  high: number
  tests: number
}

/** An interval of 95 % is so many errors wide. */
const WIDTH = 2 * 1.96

/** A game is a game, whatever limits it. */
const kindOf = (work: Work): Work => (work === 'games-processor' ? 'games' : work)

/**
 * The geometric mean of what tests gained after the change, each weighed by the customer's time for the work that it
 * stands for; tests of the same work share its weight. Tests that stand for none of the customer's work are left out.
 * Null with fewer than two.
 */
export function overall(
  tested: readonly Pick<Tested<unknown>, 'work' | 'against'>[],
  mix: readonly WorkShare[],
): Overall | null {
  const compared = tested.flatMap(({ work, against: { after } }) =>
    work && after && after.verdict !== 'too-few' ? [{ work: kindOf(work), after }] : [],
  )
  const weighed = compared.flatMap(({ work, after }) => {
    const weight = mix.reduce((sum, one) => sum + (kindOf(one.work) === work ? one.weight : 0), 0)
    const alike = compared.filter((one) => one.work === work).length
    return weight > 0 ? [{ after, weight: weight / alike }] : []
  })
  if (weighed.length < 2) return null
  const whole = weighed.reduce((sum, { weight }) => sum + weight, 0)
  let [mean, variance] = [0, 0]
  for (const { after, weight } of weighed) {
    const share = weight / whole
    mean += share * Math.log(after.ratio)
    variance += (share * (Math.log(after.high / after.low) / WIDTH)) ** 2
  }
  const half = (WIDTH / 2) * Math.sqrt(variance)
  return {
    ratio: Math.exp(mean),
    low: Math.exp(mean - half),
    high: Math.exp(mean + half),
    tests: weighed.length,
  }
}
