import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { countedPasses, faultShownIn, heldBy, soakPlan } from '.'

const plan = (changes: Partial<Parameters<typeof soakPlan>[0]> = {}) =>
  soakPlan({ gib: 16, raised: false, limitHours: 8, shortened: null, ...changes })

describe('a soak plan', () => {
  test('standard settings: three passes, 16 to 32 minutes each at 16 GB', () => {
    expect(plan()).toMatchObject({ passes: 3, warm: false, tooLong: false, shortened: null })
    expect(plan().hours.low).toBeCloseTo(48 / 60, 9)
    expect(plan().hours.high).toBeCloseTo(96 / 60, 9)
  })

  test('a profile or values set by hand: eight, warm; 64 GB are a working day', () => {
    const long = plan({ gib: 64, raised: true })
    expect(long).toMatchObject({ passes: 8, asked: 8, warm: true, tooLong: true })
    expect(long.hours.low).toBeCloseTo((8 * 64) / 60, 9)
    expect(plan({ gib: 64, raised: true, limitHours: null }).tooLong).toBe(false)
  })

  test('is shortened with a reason only', () => {
    const cut = (reason: string, passes = 2) =>
      plan({ raised: true, shortened: { passes, reason } })
    expect(cut('needed tonight')).toMatchObject({ passes: 2, asked: 8 })
    expect(cut('needed tonight').shortened?.reason).toBe('needed tonight')
    expect(cut('  ')).toMatchObject({ passes: 8, shortened: null })
    expect(cut('longer', 20)).toMatchObject({ passes: 8, shortened: null })
  })

  test('odds: three passes show what is seen in two of three, eight what is seen in one of three', () => {
    // 1 − (1/3)³ = 0.963, 1 − (2/3)⁸ = 0.961; two of three in two passes is 0.889.
    expect(faultShownIn(3)).toBeCloseTo(2 / 3, 9)
    expect(faultShownIn(8)).toBeCloseTo(1 / 3, 9)
    expect(faultShownIn(2)).toBeGreaterThan(2 / 3)
    expect(faultShownIn(0)).toBe(1)
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100 }), (passes) => {
        expect(1 - (1 - faultShownIn(passes)) ** passes).toBeGreaterThanOrEqual(0.95)
        expect(faultShownIn(passes + 1)).toBeLessThanOrEqual(faultShownIn(passes))
      }),
    )
  })
})

describe('passes that count', () => {
  const run = (changes: object = {}) => ({ passes: 3, errors: 0, hours: 2, ...changes })

  test('no more than capacity and time allow', () => {
    // At a quarter of a minute a GB 64 GB take 16 minutes a pass: 7 in two hours, none in 15 minutes.
    expect(countedPasses([run({ passes: 9 })], 64)).toMatchObject({
      passes: 7,
      warm: 0,
      tooMany: 2,
    })
    expect(countedPasses([run({ hours: 0.05 })], 64)).toMatchObject({
      passes: 0,
      warm: 0,
      tooMany: 3,
    })
  })

  test('a warm plan counts warm ones, and an error ends it', () => {
    expect(heldBy(plan(), [run()], 16)).toBe(true)
    expect(heldBy(plan(), [run({ passes: 2 }), run({ passes: 1 })], 16)).toBe(true)
    expect(heldBy(plan(), [run({ errors: 1 })], 16)).toBe(false)
    const raised = plan({ raised: true })
    expect(heldBy(raised, [run({ passes: 8, hours: 6 })], 16)).toBe(false)
    expect(heldBy(raised, [run({ passes: 8, hours: 6, warm: true })], 16)).toBe(true)
  })
})

test('passes that left out some of the memory do not count', () => {
  const run = { passes: 3, errors: 0, hours: 6 }
  expect(countedPasses([{ ...run, reachedGiB: 15.7 }], 16)).toMatchObject({ passes: 3, partly: 0 })
  expect(countedPasses([{ ...run, reachedGiB: 8 }], 16)).toMatchObject({ passes: 0, partly: 3 })
  expect(countedPasses([{ ...run, reachedGiB: null }], 16)).toMatchObject({ passes: 3, partly: 0 })
})
