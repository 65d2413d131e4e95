import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  type Forecast,
  forecast,
  forecastMix,
  likelyGain,
  type MemoryState,
  WORK_PROFILES,
  type WorkProfile,
} from '.'

const single: MemoryState = { wholePeakGBs: 21.33, firstWordNs: 14.25, usableGiB: 8 }
const dual: MemoryState = { wholePeakGBs: 42.67, firstWordNs: 14.25, usableGiB: 16 }
const of = (id: string) => WORK_PROFILES.find((one) => one.id === id) as WorkProfile
const gain = (id: string, need: Parameters<typeof forecast>[3] = null) =>
  forecast(of(id), single, dual, need, 'solid-state')

test('by hand: half the time bound by bandwidth, which doubles, makes 1 ÷ (0.5 + 0.25)', () => {
  const half = { ...of('office'), bandwidth: { low: 0.5, high: 0.5 }, latency: { low: 0, high: 0 } }
  const twice = { ...single, wholePeakGBs: single.wholePeakGBs * 2 }
  const { low, high, cases } = forecast(half, single, twice, null, 'spinning')
  expect([low, high]).toEqual([1 / 0.75, 1 / 0.75])
  expect(cases.low.terms.map(({ name, before, after }) => [name, before, after])).toEqual([
    ['bandwidth', 0.5, 0.25],
    ['latency', 0, 0],
    ['capacity', 0, 0],
    ['neither', 0.5, 0.5],
  ])
})

test('by hand: 10 GiB wanted of 8, a fifth is paged; at 2 to 8 times, 1.4 to 2.6 times the time before', () => {
  const none = { ...of('office'), bandwidth: { low: 0, high: 0 }, latency: { low: 0, high: 0 } }
  const need = { low: 10, likely: 10, high: 10 }
  const { low, high, pages } = forecast(
    none,
    single,
    { ...single, usableGiB: 16 },
    need,
    'solid-state',
  )
  expect(low).toBeCloseTo(1.4, 10)
  expect(high).toBeCloseTo(2.6, 10)
  expect(pages).toEqual({ before: true, after: false })
})

describe('from one channel to two, as the trade knows it', () => {
  test.each(['office', 'games', 'rendering', 'browsing'])('little for %s', (id) => {
    expect(gain(id).high).toBeLessThan(1.03)
  })
  test.each(['compression', 'photos', 'video'])('some for %s', (id) => {
    expect(gain(id).high).toBeGreaterThan(1.03)
    expect(gain(id).high).toBeLessThan(1.15)
  })
  test('much for integrated graphics', () => {
    expect(gain('integrated-graphics').low).toBeGreaterThan(1.2)
  })
  test('much where the demand did not fit, even for work that gains nothing else', () => {
    expect(gain('rendering', { low: 11, likely: 12, high: 14 }).low).toBeGreaterThan(1.5)
  })
})

describe('always', () => {
  const state = fc.record({
    wholePeakGBs: fc.double({ min: 1, max: 500, noNaN: true }),
    firstWordNs: fc.double({ min: 5, max: 40, noNaN: true }),
    usableGiB: fc.constantFrom(4, 8, 16, 32, 64),
  })
  const work = fc.constantFrom(...WORK_PROFILES)
  const need = fc.option(
    fc.constantFrom(2, 6, 12, 30).map((likely) => ({ low: likely - 1, likely, high: likely + 2 })),
  )
  const disk = fc.constantFrom('spinning' as const, 'solid-state' as const)

  test('no change brings nothing', () => {
    fc.assert(
      fc.property(work, state, need, disk, (profile, same, wanted, on) => {
        const { low, high } = forecast(profile, same, same, wanted, on)
        expect([low, high]).toEqual([1, 1])
      }),
    )
  })

  test('better in every figure is never slower, and the range is one', () => {
    fc.assert(
      fc.property(work, state, need, disk, (profile, before, wanted, on) => {
        const after = {
          wholePeakGBs: before.wholePeakGBs * 1.5,
          firstWordNs: before.firstWordNs * 0.9,
          usableGiB: before.usableGiB * 2,
        }
        const { low, high } = forecast(profile, before, after, wanted, on)
        expect(low).toBeGreaterThanOrEqual(1)
        expect(high).toBeGreaterThanOrEqual(low)
      }),
    )
  })

  test('shares are shares, and each has its reason', () => {
    for (const { bandwidth, latency, because } of WORK_PROFILES) {
      expect(bandwidth.low <= bandwidth.high && latency.low <= latency.high).toBe(true)
      expect(bandwidth.high + latency.high).toBeLessThanOrEqual(1)
      expect(because.length).toBeGreaterThan(20)
    }
  })

  test('figures of 0 are refused', () => {
    const none = { ...single, wholePeakGBs: 0 }
    expect(() => forecast(of('office'), none, dual, null, 'spinning')).toThrow(RangeError)
  })
})

test('by hand: a mix takes the sum of the times of its parts', () => {
  const mix = [
    { work: 'integrated-graphics' as const, weight: 3 },
    { work: 'office' as const, weight: 1 },
    { work: 'games' as const, weight: 0 },
  ]
  const { low, high, by } = forecastMix(mix, single, dual, null, 'solid-state')
  expect(by.map(({ profile }) => profile.id)).toEqual(['integrated-graphics', 'office'])
  const [graphics, office] = by.map((one) => one.forecast) as [Forecast, Forecast]
  expect(low).toBeCloseTo(4 / (3 / graphics.low + 1 / office.low), 12)
  expect(high).toBeCloseTo(4 / (3 / graphics.high + 1 / office.high), 12)
  expect(likelyGain({ low: 1, high: 4 })).toBe(2)
  expect(forecastMix([], single, dual, null, 'spinning')).toEqual({ low: 1, high: 1, by: [] })
})
