import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Brute, bruteForce } from '../../test/bruteForce'
import { planCase } from '../../test/planCases'
import { type Option, POLICIES, plan } from '.'

const figures = (one: Option): Brute => ({
  cost: one.cost,
  gib: one.usableGiB,
  peak: Number(one.wholePeakGBs.toFixed(7)),
  ns: Number(one.firstWordNs.toFixed(7)),
  purchases: one.purchases,
  pieces: Object.keys(one.placement).length,
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
