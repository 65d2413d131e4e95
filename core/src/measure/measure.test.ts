import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../test/builders'
import { evaluate } from '../evaluate'
import { normal, random } from '../random'
import {
  analyseFrames,
  changesBetween,
  columnReader,
  compareFailures,
  compareRuns,
  FRAME_EDGES,
  gridEffects,
  guessFrameColumn,
  inferChannels,
  logHead,
  readColumn,
} from '.'

describe('before and after', () => {
  test('by hand: e, e², e³ against e², e³, e⁴', () => {
    // Logarithms 1 2 3 and 2 3 4: difference 1, variances 1, error √(2/3).
    // Degrees of freedom (1/3 + 1/3)² ÷ (1/9 ÷ 4 + 1/9 ÷ 4) − 2 = 6, t 2.4469.
    const e = Math.exp
    const got = compareRuns([e(1), e(2), e(3)], [e(2), e(3), e(4)], 'higher')
    expect(got.ratio).toBeCloseTo(Math.E, 9)
    expect(Math.log(got.high)).toBeCloseTo(1 + 2.446912 * Math.sqrt(2 / 3), 4)
    expect(Math.log(got.low)).toBeCloseTo(1 - 2.446912 * Math.sqrt(2 / 3), 4)
    expect(got.verdict).toBe('cannot-tell')
    // With n a side: t(2n−2) √(2/n) < 1 first at n = 9 (2.1199 × 0.4714 = 0.999).
    expect(got.moreRuns).toBe(6)
  })

  test('a clear gain, a clear loss, and what counts downwards', () => {
    const [slow, quick] = [
      [100, 101, 99, 100],
      [120, 121, 119, 120],
    ] as const
    expect(compareRuns(slow, quick, 'higher').verdict).toBe('gain')
    expect(compareRuns(quick, slow, 'higher').verdict).toBe('loss')
    const lower = compareRuns(quick, slow, 'lower')
    expect(lower.verdict).toBe('gain')
    expect(lower.ratio).toBeCloseTo(1.2, 3)
  })

  test('too few runs say so, and how many are missing', () => {
    expect(compareRuns([1, 2], [1, 2, 3], 'higher')).toMatchObject({
      verdict: 'too-few',
      moreRuns: 1,
    })
    expect(compareRuns([], [], 'higher').verdict).toBe('too-few')
    expect(() => compareRuns([1, 0, 2], [1, 2, 3], 'higher')).toThrow(RangeError)
  })

  test('turned round, the ratio turns round; a scale is no matter', () => {
    const runs = fc.array(fc.double({ min: 0.1, max: 1000, noNaN: true }), {
      minLength: 3,
      maxLength: 8,
    })
    fc.assert(
      fc.property(runs, runs, fc.double({ min: 0.01, max: 100, noNaN: true }), (a, b, scale) => {
        const [there, back] = [compareRuns(a, b, 'higher'), compareRuns(b, a, 'higher')]
        expect(there.ratio * back.ratio).toBeCloseTo(1, 6)
        expect(there.low).toBeLessThanOrEqual(there.ratio)
        expect(there.high).toBeGreaterThanOrEqual(there.ratio)
        const scaled = compareRuns(
          a.map((one) => one * scale),
          b.map((one) => one * scale),
          'higher',
        )
        expect(scaled.ratio / there.ratio).toBeCloseTo(1, 6)
      }),
    )
  })

  test('of 2,000 pairs with no true change about 5 % are called one', () => {
    const noise = normal(random(42))
    for (const length of [3, 5, 10]) {
      let called = 0
      for (let pair = 0; pair < 2000; pair += 1) {
        const runs = () => Array.from({ length }, () => 100 * Math.exp(0.02 * noise()))
        const { verdict } = compareRuns(runs(), runs(), 'higher')
        if (verdict !== 'cannot-tell') called += 1
      }
      expect(called / 2000).toBeGreaterThan(0.04)
      expect(called / 2000).toBeLessThan(0.06)
    }
  })

  test('crashes: 5 of 5 against 0 of 5 is 2 in 252', () => {
    const all = compareFailures({ failed: 5, runs: 5 }, { failed: 0, runs: 5 })
    expect(all.chance).toBeCloseTo(2 / 252, 9)
    expect(all.fewer).toBe(true)
    expect(compareFailures({ failed: 1, runs: 5 }, { failed: 0, runs: 5 }).fewer).toBe(false)
  })
})

describe('frame times', () => {
  test('by hand: 99 frames of 10 ms and one of 110', () => {
    const analysed = analyseFrames(Float64Array.from([...Array<number>(99).fill(10), 110]))
    const got = analysed?.figures
    expect(got).toMatchObject({ frames: 100, stutters: 1 })
    expect(got?.seconds).toBeCloseTo(1.1, 9)
    expect(got?.averageRate).toBeCloseTo(100 / 1.1, 6)
    // Place 98.01 of 99: a hundredth of the way from 10 to 110.
    expect(got?.rateAt99).toBeCloseTo(1000 / 11, 6)
    expect(got?.rateOfSlowest1).toBeCloseTo(1000 / 110, 6)
    expect(got?.lostSeconds).toBeCloseTo(0.1, 9)
    // 1.05^47 = 9.91 and 1.05^48 = 10.40; 1.05^96 = 108.2 and 1.05^97 = 113.6.
    expect(analysed?.bins.flatMap((count, at) => (count > 0 ? [[at, count]] : []))).toEqual([
      [47, 99],
      [96, 1],
    ])
    // A hundred stretches of 11 ms: the long frame, last, fills the ten it lasts.
    expect(analysed?.line.filter((time) => time === 110)).toHaveLength(10)
    expect(analysed?.otherUnit).toBe(0)
  })

  test('a column that holds s among its ms is told', () => {
    const times = [...Array<number>(60).fill(16.7), 0.0167, 0.0161]
    expect(analyseFrames(Float64Array.from(times))?.otherUnit).toBe(2)
  })

  test('the slowest are never quicker than the average, whatever the log', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.5, max: 500, noNaN: true }), { minLength: 2, maxLength: 300 }),
        (times) => {
          const analysed = analyseFrames(Float64Array.from(times))
          if (!analysed) throw new Error('no figures')
          const { figures: got, bins, line } = analysed
          expect(bins).toHaveLength(FRAME_EDGES.length)
          expect(bins.reduce((sum, count) => sum + count, 0)).toBe(times.length)
          expect(Math.max(...line)).toBe(Math.max(...times))
          expect(Math.min(...line)).toBeGreaterThan(0)
          expect(got.rateOfSlowest1).toBeLessThanOrEqual(got.averageRate * (1 + 1e-9))
          expect(got.rateOfSlowest01).toBeLessThanOrEqual(got.rateOfSlowest1 * (1 + 1e-9))
          expect(got.rateAt999).toBeLessThanOrEqual(got.rateAt99 * (1 + 1e-9))
        },
      ),
    )
    expect(analyseFrames(Float64Array.of(16))).toBeNull()
  })
})

describe('a grid', () => {
  test('by hand: the first doubles, the second does nothing, together four times', () => {
    const runs = (value: number) => [value * 0.99, value, value * 1.01]
    const got = gridEffects({
      cells: [
        [runs(1), runs(1)],
        [runs(2), runs(4)],
      ],
      better: 'higher',
    })
    // Means of logarithms 0 0 ln2 ln4: first 1.5 ln2, second 0.5 ln2, interaction ln2.
    expect(got?.first.ratio).toBeCloseTo(2 ** 1.5, 3)
    expect(got?.second.ratio).toBeCloseTo(2 ** 0.5, 3)
    expect(got?.interaction.ratio).toBeCloseTo(2, 3)
    expect(got?.interaction.sure).toBe(true)
    expect(
      gridEffects({
        cells: [
          [[1], [1, 2]],
          [
            [1, 2],
            [1, 2],
          ],
        ],
        better: 'higher',
      }),
    ).toBeNull()
  })

  test('what changed at once is named', () => {
    const machine = desktop()
    const of = (placement: Parameters<typeof evaluate>[0]['placement']) =>
      evaluate({ machine, placement, settings: { profile: false } })
    const one = of({ A2: stick() })
    expect(changesBetween(one, of({ A2: stick(), B2: stick() }))).toEqual(['capacity', 'channels'])
    expect(changesBetween(one, one)).toEqual([])
  })
})

describe('channels from a bandwidth', () => {
  test('above what one channel can give is proof of two', () => {
    // One channel at 3200 gives 25.6 GB/s at most.
    const got = inferChannels(26, 'copy', 3200, 2, 2)
    expect(got.proven).toBe(2)
    expect(got.asExpected).toBe(1)
  })
  test('about three quarters of one is one; of two is two', () => {
    expect(inferChannels(19, 'copy', 3200, 2, 2).asExpected).toBeLessThan(0.05)
    expect(inferChannels(38, 'copy', 3200, 2, 2).asExpected).toBeGreaterThan(0.95)
    expect(inferChannels(19, 'copy', 3200, 2, 2).proven).toBe(1)
  })
})

describe('a column of a log', () => {
  test('is told by its heading, with its unit', () => {
    const head = logHead('Time (s);FrameTime (ms);Note\n0;16,7;a\n')
    expect(head).toEqual({
      separator: ';',
      headings: ['Time (s)', 'FrameTime (ms)', 'Note'],
      skip: 0,
    })
    expect(guessFrameColumn(head?.headings ?? [])).toEqual({
      heading: 'FrameTime (ms)',
      unit: 'ms',
    })
    expect(logHead('')).toBeNull()
  })
  test('bad figures are left out and their lines named', () => {
    const text = 'a,ms\n1,16.7\n2,\n3,-4\n4,Infinity\n5,n/a\n6,33.3\n'
    const head = logHead(text)
    if (!head) throw new Error('no head')
    const got = readColumn(text, head, 'ms')
    expect([...got.values]).toEqual([16.7, 33.3])
    expect(got).toMatchObject({ bad: 4, rows: 6, badLines: [3, 4, 5, 6] })
  })
  test('a figure with a unit of its own counts by it; a last line cut off is left out', () => {
    const text = 'n;t;rest\n1;16,7;a\n2;0,02 s;b\n3;18000 µs;c\n4;1'
    const head = logHead(text)
    if (!head) throw new Error('no head')
    const got = readColumn(text, head, 't', 'ms')
    expect([...got.values]).toEqual([16.7, 20, 18])
    expect(got).toMatchObject({ bad: 0, rows: 3, otherUnits: 2, cutOff: true })
    expect([...readColumn(text, head, 't', 's').values]).toEqual([16700, 20, 18])
  })
  test('cut anywhere, a log reads the same, quotes and both kinds of line ends with it', () => {
    const text = 'name,ms\r\n"a, and ""b""",1.5\r\n"two\nlines",2\n,x\nlast,4'
    const head = logHead(text)
    if (!head) throw new Error('no head')
    const whole = readColumn(text, head, 'ms')
    expect(whole).toMatchObject({ bad: 1, rows: 4, cutOff: false })
    expect([...whole.values]).toEqual([1.5, 2, 4])
    fc.assert(
      fc.property(fc.array(fc.nat(text.length)), (cuts) => {
        const reader = columnReader(head, 'ms')
        const at = [0, ...cuts.sort((a, b) => a - b), text.length]
        for (let n = 1; n < at.length; n += 1) reader.take(text.slice(at[n - 1], at[n]))
        expect(reader.end()).toEqual(whole)
      }),
    )
  })
  test('truncated, empty and odd logs do no harm', () => {
    for (const text of ['ms', 'ms\n', 'a;b\n1', '"ms\n1', '\0\n\0']) {
      const head = logHead(text)
      if (head) expect(readColumn(text, head, head.headings[0] ?? '').rows).toBeLessThan(3)
    }
  })
})
