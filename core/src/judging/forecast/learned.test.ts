import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { random } from '../../things/random'
import {
  type Forecast,
  forecast,
  learnedFromResults,
  type MemoryState,
  type ShopResult,
  type Work,
} from '.'
import { kindOfChange } from './learned'

const single: MemoryState = { peakGBs: 25.6, firstWordNs: 13.75, usableGiB: 16 }
const dual: MemoryState = { ...single, peakGBs: 51.2 }
const faster: MemoryState = { ...single, peakGBs: 29, firstWordNs: 11 }

const result = (ratio: number, work: Work = 'games-processor', sd = 0.02): ShopResult => ({
  work,
  before: single,
  after: dual,
  ratio,
  sd,
})
const of = (
  results: readonly ShopResult[],
  work: Work = 'games-processor',
  after = dual,
): Forecast =>
  forecast({
    uses: [{ work, weight: 1, need: null }],
    before: single,
    after,
    disk: 'solid-state',
    results,
  })
const times = (count: number, ratio: number, work?: Work, sd?: number) =>
  Array.from({ length: count }, () => result(ratio, work, sd))
const width = ({ most: [low, high] }: Pick<Forecast, 'most'>) => Math.log(high / low)

describe('results of the shop', () => {
  const untold = of([])

  test('move the middle by their offset: 1 ÷ (s² + σ²) each against 1 ÷ τ²', () => {
    const ratio = untold.median * Math.exp(0.05)
    const weight = 1 / (0.02 ** 2 + 0.04 ** 2)
    for (const count of [1, 2, 6]) {
      const share = (count * weight) / (count * weight + 1 / 0.045 ** 2)
      expect(Math.log(of(times(count, ratio)).median / untold.median)).toBeCloseTo(0.05 * share, 4)
    }
  })

  test('six of 1.15 on integrated graphics: between 1.13 and 1.24, with 1.15 in the range', () => {
    const { median, most } = of(times(6, 1.15, 'integrated-graphics', 0.03), 'integrated-graphics')
    expect(median).toBeGreaterThan(1.13)
    expect(median).toBeLessThan(1.24)
    expect(most[0]).toBeLessThan(1.15)
    expect(most[1]).toBeGreaterThan(1.15)
  })

  test.each<[Work, number]>([
    ['integrated-graphics', 0.8],
    ['games-processor', 0.8],
    ['games-processor', 1.6],
  ])('one unlike the others moves and narrows nothing alone: %s, %f', (work, ratio) => {
    const before = of([], work)
    const after = of([result(ratio, work)], work)
    expect(after).toMatchObject({ median: before.median, most: before.most })
    expect(after.basis).toEqual({ jobs: 0, setAside: 1 })
  })

  test('one unlike the others is set aside among good ones, which still count', () => {
    const good = times(3, untold.median * 1.03)
    const { basis, median } = of([result(0.6), ...good])
    expect(basis).toEqual({ jobs: 3, setAside: 1 })
    expect(median).toBeCloseTo(of(good).median, 9)
  })

  test('several that agree with each other are no longer unlike the others', () => {
    const { basis, median } = of(times(4, untold.median * 1.25))
    expect(basis).toEqual({ jobs: 4, setAside: 0 })
    expect(median).toBeGreaterThan(untold.median * 1.12)
  })

  test('somebody’s word counts one in, or leaves one out', () => {
    expect(of([{ ...result(0.8), counts: true }]).basis).toEqual({ jobs: 1, setAside: 0 })
    const good = result(untold.median * 1.05)
    expect(of([good, { ...result(0.8), counts: true }]).basis).toEqual({ jobs: 2, setAside: 0 })
    expect(of([{ ...good, counts: false }])).toMatchObject({
      median: untold.median,
      basis: { jobs: 0, setAside: 1 },
    })
  })

  test('of another kind of change say half of it', () => {
    expect(kindOfChange(single, dual)).toBe('channels')
    expect(kindOfChange(single, faster)).toBe('speed')
    expect(kindOfChange(single, { ...single, usableGiB: 32 })).toBe('capacity')
    const results = times(3, untold.median * Math.exp(0.06))
    const { offsets } = learnedFromResults('games-processor', results)
    expect(offsets.speed.mean).toBeCloseTo(offsets.channels.mean / 2, 9)
    expect(offsets.speed.variance).toBeGreaterThan(offsets.channels.variance)
  })

  test('say how many stand behind it, and leave other works alone', () => {
    expect(of([result(1.4, 'compression')])).toEqual(untold)
    expect(of(times(3, 1.1)).basis.jobs).toBe(3)
  })

  test('however many there are, the next machine may differ', () => {
    const none = of([], 'compression')
    const many = of(times(150, none.median, 'compression'), 'compression')
    // ± 1.645 × 4 %.
    expect(width(many)).toBeCloseTo(2 * 1.645 * 0.04, 2)
    expect(width(many)).toBeLessThan(width(none))
  })

  test('keep the promises: nothing changed is 1, more channels are never slower, there and back agree', () => {
    const ratios = fc.array(fc.double({ min: 0.7, max: 1.8, noNaN: true }), { maxLength: 6 })
    const channels = fc.double({ min: 1.6, max: 3, noNaN: true })
    const more = fc.double({ min: 1, max: 3, noNaN: true })
    fc.assert(
      fc.property(ratios, channels, more, (some, a, b) => {
        const results = some.map((ratio) => ({ ...result(ratio), counts: true }))
        expect(of(results, 'games-processor', single).most).toEqual([1, 1])
        const better = { ...single, peakGBs: single.peakGBs * a }
        const best = { ...better, peakGBs: better.peakGBs * b }
        const [one, two] = [better, best].map((after) => of(results, 'games-processor', after))
        expect(two?.median).toBeGreaterThanOrEqual((one?.median ?? 0) - 1e-12)
        expect(one?.median).toBeGreaterThanOrEqual(1)
        const back = forecast({
          uses: [{ work: 'games-processor', weight: 1, need: null }],
          before: best,
          after: single,
          disk: 'solid-state',
          results,
        })
        expect(back.median * (two?.median ?? 0)).toBeGreaterThan(0.95)
        expect(back.median * (two?.median ?? 0)).toBeLessThan(1.05)
      }),
      { numRuns: 40 },
    )
  })

  test('after 0 to 30 of them the range holds the next machine in at least 85 of 100', () => {
    const chance = random(99)
    const normal = () =>
      Math.sqrt(-2 * Math.log(chance() + 1e-12)) * Math.cos(2 * Math.PI * chance())
    const worlds: [Work, number, number, number][] = [
      ['games-processor', 1.05, 1.2, 0.04],
      ['compression', 1.08, 1.3, 0.04],
      ['integrated-graphics', 1.25, 1.8, 0.05],
      ['models', 1.55, 1.9, 0.04],
    ]
    for (const [work, low, high, differs] of worlds) {
      for (const count of [0, 1, 6, 30]) {
        let held = 0
        const shops = 60
        for (let shop = 0; shop < shops; shop += 1) {
          const truth = Math.log(low + (high - low) * chance())
          const machine = () => Math.exp(truth + differs * normal())
          const results = Array.from({ length: count }, () =>
            result(machine() * Math.exp(0.02 * normal()), work),
          )
          const { most } = of(results, work)
          for (let next = 0; next < 10; next += 1) {
            const ratio = machine()
            if (ratio >= most[0] && ratio <= most[1]) held += 1
          }
        }
        expect(held / shops / 10).toBeGreaterThan(0.83)
      }
    }
  })
})
