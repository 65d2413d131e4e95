import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  type ForecastRequest,
  type ForecastUse,
  forecast,
  isSteadier,
  type MemoryNeed,
  type MemoryState,
  WORKS,
  type Work,
} from '.'

const single: MemoryState = { peakGBs: 25.6, firstWordNs: 13.75, usableGiB: 16 }
const dual: MemoryState = { ...single, peakGBs: 51.2 }
const slow: MemoryState = { peakGBs: 76.8, firstWordNs: 16.67, usableGiB: 16 }
const fast: MemoryState = { peakGBs: 96, firstWordNs: 10, usableGiB: 16 }

const of = (
  work: Work,
  before: MemoryState,
  after: MemoryState,
  more: {
    need?: MemoryNeed | null
    disk?: ForecastRequest['disk']
    log?: ForecastRequest['log']
    bound?: ForecastUse['bound']
  } = {},
) =>
  forecast({
    uses: [{ work, weight: 1, need: more.need ?? null, bound: more.bound ?? null }],
    before,
    after,
    disk: more.disk ?? 'solid-state',
    log: more.log ?? null,
  })

const state = fc.record({
  peakGBs: fc.double({ min: 5, max: 400, noNaN: true }),
  firstWordNs: fc.double({ min: 7, max: 40, noNaN: true }),
  usableGiB: fc.double({ min: 1, max: 512, noNaN: true }),
})
const need = fc.option(
  fc
    .tuple(
      fc.double({ min: 0.5, max: 200, noNaN: true }),
      fc.double({ min: 0, max: 50, noNaN: true }),
      fc.double({ min: 0, max: 50, noNaN: true }),
    )
    .map(([low, a, b]) => ({ low, likely: low + a, high: low + a + b })),
)
const uses = fc.array(
  fc.record({
    work: fc.constantFrom(...WORKS),
    weight: fc.double({ min: 0.1, max: 100, noNaN: true }),
    need,
    bound: fc.constantFrom(null, 'card' as const, 'processor' as const),
  }),
  { minLength: 1, maxLength: 4 },
)
const disk = fc.constantFrom('solid-state' as const, 'spinning' as const)
const log = fc.option(
  fc.record({ pagingShare: fc.option(fc.double({ min: 0, max: 0.9, noNaN: true })) }),
)

describe('promises', () => {
  test('nothing changed: exactly 1, whatever the uses', () => {
    fc.assert(
      fc.property(uses, state, disk, (some, memory, pages) => {
        const same = forecast({ uses: some, before: memory, after: { ...memory }, disk: pages })
        expect([same.median, ...same.half, ...same.most]).toEqual([1, 1, 1, 1, 1])
        if (same.low1) expect([same.low1.median, ...same.low1.most]).toEqual([1, 1, 1])
        expect(isSteadier(same)).toBe(false)
        expect(same.chance10).toBe(0)
      }),
      { numRuns: 60 },
    )
  })

  test('the middle lies inside its ranges, which lie inside each other, for each use too', () => {
    fc.assert(
      fc.property(uses, state, state, disk, log, (some, before, after, pages, logged) => {
        const {
          median,
          half,
          most,
          chance10,
          uses: each,
        } = forecast({
          uses: some,
          before,
          after,
          disk: pages,
          log: logged,
        })
        expect(most[0]).toBeLessThanOrEqual(half[0])
        expect(half[0]).toBeLessThanOrEqual(median)
        expect(median).toBeLessThanOrEqual(half[1])
        expect(half[1]).toBeLessThanOrEqual(most[1])
        expect(chance10).toBeGreaterThanOrEqual(0)
        expect(chance10).toBeLessThanOrEqual(1)
        for (const use of each) {
          expect(use.most[0]).toBeLessThanOrEqual(use.median)
          expect(use.median).toBeLessThanOrEqual(use.most[1])
          for (const one of [use.low1, use.either?.card, use.either?.processor]) {
            if (!one) continue
            expect(one.most[0]).toBeLessThanOrEqual(one.median)
            expect(one.median).toBeLessThanOrEqual(one.most[1])
          }
        }
      }),
      { numRuns: 60 },
    )
  })

  test('more memory, more bandwidth, a shorter latency: never slower in the middle', () => {
    const more = fc.double({ min: 1, max: 4, noNaN: true })
    fc.assert(
      fc.property(
        uses,
        state,
        state,
        disk,
        more,
        more,
        more,
        (some, before, after, pages, a, b, c) => {
          const better: MemoryState = {
            peakGBs: after.peakGBs * a,
            firstWordNs: after.firstWordNs / b,
            usableGiB: after.usableGiB * c,
          }
          const one = forecast({ uses: some, before, after, disk: pages })
          const other = forecast({ uses: some, before, after: better, disk: pages })
          expect(other.median).toBeGreaterThanOrEqual(one.median * (1 - 1e-12))
          if (one.low1) {
            expect(other.low1?.median).toBeGreaterThanOrEqual(one.low1.median * (1 - 1e-12))
          }
        },
      ),
      { numRuns: 60 },
    )
  })

  test('a use that fits is not charged for one that pages', () => {
    const small = { ...single, usableGiB: 8 }
    const paging = { work: 'photos', weight: 1, need: { low: 10, likely: 12, high: 14 } } as const
    const fits = { work: 'office', weight: 1, need: { low: 4, likely: 5, high: 6 } } as const
    const both = forecast({ uses: [paging, fits], before: small, after: single, disk: 'spinning' })
    const office = both.uses.find(({ work }) => work === 'office')
    expect([office?.median, ...(office?.most ?? [])]).toEqual([1, 1, 1])
    expect(office?.parts).toEqual({ bandwidth: 0, latency: 0, paging: 0 })
  })
})

describe('orders of magnitude, as the trade measures them', () => {
  const channels: [Work, number, number][] = [
    ['games-processor', 1.05, 1.2],
    ['compression', 1.08, 1.3],
    ['compiling', 1.01, 1.08],
    ['integrated-graphics', 1.25, 1.8],
    ['office', 1, 1.03],
    ['browsing', 1, 1.03],
    ['games', 1, 1.03],
    ['video', 1.01, 1.1],
  ]
  test.each(channels)('a second channel for %s: %d to %d', (work, low, high) => {
    const { median } = of(work, single, dual, { bound: 'card' })
    expect(median).toBeGreaterThanOrEqual(low)
    expect(median).toBeLessThanOrEqual(high)
  })

  test('faster DDR5', () => {
    const game = of('games-processor', slow, fast).median
    expect(game).toBeGreaterThanOrEqual(1.03)
    expect(game).toBeLessThanOrEqual(1.1)
    expect(of('office', slow, fast).median).toBeLessThanOrEqual(1.02)
  })

  test.each(WORKS)('the range of %s is no wider than helps', (work) => {
    const allowed =
      work === 'integrated-graphics' || work === 'models'
        ? 0.6
        : ['office', 'browsing', 'games'].includes(work)
          ? 0.12
          : 0.25
    for (const [before, after] of [
      [single, dual],
      [slow, fast],
    ] as const) {
      const { most } = of(work, before, after, { bound: 'card' })
      expect(most[1] - most[0]).toBeLessThanOrEqual(allowed)
    }
  })

  test.each<[Work, number, number]>([
    ['games-processor', 1.04, 1.18],
    ['models', 1.55, 1.9],
  ])('a second channel brings %s about the same on every generation', (work, low, high) => {
    for (const dataRate of [1333, 1600, 2666, 3200, 4800, 6000]) {
      const peakGBs = (dataRate * 8) / 1000
      const { median } = of(work, { ...single, peakGBs }, { ...single, peakGBs: 2 * peakGBs })
      expect(median).toBeGreaterThanOrEqual(low)
      expect(median).toBeLessThanOrEqual(high)
    }
  })

  test.each(channels)('a range holds most of the trade’s figures for %s', (work, low, high) => {
    const { most } = of(work, single, dual, { bound: 'card' })
    const held = Math.min(high, most[1]) - Math.max(low, most[0])
    expect(held / (high - low)).toBeGreaterThanOrEqual(0.85)
  })

  test('there and back agree, whatever the change', () => {
    fc.assert(
      fc.property(fc.constantFrom(...WORKS), state, state, (work, one, other) => {
        const [there, back] = [of(work, one, other), of(work, other, one)]
        expect(there.median * back.median).toBeGreaterThan(0.95)
        expect(there.median * back.median).toBeLessThan(1.05)
      }),
      { numRuns: 80 },
    )
  })

  test('where nothing got worse the range begins at 1 at least, and goes to it as the change does', () => {
    for (const work of WORKS) {
      const { most } = of(work, single, dual)
      expect(most[0]).toBeGreaterThanOrEqual(1)
      const hardly = of(work, single, { ...single, peakGBs: 25.61 })
      expect(hardly.most[1]).toBeLessThan(1.002)
    }
  })
})

describe('what limits a game', () => {
  test('the processor: as the work of that name; the card: hardly anything', () => {
    const processor = of('games', single, dual, { bound: 'processor' })
    expect(processor).toMatchObject({
      words: 'SOME',
      median: of('games-processor', single, dual).median,
    })
    expect(of('games', single, dual, { bound: 'card' })).toMatchObject({ words: 'NONE' })
  })

  test('not known: a range over both, with either beside it, and never “no difference”', () => {
    const [card, processor, open] = (['card', 'processor', null] as const).map((bound) =>
      of('games', single, dual, { bound }),
    ) as [ReturnType<typeof of>, ReturnType<typeof of>, ReturnType<typeof of>]
    expect(open.most[0]).toBeLessThanOrEqual(processor.most[0])
    expect(open.most[1]).toBeGreaterThan(card.most[1])
    expect(open.median).toBeGreaterThan(card.median)
    expect(open.median).toBeLessThan(processor.median)
    expect(open.uses[0]?.either).toEqual({
      card: { median: card.median, most: card.most },
      processor: { median: processor.median, most: processor.most },
    })
    expect(card.uses[0]?.either).toBeNull()
    fc.assert(
      fc.property(state, state, (before, after) => {
        const said = of('games', before, after).words
        const each = (['card', 'processor'] as const).map((bound) =>
          of('games', before, after, { bound }),
        )
        if (said === 'NONE') expect(each.map(({ words }) => words)).toEqual(['NONE', 'NONE'])
      }),
      { numRuns: 60 },
    )
  })
})

describe('the slowest 1 % of frames', () => {
  test('gain more than the average where the processor limits', () => {
    const { median, low1 } = of('games-processor', single, dual)
    expect(low1?.median).toBeGreaterThan(median)
    // The trade sees 5 to 25 % where the average gains 5 to 20 %.
    expect(low1?.median).toBeGreaterThan(1.08)
    expect(low1?.median).toBeLessThan(1.25)
  })

  test('come sooner where the card limits, though nobody notices more speed', () => {
    const card = of('games', single, dual, { bound: 'card' })
    expect([card.words, isSteadier(card)]).toEqual(['NONE', true])
    expect(of('office', single, dual).low1).toBeNull()
  })

  test('gain most where memory ran out', () => {
    const need = { low: 9, likely: 10, high: 12 }
    const eight = { ...single, usableGiB: 8 }
    const { median, low1 } = of('games', eight, single, { bound: 'card', need })
    expect(low1?.median).toBeGreaterThan(median * 1.1)
  })
})

describe('capacity', () => {
  const eight = { ...single, usableGiB: 8 }
  const over = { low: 8.5, likely: 10, high: 12 }

  test('10 of 8 GiB: faster with 16, and most likely by more than a tenth', () => {
    const { median, chance10 } = of('office', eight, single, { need: over })
    expect(median).toBeGreaterThan(1.15)
    expect(chance10).toBeGreaterThan(0.6)
  })
  test('on a spinning disk no figure helps: the stalls stop', () => {
    expect(of('office', eight, single, { need: over, disk: 'spinning' }).words).toBe('STALLS_STOP')
  })
  test('5 of 8 GiB: nothing to notice', () => {
    const { median, words } = of('office', eight, single, { need: { low: 4, likely: 5, high: 7 } })
    expect(median).toBeLessThanOrEqual(1.03)
    expect(words).toBe('NONE')
  })
  test('of a need that nobody knows nothing is said', () => {
    expect(of('office', eight, single).words).toBe('UNKNOWN')
    expect(of('office', eight, eight).words).toBe('NONE')
  })
  test('what was logged is what can come back, and no more', () => {
    // A tenth of the time was lost: without it the rest takes 0.9 of the time.
    const logged = of('office', eight, single, { need: over, log: { pagingShare: 0.1 } })
    expect(logged.most).toEqual([1 / 0.9, 1 / 0.9])
    const none = of('office', eight, single, { need: over, log: { pagingShare: 0 } })
    expect([none.median, none.words]).toEqual([1, 'NONE'])
  })
})

test('the parts are what each brings by itself', () => {
  const { uses: each } = of('games-processor', single, dual)
  const [game] = each
  expect(game?.parts.latency).toBeGreaterThan(0)
  expect(game?.parts.bandwidth).toBeGreaterThan(0)
  expect(game?.parts.paging).toBe(0)
  // A longer latency costs.
  expect(
    of('games-processor', dual, { ...dual, firstWordNs: 25 }).uses[0]?.parts.latency,
  ).toBeLessThan(0)
})

test('figures that are none are refused', () => {
  const bad = { ...single, peakGBs: 0 }
  expect(() => of('office', bad, dual)).toThrow(RangeError)
  expect(() => forecast({ uses: [], before: single, after: dual, disk: 'spinning' })).toThrow(
    RangeError,
  )
})

describe('how modules are organised', () => {
  const x16 = { ...dual, organisation: { halfGroups: 1, twoRanks: 0 } }
  const x8 = { ...dual, organisation: { halfGroups: 0, twoRanks: 0 } }
  const ranks = { ...dual, organisation: { halfGroups: 0, twoRanks: 1 } }

  test('chips of sixteen bits cost integrated graphics some per cent, office work hardly any', () => {
    const graphics = of('integrated-graphics', x8, x16)
    expect(graphics.median).toBeLessThan(0.98)
    expect(graphics.median).toBeGreaterThan(0.93)
    expect(of('office', x8, x16).median).toBeGreaterThan(0.995)
  })
  test('a second rank gains a little, and the range holds both', () => {
    const { median, most } = of('integrated-graphics', x8, ranks)
    expect(median).toBeGreaterThan(1.005)
    expect(median).toBeLessThan(1.04)
    expect(most[0]).toBeGreaterThanOrEqual(1)
    expect(most[1]).toBeGreaterThan(median)
  })
  test('the same on both sides is no change', () => {
    expect(of('integrated-graphics', x16, x16).median).toBe(1)
  })
})
