import { drawnChance, studentQuantile } from './distributions'

export const VERDICTS = ['gain', 'loss', 'cannot-tell', 'too-few'] as const
export type RunVerdict = (typeof VERDICTS)[number]

export interface Comparison {
  /** After ÷ before, geometric means, so that above 1 is better whichever way the figure counts. */
  ratio: number
  /** The 95 % interval of it. */
  low: number
  high: number
  verdict: RunVerdict
  /** Runs a side that would settle a difference as large as the one seen; null where it is settled or there is none. */
  moreRuns: number | null
  before: Summary
  after: Summary
}

export interface Summary {
  count: number
  /** Geometric mean; null where there is none. */
  mean: number | null
}

/** The fewest runs a side that say anything of their scatter. */
export const FEWEST_RUNS = 3

/** How often runs without a true difference may be called one. */
const LEVEL = 0.05

/** More runs than anybody would make. */
const MOST_RUNS = 200

/**
 * Compares runs before and after a change: ratio of geometric means with the 95 % interval of Welch’s
 * t on the logarithms (unequal spreads). All runs must be above 0; `better` says which way is good.
 * Of pairs with no true difference about 5 in 100 are called one, at three runs a side as at ten.
 * @throws RangeError for a run that is not above 0 or not finite.
 */
export function compareRuns(
  before: readonly number[],
  after: readonly number[],
  better: 'higher' | 'lower',
): Comparison {
  const [was, is] = [logsOf(before, better), logsOf(after, better)]
  const summaries = { before: summary(before), after: summary(after) }
  if (was.length < FEWEST_RUNS || is.length < FEWEST_RUNS) {
    const ratio = was.length > 0 && is.length > 0 ? Math.exp(mean(is) - mean(was)) : 1
    const missing = FEWEST_RUNS - Math.min(was.length, is.length)
    return { ratio, low: 0, high: Infinity, verdict: 'too-few', moreRuns: missing, ...summaries }
  }
  const difference = mean(is) - mean(was)
  const { error, freedom } = welch(was, is)
  // Runs that do not scatter at all leave no doubt.
  const half = error === 0 ? 0 : studentQuantile(1 - LEVEL / 2, freedom) * error
  const verdict: RunVerdict =
    difference - half > 0 ? 'gain' : difference + half < 0 ? 'loss' : 'cannot-tell'
  return {
    ratio: Math.exp(difference),
    low: Math.exp(difference - half),
    high: Math.exp(difference + half),
    verdict,
    moreRuns: verdict === 'cannot-tell' ? runsToSettle(was, is, difference) : null,
    ...summaries,
  }
}

function logsOf(runs: readonly number[], better: 'higher' | 'lower'): number[] {
  return runs.map((run) => {
    if (!(run > 0) || !Number.isFinite(run)) {
      throw new RangeError(`A run must be above 0: ${run}`)
    }
    return better === 'higher' ? Math.log(run) : -Math.log(run)
  })
}

function summary(runs: readonly number[]): Summary {
  const count = runs.length
  return { count, mean: count === 0 ? null : geometricMean(runs) }
}

/** Of figures above 0, one at least. */
export const geometricMean = (figures: readonly number[]): number =>
  Math.exp(mean(figures.map((figure) => Math.log(figure))))

const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length

function variance(values: readonly number[]): number {
  const middle = mean(values)
  return values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1)
}

/**
 * Standard error of the difference of means, and its degrees of freedom by Welch’s estimate of 1947
 * (Biometrika 34, 28–35), which is nearer the truth for few runs than the usual one, too cautious there.
 */
function welch(a: readonly number[], b: readonly number[]): { error: number; freedom: number } {
  const [partA, partB] = [variance(a) / a.length, variance(b) / b.length]
  const squared = partA + partB
  if (squared === 0) return { error: 0, freedom: a.length + b.length - 2 }
  const freedom = squared ** 2 / (partA ** 2 / (a.length + 1) + partB ** 2 / (b.length + 1)) - 2
  return { error: Math.sqrt(squared), freedom }
}

function runsToSettle(
  was: readonly number[],
  is: readonly number[],
  difference: number,
): number | null {
  if (difference === 0) return null
  const spread = variance(was) + variance(is)
  const have = Math.min(was.length, is.length)
  for (let runs = have + 1; runs <= MOST_RUNS; runs += 1) {
    const error = Math.sqrt(spread / runs)
    if (studentQuantile(1 - LEVEL / 2, 2 * runs - 2) * error < Math.abs(difference)) {
      return runs - have
    }
  }
  return null
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
