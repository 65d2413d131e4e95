import { drawnChance, normalQuantile, normalShare, studentQuantile } from './distributions'
import { type Scatter, worthOf } from './scatter'
import type { Session } from './session'
import { areInOrder, carriedTrend, mayBeDrift } from './sessionTrend'
import { type FigureKind, figureOf, type Side, sidesOf } from './sides'

export const VERDICTS = ['gain', 'loss', 'alike', 'cannot-tell', 'too-few'] as const
export type RunVerdict = (typeof VERDICTS)[number]

/**
 * What is to be known beside a verdict: one session on a side; an odd first run or outliers set aside;
 * runs going steadily one way; figures printed in steps as coarse as what they scatter by; all sessions
 * of one state before all of the other, so that a machine that drifts would look changed; sessions of one
 * state that lie further apart than was assumed; frames held to a rate.
 */
export const COMPARE_NOTES = [
  'ONE_SESSION',
  'FIRST_RUN_ODD',
  'OUTLIER',
  'DRIFT',
  'QUANTISED',
  'ORDER',
  'SESSIONS_DISAGREE',
  'CAPPED',
] as const
export type CompareNote = (typeof COMPARE_NOTES)[number]

export interface CompareRequest extends FigureKind {
  before: readonly Session[]
  after: readonly Session[]
  /** Whether frames of either side were held to a rate, so that a difference cannot show. */
  capped?: boolean
  /** How many figures are told from the same runs, this one among them: all together keep the promise; 1 where left out. */
  family?: number
  /** A smaller gain is worth nothing to this customer, as a share: 0.03 for 3 %. */
  worthwhile?: number
}

export interface Comparison {
  verdict: RunVerdict
  /** After ÷ before, so that above 1 is better whichever way the figure counts. */
  ratio: number
  /** The 95 % interval of it, kept over up to five looks. */
  low: number
  high: number
  /** Whether it is a gain worth having; null while the interval lies on both sides of that. */
  worthwhile: boolean | null
  /** The cheapest further sessions, and runs in each, a side, that would settle it; null where none would. */
  next: { sessions: number; runs: number } | null
  notes: CompareNote[]
  before: Summary
  after: Summary
}

export interface Summary {
  sessions: number
  /** Runs in all, those set aside with them. */
  count: number
  /** Of the sessions' centres, as the figure is printed; null where there is none. */
  mean: number | null
}

/** The fewest runs a side that say anything. */
export const FEWEST_RUNS = 3

export const WORTHWHILE = 0.03

/** How often several looks at sessions without a true difference may call one, all looks together. */
export const LEVEL = 0.05

/**
 * So many errors on either side of what is seen. Five looks that each stop at a call would call one in
 * twenty at 2.413 (Pocock, Biometrika 64, 1977, 191–199); at this bound it is a little more, and with the
 * variance taken at its worst still less than the six in a hundred that are promised.
 */
const BOUND = 2.38
/** The chance beyond the bound on one side, for where the scatter has to be estimated. */
const BEYOND = 0.0087

/** The bound for each of several figures, so that all together call no more often than one alone (Bonferroni). */
const boundOf = (figures: number): number =>
  figures === 1 ? BOUND : normalQuantile(1 - (1 - normalShare(BOUND)) / figures)

/** Sessions beyond those there are that anybody would make. */
const MOST_SESSIONS = 5
const SESSION_RUNS = { fewest: 3, most: 5 }
/** Weight of the assumed scatter, in sessions beyond the first; less where the sessions contradict it. */
const ASSUMED_SESSIONS = 4
const CONTRADICTED_SESSIONS = 2
/** Further sessions are proposed where they would settle it as often as this, and five of them are hopeless below the other. */
const LIKELY = 0.5
const HOPELESS = 0.2

/**
 * Compares sessions before and after a change by ratio, on logarithms. Scatter has two parts, within a
 * session and between sessions; each is at least what the shop's own sessions scatter by, and more where
 * these do. Runs of a session are taken as alike to each other as is usual at the worst. An odd first run
 * and outliers are set aside; a step the figure is printed with counts with its variance, step² ÷ 12.
 * @throws RangeError for a run that is not above 0 or not finite, a step or a scatter below 0.
 */
export function compare(request: CompareRequest): Comparison {
  const { better, worthwhile = WORTHWHILE, capped = false } = request
  const { sides, scatter } = sidesOf([request.before, request.after], request)
  const [was, is] = sides as [Side, Side]
  const about = {
    notes: notesOf(was, is, scatter, capped),
    before: summaryOf(was, better),
    after: summaryOf(is, better),
  }
  const difference = was.count > 0 && is.count > 0 ? is.centre - was.centre : 0
  const ratio = Math.exp(difference)
  if (Math.min(was.count, is.count) < FEWEST_RUNS) {
    const next = { sessions: 1, runs: FEWEST_RUNS }
    return { verdict: 'too-few', ratio, low: 0, high: Infinity, worthwhile: null, next, ...about }
  }
  const variance = was.variance + is.variance
  const bound = boundOf(request.family ?? 1)
  const wider = bound / BOUND
  const half = wider * halfWidth([was, is], variance)
  const [low, high] = [difference - half, difference + half]
  const worth = Math.log1p(worthwhile)
  const verdict = verdictOf(low, high, worth)
  const halfOf = (of: number) => wider * halfWidth([was, is], of)
  const isDrift =
    (verdict === 'gain' || verdict === 'loss') &&
    mayBeDrift(difference, carriedTrend(was, is, scatter), halfOf, variance)
  const isWithheld = capped || isDrift
  return {
    verdict: isWithheld ? 'cannot-tell' : verdict,
    ratio,
    low: Math.exp(low),
    high: Math.exp(high),
    worthwhile: isWithheld ? null : low > worth ? true : high < worth ? false : null,
    next: capped ? null : nextFor(difference, half, worth, [was, is], scatter, bound),
    ...about,
  }
}

function verdictOf(low: number, high: number, worth: number): RunVerdict {
  if (low >= -worth && high <= worth) return 'alike'
  return low > 0 ? 'gain' : high < 0 ? 'loss' : 'cannot-tell'
}

/**
 * Half the interval of a difference of this variance, on logarithms. Sessions that lie further apart than was
 * assumed widen it at once, by their own scatter drawn towards the assumed; where chance would hardly put
 * them so far apart, by Student's t as well.
 */
export function halfWidth(sides: readonly Side[], variance: number): number {
  const { free, seen } = apartness(sides)
  const share = (of: number) => Math.max(1, (of + seen) / (of + free))
  const drawn = BOUND * Math.sqrt(share(ASSUMED_SESSIONS) * variance)
  if (!disagree(sides)) return drawn
  const bound = studentQuantile(1 - BEYOND, CONTRADICTED_SESSIONS + free)
  return Math.max(drawn, bound * Math.sqrt(share(CONTRADICTED_SESSIONS) * variance))
}

/** Distance between sessions of one state, squared and in units of the assumed variance, with its degrees of freedom. */
function apartness(sides: readonly Side[]): { free: number; seen: number } {
  return {
    free: sides.reduce((sum, { centres }) => sum + Math.max(0, centres.length - 1), 0),
    seen: sides.reduce(
      (sum, { centres, centre }) =>
        sum + centres.reduce((own, one) => own + (one.centre - centre) ** 2 / one.variance, 0),
      0,
    ),
  }
}

function disagree(sides: readonly Side[]): boolean {
  const { free, seen } = apartness(sides)
  return free > 0 && seen > muchBy(free)
}

/** What sessions that scatter as assumed exceed one time in twenty (chi-square, by Wilson and Hilferty, 1931). */
const muchBy = (free: number): number =>
  free * (1 - 2 / (9 * free) + 1.645 * Math.sqrt(2 / (9 * free))) ** 3

function notesOf(was: Side, is: Side, { withinSd }: Scatter, capped: boolean): CompareNote[] {
  const all = [...was.centres, ...is.centres]
  const sessions = [...was.sessions, ...is.sessions]
  const ordered =
    sessions.length > 2 && sessions.every(({ at }) => at !== null) && areInOrder(was, is)
  const holds: Record<CompareNote, boolean> = {
    ONE_SESSION: was.centres.length === 1 || is.centres.length === 1,
    FIRST_RUN_ODD: all.some(({ firstOdd }) => firstOdd),
    OUTLIER: all.some(({ outliers }) => outliers > 0),
    DRIFT: all.some(({ drifts }) => drifts),
    QUANTISED: 12 * Math.max(was.step, is.step) > withinSd ** 2,
    ORDER: ordered,
    SESSIONS_DISAGREE: disagree([was, is]),
    CAPPED: capped,
  }
  return COMPARE_NOTES.filter((note) => holds[note])
}

function summaryOf({ centres, count, centre }: Side, better: 'higher' | 'lower'): Summary {
  return {
    sessions: centres.length,
    count,
    mean: count === 0 ? null : figureOf(centre, better),
  }
}

/**
 * The fewest further sessions, then the fewest runs in each, that would likely settle it; five of the most runs where
 * only these might. Null where it is settled, or where even five would settle it in fewer than one case of five.
 */
function nextFor(
  difference: number,
  half: number,
  worth: number,
  sides: readonly Side[],
  { withinSd, sessionSd }: Scatter,
  bound: number,
): Comparison['next'] {
  if (isSettled(difference, half, worth)) return null
  const now = (half / bound) ** 2
  const chanceOf = (sessions: number, runs: number) => {
    const each = sessionSd ** 2 + withinSd ** 2 / worthOf(runs)
    const then = sides.reduce(
      (sum, { variance: own, step }) => sum + step + 1 / (1 / (own - step) + sessions / each),
      0,
    )
    return settlingChance(difference, now, Math.min(then, now), worth, bound)
  }
  for (let sessions = 1; sessions <= MOST_SESSIONS; sessions += 1) {
    for (let runs = SESSION_RUNS.fewest; runs <= SESSION_RUNS.most; runs += 1) {
      if (chanceOf(sessions, runs) >= LIKELY) return { sessions, runs }
    }
  }
  const most = { sessions: MOST_SESSIONS, runs: SESSION_RUNS.most }
  return chanceOf(most.sessions, most.runs) >= HOPELESS ? most : null
}

const isSettled = (difference: number, half: number, worth: number): boolean =>
  Math.abs(difference) > half || Math.abs(difference) + half <= worth

/**
 * Chance that further sessions, which bring the variance from `now` to `then`, settle it, averaged over the possible
 * true differences: the difference seen then is spread round the one seen now with the variance taken away.
 */
function settlingChance(
  difference: number,
  now: number,
  then: number,
  worth: number,
  bound: number,
): number {
  const spread = Math.sqrt(Math.max(1e-12, now - then))
  const half = bound * Math.sqrt(then)
  const within = (low: number, high: number) =>
    high > low
      ? normalShare((high - difference) / spread) - normalShare((low - difference) / spread)
      : 0
  const called = 1 - within(-half, half)
  return Math.min(1, called + within(half - worth, worth - half))
}

export interface FailureComparison {
  /** Chance that so unequal a split, or a more unequal one, comes of itself (Fisher’s exact test, two-sided). */
  chance: number
  fewer: boolean
  more: boolean
}

/** Whether runs that crashed or never finished became fewer or more. */
export function compareFailures(
  before: { failed: number; runs: number },
  after: { failed: number; runs: number },
): FailureComparison {
  const total = before.runs + after.runs
  const failed = before.failed + after.failed
  const weight = (k: number) => drawnChance(k, total, failed, after.runs)
  const own = weight(after.failed)
  let chance = 0
  for (let k = Math.max(0, failed - before.runs); k <= Math.min(failed, after.runs); k += 1) {
    const one = weight(k)
    if (one <= own * (1 + 1e-9)) chance += one
  }
  const sure = chance < LEVEL
  const [was, is] = [before.failed / before.runs, after.failed / after.runs]
  return { chance: Math.min(1, chance), fewer: sure && is < was, more: sure && is > was }
}
