import { type FigureSort, type Scatter, squares, usualScatter } from './scatter'
import { type Centre, centreOf, keptOf, type Session, spreadOf } from './session'

/** What sessions of one state come to, on logarithms, so that more is better. */
export interface Side {
  sessions: readonly Session[]
  /** Runs in all, those set aside with them. */
  count: number
  centres: readonly Centre[]
  centre: number
  variance: number
  /** The variance of the step that figures are printed with, which further sessions do not lessen. */
  step: number
}

export interface FigureKind {
  better: 'higher' | 'lower'
  /** The step the figure is printed with; null or left out where it is taken from how the runs are written. */
  quantum?: number | null
  /** The kind of figure; `average` where left out. */
  figure?: FigureSort
  /** Scatter of repeated sessions; the usual one of the figure where left out. */
  shop?: Scatter | null
}

/** What was assumed weighs as much as so many runs beyond the first. */
const ASSUMED_RUNS = 12
/** Nothing that is measured scatters by less. */
const LEAST_SCATTER = 0.0005

/**
 * Works through the sessions of several states of one machine together, since they share their scatter:
 * what is odd is set aside, sessions weigh by how sure each is. Sessions without runs are left out.
 * @throws RangeError for a run that is not above 0 or not finite, a step or a scatter below 0.
 */
export function sidesOf(
  all: readonly (readonly Session[])[],
  { better, quantum, figure, shop }: FigureKind,
): { sides: Side[]; scatter: Scatter } {
  const given = shop ?? usualScatter(figure)
  if (!(given.withinSd >= 0 && given.sessionSd >= 0)) {
    throw new RangeError('Scatter is not below 0.')
  }
  const assumed = {
    withinSd: Math.max(LEAST_SCATTER, given.withinSd),
    sessionSd: Math.max(LEAST_SCATTER, given.sessionSd),
  }
  const states = all.map((sessions) => sessions.filter(({ runs }) => runs.length > 0))
  const step = quantum ?? quantumOf(states.flat().flatMap(({ runs }) => runs))
  if (!(step >= 0)) throw new RangeError('A step is not below 0.')
  const logs = states.map((sessions) => sessions.map(({ runs }) => logsOf(runs, better)))
  const spread = spreadOf(logs.flat(), assumed.withinSd)
  const kept = logs.map((state) => state.map((own) => keptOf(own, spread)))
  const scatter = { ...assumed, withinSd: withinOf(kept.flat(), assumed.withinSd) }
  const firstsOdd = kept.flat().filter(({ firstOdd }) => firstOdd).length > 1
  const sides = kept.map((state, at): Side => {
    const centres = state.map((own) => centreOf(own, scatter, firstsOdd))
    const sessions = states[at] as Session[]
    const count = sessions.reduce((sum, { runs }) => sum + runs.length, 0)
    if (count === 0) return { sessions, count, centres, centre: 0, variance: Infinity, step: 0 }
    const weight = centres.reduce((sum, { variance }) => sum + 1 / variance, 0)
    const centre = centres.reduce((sum, one) => sum + one.centre / one.variance, 0) / weight
    const coarse = (step / figureOf(centre, better)) ** 2 / 12
    return { sessions, count, centres, centre, variance: 1 / weight + coarse, step: coarse }
  })
  return { sides, scatter }
}

/** The way back from a logarithm to the figure as it is printed. */
export const figureOf = (centre: number, better: 'higher' | 'lower'): number =>
  Math.exp(better === 'higher' ? centre : -centre)

function logsOf(runs: readonly number[], better: 'higher' | 'lower'): number[] {
  return runs.map((run) => {
    if (!(run > 0) || !Number.isFinite(run)) {
      throw new RangeError(`A run must be above 0: ${run}`)
    }
    return better === 'higher' ? Math.log(run) : -Math.log(run)
  })
}

/** The step that runs are written with, by their decimals; at most 1. */
function quantumOf(runs: readonly number[]): number {
  if (runs.length === 0) return 0
  return 10 ** -Math.max(...runs.map((run) => (String(run).split('.')[1] ?? '').length))
}

/** The scatter within sessions, at least what is assumed. */
function withinOf(kept: readonly { logs: readonly number[] }[], assumed: number): number {
  const free = kept.reduce((sum, { logs }) => sum + Math.max(0, logs.length - 1), 0)
  const sum = kept.reduce((all, { logs }) => all + squares(logs), 0)
  const variance = (ASSUMED_RUNS * assumed ** 2 + sum) / (ASSUMED_RUNS + free)
  return Math.max(assumed, Math.sqrt(variance))
}
