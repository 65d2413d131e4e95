import fc from 'fast-check'
import { expect, test } from 'vitest'
import { doubtfulOf, type Made, STARTING_CAUSES, suspect, type TrialBench } from '.'
import { puttingRight, type Suspicion, weighedBy, weighings } from './inference'

const bench: TrialBench = {
  order: ['A', 'B'],
  mustFill: [],
  modules: ['m1', 'm2'],
  known: ['g1'],
  profiles: true,
}
const both = { A: 'm1', B: 'm2' }
const begun = suspect(bench, both, true, STARTING_CAUSES)

/** How likely all answers but one are together, worked out from the start each time. */
function likelyWithout(trials: readonly Made[], leftOut: number): number {
  let [now, likely]: [Suspicion, number] = [begun, 1]
  trials.forEach((trial, at) => {
    const { arrangement, profile } = trial
    if (at === leftOut) {
      now = { ...now, chances: puttingRight(now, trial), arrangement, profile }
      return
    }
    const { after, chance } = weighedBy(now, trial, trial.outcome, trial.unsure)
    likely *= chance
    now = after
  })
  return likely
}

const trials = fc.array(
  fc.record({
    arrangement: fc.constantFrom(both, { A: 'm2', B: 'm1' }, { A: 'm1' }, { B: 'm2' }, { A: 'g1' }),
    outcome: fc.constantFrom<Made['outcome']>(
      { kind: 'NO_START' },
      { kind: 'PASS' },
      { kind: 'ERRORS' },
    ),
    reseat: fc.boolean(),
    profile: fc.boolean(),
    depth: fc.constantFrom<Made['depth']>('start', 'test'),
    action: fc.constantFrom(null, 'clear-setup', 'wait', 'clean', 'connect'),
    unsure: fc.boolean(),
  }),
  { minLength: 3, maxLength: 9 },
)

test('an answer does not fit where the others, worked out without it, make it unlikely', () => {
  let told = 0
  fc.assert(
    fc.property(trials, (answers) => {
      const all = likelyWithout(answers, -1)
      const expected = answers.flatMap(({ unsure }, at) =>
        !unsure && all / likelyWithout(answers, at) < 0.04 ? [at] : [],
      )
      const found = doubtfulOf(weighings(begun, answers))
      // Looked for only once an answer came as a surprise after those before it.
      if (found.length === 0) return
      told += 1
      expect(found).toEqual(expected)
    }),
    { numRuns: 150, seed: 7 },
  )
  expect(told).toBeGreaterThan(20)
})

test('whatever a trial puts right, the chances still add up to one', () => {
  fc.assert(
    fc.property(trials, (answers) => {
      let now = begun
      for (const trial of answers) {
        const right = puttingRight(now, trial)
        expect(right.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9)
        expect(right.every((chance) => chance >= 0)).toBe(true)
        now = weighedBy(now, trial, trial.outcome, trial.unsure).after
      }
    }),
    { numRuns: 40 },
  )
})
