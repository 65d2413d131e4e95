import { describe, expect, test } from 'vitest'
import { forecast, type MemoryState, type ShopResult, type Work } from '.'

const single: MemoryState = { peakGBs: 25.6, firstWordNs: 13.75, usableGiB: 16 }
const dual: MemoryState = { ...single, peakGBs: 51.2 }

const result = (ratio: number, work: Work = 'games-processor'): ShopResult => ({
  work,
  before: single,
  after: dual,
  ratio,
  low: ratio * 0.99,
  high: ratio * 1.01,
})
const of = (results: ShopResult[], work: Work = 'games-processor', after = dual) =>
  forecast({
    uses: [{ work, weight: 1, need: null }],
    before: single,
    after,
    disk: 'solid-state',
    results,
  })
const times = (count: number, ratio: number) => Array.from({ length: count }, () => result(ratio))

describe('what the shop measured itself', () => {
  const untold = of([])

  test('moves the middle towards it, further with more results, never beyond', () => {
    const ratio = untold.most[1]
    const medians = [0, 1, 2, 4].map((count) => of(times(count, ratio)).median)
    for (let at = 1; at < medians.length; at += 1) {
      expect(medians[at]).toBeGreaterThan(medians[at - 1] as number)
    }
    expect(medians.at(-1)).toBeLessThan(ratio)
    expect(of(times(3, 1.0)).median).toBeLessThan(untold.median)
  })

  test('says how many results stand behind it, and leaves other works alone', () => {
    const other = of([result(1.4, 'compression')])
    expect(other).toEqual(untold)
    expect(other.basis.jobs).toBe(0)
    expect(of(times(3, 1.1)).basis.jobs).toBe(3)
  })

  test('however many there are, the next machine may differ', () => {
    const width = ({ most: [low, high] }: typeof untold) => high - low
    const [some, many] = [of(times(4, untold.median)), of(times(400, untold.median))]
    expect(width(many)).toBeCloseTo(width(some), 6)
    expect(width(many)).toBeGreaterThan(width(untold) / 3)
  })

  test('keeps the promises: nothing changed is 1, more bandwidth is never slower', () => {
    const odd = [...times(5, 1.3), ...times(5, 0.8)]
    expect(of(odd, 'games-processor', single).most).toEqual([1, 1])
    const more = of(odd, 'games-processor', { ...dual, peakGBs: 76.8 })
    expect(more.median).toBeGreaterThanOrEqual(of(odd).median)
    expect(of(odd).median).toBeGreaterThanOrEqual(of(odd).most[0])
  })
})
