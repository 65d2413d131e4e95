import { known } from '../model'

/** How far figures scatter, as standard deviations of their logarithms: 0.01 is 1 %. */
export interface Scatter {
  /** From run to run within a session. */
  withinSd: number
  /** From session to session. */
  sessionSd: number
}

export const USUAL_SCATTER = known<Scatter>(
  { withinSd: 0.01, sessionSd: 0.01 },
  'What repeated sessions of a steady benchmark scatter by, until a shop has sessions of its own.',
)

/** How alike a run of a session is to the one before it, at the worst: heat, caches and clocks carry over. */
const ALIKE = 0.9

/**
 * How many independent runs so many runs of one session are worth when each is as like the one before it
 * as `ALIKE` (variance of the mean of a first-order autoregressive series).
 */
export function worthOf(runs: number): number {
  let shared = 0
  for (let apart = 1; apart < runs; apart += 1) shared += (runs - apart) * ALIKE ** apart
  return runs ** 2 / (runs + 2 * shared)
}

/** Repeated sessions of one test on one machine in one state: the runs of each. */
export type Repeated = readonly (readonly number[])[]

/** What was learned of scatter, and how many sessions stand behind it. */
export interface LearnedScatter extends Scatter {
  sessions: number
}

/** How many sessions beyond the first what was assumed weighs as much as. */
const ASSUMED_SESSIONS = 4
const ASSUMED_RUNS = 12

/**
 * What sessions repeated on one machine tell of scatter, drawn towards what was assumed before. Runs must
 * be above 0. Groups with one session tell of the scatter within it only.
 */
export function learnedScatter(
  groups: readonly Repeated[],
  assumed: Scatter = USUAL_SCATTER.value,
): LearnedScatter {
  let [within, runsFree, between, sessionsFree, share, sessions] = [0, 0, 0, 0, 0, 0]
  for (const group of groups) {
    const logs = group.filter((runs) => runs.length > 0).map((runs) => runs.map(Math.log))
    for (const runs of logs) {
      within += squares(runs)
      runsFree += runs.length - 1
    }
    if (logs.length < 2) continue
    between += squares(logs.map(mean))
    sessionsFree += logs.length - 1
    sessions += logs.length
    for (const runs of logs) share += (logs.length - 1) / logs.length / worthOf(runs.length)
  }
  const withinVariance = (ASSUMED_RUNS * assumed.withinSd ** 2 + within) / (ASSUMED_RUNS + runsFree)
  // What the sessions' centres scatter by holds a share of the scatter within each.
  const own = Math.max(0, between - share * withinVariance)
  const sessionVariance =
    (ASSUMED_SESSIONS * assumed.sessionSd ** 2 + own) / (ASSUMED_SESSIONS + sessionsFree)
  return {
    withinSd: Math.sqrt(withinVariance),
    sessionSd: Math.sqrt(sessionVariance),
    sessions,
  }
}

export const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length

export function squares(values: readonly number[]): number {
  const middle = mean(values)
  return values.reduce((sum, value) => sum + (value - middle) ** 2, 0)
}
