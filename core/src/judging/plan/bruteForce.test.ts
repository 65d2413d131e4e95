import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Brute, bruteForce } from '../../../test/bruteForce'
import { type PlanCase, planCase } from '../../../test/planCases'
import { type PlanOption, POLICIES, plan, REQUIREMENTS, type Requirement } from '.'

const figures = (one: PlanOption): Brute => ({
  cost: one.cost,
  gib: one.usableGiB,
  peak: Number(one.wholePeakGBs.toFixed(7)),
  ns: Number(one.firstWordNs.toFixed(7)),
  purchases: one.purchases,
  pieces: Object.keys(one.placement).length,
})

/** Every smallest set of what was asked that opens a plan up when relaxed, by looking at every plan there is. */
function smallestSets(request: PlanCase): string[] {
  const { need, policy } = request
  const asked = REQUIREMENTS.filter(
    (one) =>
      ({
        minGiB: need.minGiB > 0,
        budget: need.budget !== null,
        freeSlots: (need.freeSlots ?? 0) > 0,
        listed: need.listed != null,
        policy: policy !== 'capacity',
      })[one],
  )
  const opens = (some: readonly Requirement[]) => {
    const eased = {
      minGiB: some.includes('minGiB') ? 0 : need.minGiB,
      budget: some.includes('budget') ? null : need.budget,
      freeSlots: some.includes('freeSlots') ? 0 : (need.freeSlots ?? 0),
      listed: some.includes('listed') ? null : (need.listed ?? null),
    }
    const looser = some.includes('policy') ? POLICIES.slice(POLICIES.indexOf(policy) + 1) : [policy]
    return looser.some((own) => bruteForce({ ...request, need: eased, policy: own }).length > 0)
  }
  const found: Requirement[][] = []
  for (let size = 1; size <= asked.length; size += 1) {
    for (const some of combinations(asked, size)) {
      const holds = found.some((one) => one.every((requirement) => some.includes(requirement)))
      if (!holds && opens(some)) found.push(some)
    }
  }
  return found.length > 0 ? found.map((one) => one.join()) : ['supply']
}

function combinations<T>(of: readonly T[], size: number): T[][] {
  if (size === 0) return [[]]
  return of.flatMap((one, at) =>
    combinations(of.slice(at + 1), size - 1).map((rest) => [one, ...rest]),
  )
}

test('blockers are every smallest set that opens a plan up, and the nearest plan keeps the rest', {
  timeout: 600_000,
}, () => {
  fc.assert(
    fc.property(fc.constantFrom(...POLICIES).chain(planCase), (request) => {
      const { options, blockers } = plan(request)
      if (options.length > 0) {
        expect(blockers).toEqual([])
        return
      }
      expect(blockers.map(({ requirements }) => requirements.join()).sort()).toEqual(
        smallestSets(request).sort(),
      )
      for (const { requirements, to, option } of blockers) {
        if (option === null) continue
        const { minGiB, budget, policy } = { ...request.need, policy: request.policy, ...to }
        expect(Object.keys(to).sort()).toEqual([...requirements].sort())
        expect(option.usableGiB).toBeGreaterThanOrEqual(minGiB)
        expect(option.cost).toBeLessThanOrEqual(budget ?? Infinity)
        const placed = Object.keys(option.placement).length
        const free = to.freeSlots ?? request.need.freeSlots ?? 0
        expect(request.machine.slots.length - placed).toBeGreaterThanOrEqual(free)
        expect(POLICIES).toContain(policy)
      }
    }),
    { numRuns: Number(process.env.RUNS ?? 250) },
  )
})

describe.each(POLICIES)('under the policy %s', (policy) => {
  test('the options are those of looking at every plan there is', { timeout: 600_000 }, () => {
    fc.assert(
      fc.property(planCase(policy), (request) => {
        const { options } = plan(request)
        expect(options.map(figures)).toEqual(bruteForce(request))
        for (const { evaluation, usableGiB } of options) {
          expect(evaluation.starts).toBe(true)
          expect(evaluation.capacity.usableGiB).toBe(usableGiB)
        }
      }),
      { numRuns: Number(process.env.RUNS ?? 250) },
    )
  })
})
