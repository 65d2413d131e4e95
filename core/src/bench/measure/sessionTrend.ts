import type { Scatter } from './scatter'
import type { Session } from './session'
import type { Side } from './sides'

/** The fewest sessions of a state that can show a trend. */
const FEWEST = 3
/**
 * A trend counts from so many of its own errors on, and where it would make up more than this share of the difference.
 * Drawn (1 % within, 0.9 % between, three sessions a side): a drift of 1 % a session is called a change in 18 % of
 * pairs, a real 5 % in 96 %, as with two sessions. A third, with an 80 % interval, called the 5 % in 89 %.
 */
const LIKELY_TREND = 0.6
const PART = 0.58

/** Whether all sessions of one state came before all of the other: by their times, or as they stand where no time is known. */
export function areInOrder(was: Side, is: Side): boolean {
  const sessions = [...was.sessions, ...is.sessions]
  if (was.count === 0 || is.count === 0) return false
  if (sessions.every(({ at }) => at === null)) return true
  return (
    sessions.every(({ at }) => at !== null) &&
    Math.max(...was.sessions.map(timeOf)) < Math.min(...is.sessions.map(timeOf))
  )
}

const timeOf = ({ at }: Session): number => Date.parse(at ?? '')

/**
 * Change that a drifting machine would show between the middles of two states, were the trend within each state's
 * sessions carried on from one session to the next; with its variance. Null where neither state shows a trend, or the
 * states were measured by turns.
 */
export function carriedTrend(
  was: Side,
  is: Side,
  scatter: Scatter,
): { change: number; variance: number } | null {
  if (!areInOrder(was, is)) return null
  let [moment, places, weighed] = [0, 0, 0]
  for (const { centres } of [was, is]) {
    if (centres.length < FEWEST) continue
    const middle = (centres.length - 1) / 2
    centres.forEach(({ centre, variance, logs }, at) => {
      moment += (at - middle) * centre
      places += (at - middle) ** 2
      // Runs that are as alike as at the worst carry nothing from one session to the next.
      weighed +=
        (at - middle) ** 2 *
        Math.min(
          variance,
          scatter.sessionSd ** 2 + scatter.withinSd ** 2 / Math.max(1, logs.length),
        )
    })
  }
  if (places === 0) return null
  const slope = moment / places
  const slopeVariance = weighed / places ** 2
  if (Math.abs(slope) <= LIKELY_TREND * Math.sqrt(slopeVariance)) return null
  // From the middle of the sessions before to the middle of those after.
  const apart = (was.centres.length + is.centres.length) / 2
  return { change: slope * apart, variance: slopeVariance * apart ** 2 }
}

/** Whether a trend may make up the difference: most of it, and what is left is no difference for sure. */
export function mayBeDrift(
  difference: number,
  trend: { change: number; variance: number } | null,
  halfOf: (variance: number) => number,
  variance: number,
): boolean {
  if (!trend || trend.change * difference <= 0) return false
  if (Math.abs(trend.change) < PART * Math.abs(difference)) return false
  const left = Math.abs(difference) - Math.abs(trend.change)
  return left <= halfOf(variance + trend.variance)
}
