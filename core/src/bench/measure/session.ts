import { mean, type Scatter, squares, worthOf } from './scatter'

/** Runs made one after the other, between restarts, heat-ups or days; `at` (ISO) where it is known. */
export interface Session {
  at: string | null
  /** In the order they were made. */
  runs: readonly number[]
}

/** A session's runs that count, as logarithms, with what was set aside. */
export interface Kept {
  logs: number[]
  /** The first run was far from all the others. */
  firstOdd: boolean
  /** How many runs lay far from the rest, and how far from it the furthest of all set aside. */
  outliers: number
  apart: number
}

/** What a session says: its centre and the variance of it, on logarithms. */
export interface Centre extends Kept {
  centre: number
  variance: number
  /** How far its runs went steadily one way, from the first to the last. */
  drift: number
  drifts: boolean
}

/** Runs further from the middle of their session than so many times the scatter are not of it. */
const FAR = 4
/** How often a run is an outlier, and how far from the rest one is where nothing shows it, times the scatter. */
const OUTLIER_ODDS = 9
const UNSEEN_OUTLIER = 10
/** A steady change counts as drift beyond so many times its own error. */
const DRIFTS = 3

/** Sets aside an odd first run and outliers; `spread` is the scatter of runs within a session. */
export function keptOf(logs: readonly number[], spread: number): Kept {
  const [first, ...rest] = logs
  const firstOdd =
    first !== undefined &&
    rest.length >= 2 &&
    Math.abs(first - median(rest)) > FAR * spread &&
    rest.every((one) => Math.abs(one - median(rest)) <= FAR * spread)
  const own = firstOdd ? rest : [...logs]
  const middle = median(own)
  const near = own.filter((one) => Math.abs(one - middle) <= FAR * spread)
  const far = own.filter((one) => Math.abs(one - middle) > FAR * spread)
  // Of two that differ nobody knows which is odd.
  if (near.length <= far.length) {
    const apart = Math.max(...own) - Math.min(...own)
    return { logs: own, firstOdd, outliers: far.length > 0 ? own.length >> 1 : 0, apart }
  }
  const odd = firstOdd ? [first, ...far] : far
  const apart = Math.max(0, ...odd.map((one) => Math.abs(one - middle)))
  return { logs: near, firstOdd, outliers: far.length, apart }
}

/**
 * The centre of a session and how sure it is: the session's own place, what its runs scatter by (few
 * independent ones, however many), drift, and the chance that what was set aside was right after all.
 * With `firstsOdd` the first run is known to be odd on this machine, as several sessions show.
 */
export function centreOf(kept: Kept, { withinSd, sessionSd }: Scatter, firstsOdd: boolean): Centre {
  const { logs, apart } = kept
  const outliers = kept.outliers + (kept.firstOdd && !firstsOdd ? 1 : 0)
  const all = logs.length + outliers
  const { drift, drifts } = driftOf(logs, withinSd)
  const alone = all === 1
  // With as many outliers the rest would be the outliers: so often is it they that are right.
  const wrong = alone ? 1 / (1 + OUTLIER_ODDS) : 1 / (1 + OUTLIER_ODDS ** (all - 2 * outliers))
  const distance = alone ? UNSEEN_OUTLIER * withinSd : outliers > 0 ? apart : 0
  const variance =
    sessionSd ** 2 +
    withinSd ** 2 / worthOf(logs.length) +
    drift ** 2 / 12 +
    2 * wrong * distance ** 2
  return { ...kept, centre: mean(logs), variance, drift, drifts }
}

/** Least squares over the runs in their order. */
function driftOf(logs: readonly number[], spread: number): { drift: number; drifts: boolean } {
  if (logs.length < 4) return { drift: 0, drifts: false }
  const middle = (logs.length - 1) / 2
  const places = squares(logs.map((_, at) => at))
  const slope = logs.reduce((sum, one, at) => sum + (at - middle) * one, 0) / places
  const drift = slope * (logs.length - 1)
  const left = logs.map((one, at) => one - slope * (at - middle))
  const own = Math.sqrt(squares(left) / (logs.length - 2))
  const error = Math.max(own, spread / 2) / Math.sqrt(places)
  return { drift, drifts: Math.abs(slope) > DRIFTS * error }
}

/**
 * The scatter of runs about the middle of their session over all sessions, by their middle deviation,
 * which one outlier in ten does not move; at least what is assumed.
 */
export function spreadOf(sessions: readonly (readonly number[])[], assumed: number): number {
  const deviations = sessions.flatMap((logs) => {
    if (logs.length < 3) return []
    const middle = median(logs)
    // The middle run lies on the middle itself and says nothing.
    const own = logs.map((one) => Math.abs(one - middle)).sort((a, b) => a - b)
    return logs.length % 2 === 1 ? own.slice(1) : own
  })
  if (deviations.length === 0) return assumed
  const middle = deviations.sort((a, b) => a - b)[(deviations.length - 1) >> 1] as number
  return Math.max(assumed, 1.4826 * middle)
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  const upper = sorted[half] as number
  return sorted.length % 2 === 1 ? upper : ((sorted[half - 1] as number) + upper) / 2
}
