import { beforePuttingRight, puttingRight, timesLikely, type Weighing } from './inference'

/** An answer that the others make less likely than this does not fit them. */
const DOUBTFUL = 0.04
/** Among more answers than this one that does not fit is nothing unusual. */
const MOST_DOUBTED = 12

/**
 * Answers that do not fit the others: places in the trials. How likely each is by all the others, those before it
 * going forward and those after it coming back. Looked for once some answer comes as a surprise after those
 * before it.
 */
export function doubtfulOf(answers: readonly Weighing[]): number[] {
  const [first] = answers
  if (!first || answers.length < 3 || answers.length > MOST_DOUBTED) return []
  // The first start is in trouble by the nature of things.
  if (answers.slice(1).every(({ chance }) => chance >= DOUBTFUL)) return []
  const doubtful: number[] = []
  const later = new Float64Array(first.from.chances.length).fill(1)
  for (const [at, { trial, from }] of [...answers.entries()].reverse()) {
    const before = puttingRight(from, trial)
    const without = sumOfProducts(before, later)
    timesLikely(later, from, trial, trial.outcome, trial.unsure)
    const chance = sumOfProducts(before, later) / without
    if (chance < DOUBTFUL && !trial.unsure) doubtful.unshift(at)
    beforePuttingRight(later, from, trial)
  }
  return doubtful
}

function sumOfProducts(a: Float64Array, b: Float64Array): number {
  let sum = 0
  for (let n = 0; n < a.length; n += 1) sum += (a[n] as number) * (b[n] as number)
  return sum
}
