import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import { evaluate } from '../../judging/evaluate'
import { normal, random } from '../../things/random'
import {
  analyseFrames,
  changesBetween,
  columnReader,
  compareFailures,
  FRAME_EDGES,
  firstRows,
  gridEffects,
  guessFrameColumn,
  logHead,
  overviewOf,
  readColumn,
  tooShortFor,
  trimmed,
} from '.'

describe('failed runs', () => {
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

  test('a step in pace is none; frames that stand out from both sides are', () => {
    const steady = (count: number, ms: number) => Array<number>(count).fill(ms)
    const analysed = (times: number[]) => analyseFrames(Float64Array.from(times))?.figures
    const step = [...steady(1000, 3), ...steady(6000, 10)]
    expect(analysed(step)).toMatchObject({ stutters: 0, lostSeconds: 0 })
    const stand = [...steady(100, 3), 30, ...steady(100, 3), 40, 40, ...steady(100, 10)]
    expect(analysed(stand)?.stutters).toBe(3)
    // 30 − 3, and twice 40 − 10: the middle one of those after is the yardstick.
    expect(analysed(stand)?.lostSeconds).toBeCloseTo(0.087, 9)
  })

  test('a limit that frames are held to is told, and frames that took several of its beats', () => {
    const noise = normal(random(9))
    const held = Array.from({ length: 2000 }, (_, at) =>
      at % 100 === 50 ? 33.3 : 16.67 * (1 + 0.004 * noise()),
    )
    const capped = analyseFrames(Float64Array.from(held))?.figures
    expect(capped).toMatchObject({ cap: 60, dropped: 20 })
    const free = Array.from({ length: 2000 }, () => 16.67 * Math.exp(0.1 * noise()))
    expect(analyseFrames(Float64Array.from(free))?.figures).toMatchObject({ cap: null, dropped: 0 })
    // Limits that no screen has: 57 and 141 a second, with jitter.
    const chance = random(5)
    for (const rate of [57, 141]) {
      const jitter = Array.from({ length: 600 }, () => (1000 / rate) * (0.98 + 0.04 * chance()))
      expect(analyseFrames(Float64Array.from(jitter))?.figures.cap).toBe(rate)
    }
    const rough = Array.from({ length: 600 }, () => 17.5 * (0.9 + 0.2 * chance()))
    expect(analyseFrames(Float64Array.from(rough))?.figures.cap).toBeNull()
  })

  test('what a log is too short for, and its ends left out', () => {
    expect(tooShortFor({ frames: 900 })).toEqual([0.01, 0.001])
    expect(tooShortFor({ frames: 1000 })).toEqual([0.001])
    expect(tooShortFor({ frames: 10_000 })).toEqual([])
    const times = Float64Array.from([400, 600, 10, 20, 30, 500, 500])
    expect([...trimmed(times, { begin: 1, end: 1 })]).toEqual([10, 20, 30])
    expect([...trimmed(times, { begin: 0, end: 0 })]).toEqual([...times])
    expect(trimmed(times, { begin: 9, end: 9 })).toHaveLength(0)
    const { line, seconds } = overviewOf(Float64Array.from([10, 30, 20]))
    expect(seconds).toBeCloseTo(0.06, 9)
    expect(Math.max(...line)).toBe(30)
    expect(overviewOf(new Float64Array(0))).toEqual({ line: [], seconds: 0 })
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
  const session = (value: number) => ({ at: null, runs: [value * 0.99, value, value * 1.01] })
  test('by hand: the first doubles, the second does nothing, together four times', () => {
    const got = gridEffects({
      cells: [
        [[session(1)], [session(1)]],
        [[session(2)], [session(4)]],
      ],
      better: 'higher',
      quantum: 1e-6,
    })
    // Logarithms 0 0 ln2 ln4: first 1.5 ln2, second 0.5 ln2, interaction ln2.
    expect(got?.first.ratio).toBeCloseTo(2 ** 1.5, 3)
    expect(got?.second.ratio).toBeCloseTo(2 ** 0.5, 3)
    expect(got?.interaction.ratio).toBeCloseTo(2, 3)
    expect(got?.interaction.sure).toBe(true)
    expect(got?.second.high).toBeLessThan(got?.interaction.high ?? 0)
    const short = { at: null, runs: [1] }
    const cells: Parameters<typeof gridEffects>[0]['cells'] = [
      [[short], [session(1)]],
      [[session(1)], [session(1)]],
    ]
    expect(gridEffects({ cells, better: 'higher' })).toBeNull()
  })

  test('what changed at once is named', () => {
    const machine = desktop()
    const of = (placement: Parameters<typeof evaluate>[0]['placement']) => ({
      placement,
      evaluation: evaluate({ machine, placement, settings: { profile: false } }),
    })
    const one = of({ A2: stick() })
    expect(changesBetween(one, of({ A2: stick(), B2: stick() }))).toEqual(['capacity', 'channels'])
    expect(changesBetween(one, one)).toEqual([])
    // From one rank of wide chips to two of narrow ones, nothing else.
    const wide = of({ A2: stick({ deviceWidth: 16 }) })
    expect(changesBetween(wide, of({ A2: stick({ ranks: 2 }) }))).toEqual(['ranks', 'width'])
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
    expect(guessFrameColumn(head?.headings ?? [], [])).toEqual({
      heading: 'FrameTime (ms)',
      unit: 'ms',
    })
    expect(logHead('')).toBeNull()
  })
  test.each<[string, string, { heading: string; unit: string } | null]>([
    [
      'a clock that grows',
      'TimeInSeconds,Render\n0.1,16.7\n0.2,17.1\n0.3,16.2\n',
      { heading: 'Render', unit: 'ms' },
    ],
    ['an identity', 'id,value\n1,16.7\n2,17.1\n3,16.2\n', { heading: 'value', unit: 'ms' }],
    [
      'seconds without their unit',
      'Frame,FrameTime\n1,0.0167\n2,0.0171\n3,0.0162\n',
      { heading: 'FrameTime', unit: 's' },
    ],
    [
      'microseconds',
      'n,frametime\n1,16700\n2,17100\n3,16200\n',
      { heading: 'frametime', unit: 'µs' },
    ],
    ['a rate only', 'n,FPS\n1,60\n2,58\n3,61\n', null],
    ['a rate beside times', 'FPS;ms\n60;16,7\n58;17,1\n61;16,2\n', { heading: 'ms', unit: 'ms' }],
    [
      'a load beside times',
      'CPU load,span\n40,16.7\n42,17.1\n41,16.2\n',
      { heading: 'span', unit: 'ms' },
    ],
    [
      'comments first',
      '# made here\n# by hand\nstamp,took\n5,16.7\n9,17.1\n14,16.2\n',
      { heading: 'took', unit: 'ms' },
    ],
  ])('%s', (_, text, column) => {
    const head = logHead(text)
    if (!head) throw new Error('no head')
    expect(guessFrameColumn(head.headings, firstRows(text, head))).toEqual(column)
  })

  test('decimal commas between commas are read as they were said to be; a row that fits neither is left out', () => {
    const text = 'a,ms\n1,16,7\n2,17,1\n3,16\n4,5,6,7\n5,16,2\n'
    const head = logHead(text)
    if (!head) throw new Error('no head')
    const got = readColumn(text, { ...head, commas: [1] }, 'ms', 'ms')
    expect([...got.values]).toEqual([16.7, 17.1, 16, 16.2])
    expect(got).toMatchObject({ bad: 1, badLines: [5], rows: 5 })
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
