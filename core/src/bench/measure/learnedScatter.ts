import { mean, type Scatter, squares, USUAL_SCATTER, worthOf } from './scatter'
import { keptOf, spreadOf } from './session'

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
 * What sessions repeated on one machine tell of scatter, drawn towards what was assumed before; odd first
 * runs and outliers apart. Runs must be above 0. Groups with one session tell of the scatter within it only.
 */
export function learnedScatter(
  groups: readonly Repeated[],
  assumed: Scatter = USUAL_SCATTER.value,
): LearnedScatter {
  let [within, runsFree, between, sessionsFree, share, sessions] = [0, 0, 0, 0, 0, 0]
  for (const group of groups) {
    const all = group.filter((runs) => runs.length > 0).map((runs) => runs.map(Math.log))
    const spread = spreadOf(all, assumed.withinSd)
    const logs = all.map((runs) => keptOf(runs, spread).logs)
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
