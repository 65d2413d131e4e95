import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { desktop, stick, logSummary as summary } from '../../../test/builders'
import { STARTING_MACHINES } from '../../things/machines'
import { parseTable, type Table } from '../../things/tables'
import { adviseSpending } from '../advice'
import { evaluate } from '../evaluate'
import {
  buildableTotals,
  type ChosenUse,
  demand,
  demandOfUses,
  forecaster,
  forecastUses,
  growthOver,
  guessLogColumns,
  judgeNeed,
  LEVELS,
  measuredUses,
  type NeedSaid,
  pagingShareOf,
  readMemoryLog,
  STARTING_USES,
  slotSizes,
  summarise,
  UseTable,
} from '.'

const table: UseTable = {
  systemGiB: 3,
  growthPercent: 5,
  reserveGiB: 1,
  graphicsGiB: 2,
  uses: [
    { id: 'photos', name: 'Photos', light: 2, usual: 6, heavy: 16, work: 'photos' },
    { id: 'browsing', name: 'Browsing', light: 1, usual: 3, heavy: 8, work: 'browsing' },
    { id: 'video', name: 'Video', light: 4, usual: 12, heavy: 32, work: 'video' },
  ],
}
const use = (id: string, level: ChosenUse['level'], together: string | null = null): ChosenUse => ({
  use: id,
  level,
  weight: 1,
  together,
})

test('the work of a mix; what integrated graphics draw is bound by the main memory', () => {
  const drawn = {
    ...table,
    uses: [...table.uses, { ...table.uses[0], id: 'g', work: 'games' as const }],
  }
  const mix = [use('photos', 'usual'), use('g', 'heavy'), use('unknown', 'usual')]
  const works = (integrated: boolean) =>
    forecastUses(drawn as UseTable, mix, integrated).map(({ work }) => work)
  expect(works(false)).toEqual(['photos', 'games'])
  expect(works(true)).toEqual(['photos', 'integrated-graphics'])
})

describe('demand from uses', () => {
  test('uses that run at once add up; the largest set counts', () => {
    // photos 6 + browsing 3 = 9 at once, video 12 alone: 12 + system 3 + reserve 1 = 16
    const apart = [
      use('photos', 'usual', 'day'),
      use('browsing', 'usual', 'day'),
      use('video', 'usual'),
    ]
    expect(demandOfUses(table, apart, false)).toMatchObject({
      likely: 16,
      // half-way to the neighbouring levels: (12 + 4) ÷ 2 = 8, (12 + 32) ÷ 2 = 22
      low: 12,
      high: 26,
      parts: [
        { what: 'system', gib: 3 },
        { what: 'use', use: 'video', gib: 12 },
        { what: 'reserve', gib: 1 },
      ],
    })
    const all = apart.map((one) => ({ ...one, together: 'day' }))
    expect(demandOfUses(table, all, false).likely).toBe(3 + 1 + 6 + 3 + 12)
  })

  test('integrated graphics take their share; unknown uses and those of no weight none', () => {
    const mix = [
      { ...use('video', 'heavy'), weight: 0 },
      use('chess', 'heavy'),
      use('browsing', 'light'),
    ]
    expect(demandOfUses(table, mix, true).likely).toBe(3 + 1 + 2 + 1)
    expect(demandOfUses(table, [], false)).toMatchObject({ low: 4, likely: 4, high: 4 })
  })

  test('years to serve move what is likely and the upper end, not today’s least', () => {
    const chosen = [use('photos', 'usual')]
    const now = demandOfUses(table, chosen, false)
    const growth = growthOver(table, 4)
    expect(growth).toBeCloseTo(1.05 ** 4 - 1, 12)
    const later = demandOfUses(table, chosen, false, growth)
    // 3 for the system and 6 for photos grow; the reserve of 1 does not.
    expect(later.likely - now.likely).toBeCloseTo(9 * growth, 12)
    expect(later.low).toBe(now.low)
    expect(later.parts.find(({ what }) => what === 'growth')?.gib).toBeCloseTo(9 * growth, 12)
    expect(growthOver(table, null)).toBe(0)
  })

  test('light office work on 8 GB is tight by the table a shop starts with', () => {
    const light = demandOfUses(STARTING_USES, [use('office', 'light')], true)
    expect(light.likely).toBeGreaterThanOrEqual(0.9 * 8)
    expect(light.likely).toBeLessThanOrEqual(8)
  })

  test('heavier is never less, and a range holds its likely value', () => {
    const chosen = fc.array(
      fc.record({
        use: fc.constantFrom('photos', 'browsing', 'video'),
        level: fc.constantFrom(...LEVELS),
        weight: fc.constantFrom(0, 1, 3),
        together: fc.constantFrom('day', 'night', null),
      }),
      { maxLength: 6 },
    )
    fc.assert(
      fc.property(chosen, fc.boolean(), (mix, graphics) => {
        const { low, likely, high } = demandOfUses(table, mix, graphics)
        expect(low <= likely && likely <= high).toBe(true)
        const heavier = mix.map((one) => ({ ...one, level: 'heavy' as const }))
        expect(demandOfUses(table, heavier, graphics).likely).toBeGreaterThanOrEqual(likely)
      }),
    )
  })

  test('the table a shop starts with is acceptable; one where heavy is less is not', () => {
    expect(UseTable.safeParse(STARTING_USES).success).toBe(true)
    const odd = { ...table, uses: [{ id: 'x', name: 'X', light: 2, usual: 1, heavy: 3 }] }
    expect(UseTable.safeParse(odd).success).toBe(false)
  })
})

describe('a memory log', () => {
  const parsed = (text: string) => parseTable(text) as Table

  test('with moments and megabytes: spans, peaks and the time above 90 %', () => {
    const log = readMemoryLog(
      parsed(
        'when;used MB\n2026-03-01T10:00:00Z;4096\n2026-03-01T10:01:00Z;7680\n2026-03-01T10:03:00Z;5120\n2026-03-01T10:04:00Z;oops',
      ),
      { time: 'when', used: 'used MB', unit: 'MB' },
      8,
    )
    expect(log.badLines).toEqual([5])
    expect(log.samples.map(({ seconds, gib }) => [seconds, gib])).toEqual([
      [0, 4],
      [60, 7.5],
      [180, 5],
    ])
    // 7.5 is over 7.2 from second 60 to 180 of 180: two thirds
    expect(summarise(log.samples, 8)).toEqual({
      count: 3,
      spanSeconds: 180,
      peakGiB: 7.5,
      p99GiB: 7.5,
      tightShare: 120 / 180,
      // Systems page from 90 % on, 7.2 here.
      cutOff: true,
      pagingShare: null,
    })
    expect(summarise([{ seconds: 0, gib: 7.1 }], 8)?.cutOff).toBe(false)
    expect(summarise([{ seconds: 0, gib: 7.2 }], 8)?.cutOff).toBe(true)
  })

  test('per cent of what is fitted, with decimal commas and no times', () => {
    const log = readMemoryLog(
      parsed('pc\tx\n48,5\ta\n97,25\tb'),
      { time: null, used: 'pc', unit: 'percent' },
      16,
    )
    expect(log.samples.map(({ gib }) => gib)).toEqual([7.76, 15.56])
    // 15.56 of 16 is 97 %: the demand was cut off
    expect(summarise(log.samples, 16)).toMatchObject({
      cutOff: true,
      spanSeconds: null,
      tightShare: 0.5,
    })
  })

  test('hard faults say whether it pages: half of that time is lost', () => {
    const table = parsed('s,used GB,Hard faults/s\n0,7.9,10\n60,7.9,900\n90,7.9,20\n120,7.9,0')
    const columns = guessLogColumns(table)
    expect(columns).toMatchObject({ used: 'used GB', faults: 'Hard faults/s' })
    const { samples } = readMemoryLog(table, columns, 8)
    // 30 of 120 seconds.
    const log = summarise(samples, 8)
    expect(log?.pagingShare).toBeCloseTo(0.125, 12)
    const advice = (pagingShare: number) =>
      adviseSpending({
        installedGiB: 8,
        demand: null,
        log: summary({ cutOff: true, tightShare: 1, peakGiB: 7.9, pagingShare }),
        disk: 'solid-state',
        slow: [],
      })
    expect(advice(0.125)).toMatchObject({ first: 'memory', reasons: ['CUT_OFF', 'PAGES'] })
    // Full of what may be given up, and no fault in sight: nothing to buy.
    expect(advice(0).first).toBe('nothing')
  })

  test('three digits behind a mark are decimals where all figures have them, thousands where only large ones do', () => {
    const read = (cells: string[]) =>
      readMemoryLog(
        parsed(`used;t\n${cells.join(';0\n')};0`),
        { time: null, used: 'used', unit: 'GB' },
        8,
      ).samples.map(({ gib }) => gib)
    expect(read(['3.125', '4.250'])).toEqual([3.125, 4.25])
    expect(read(['950', '1.050'])).toEqual([950, 1050])
  })

  test('99 % by nearest rank: of 1 to 200, the 198th', () => {
    const samples = Array.from({ length: 200 }, (_, at) => ({ seconds: null, gib: at + 1 }))
    expect(summarise(samples, 1000)?.p99GiB).toBe(198)
    expect(summarise([], 8)).toBeNull()
  })
})

describe('demand from both', () => {
  const uses = demandOfUses(table, [use('video', 'usual')], false)

  test('a peak that was not cut off outdoes the rules of thumb', () => {
    expect(demand(uses, summary({}), 1)).toEqual({
      low: 5.5,
      likely: 6,
      high: 16,
      now: { low: 4.5, likely: 5, high: 15 },
      basis: 'both',
      atLeast: false,
    })
  })

  test('one that was says only “at least”', () => {
    const cut = summary({ peakGiB: 7.8, cutOff: true })
    expect(demand(null, cut, 1)).toMatchObject({
      low: 8.8,
      likely: 8.8,
      basis: 'log',
      atLeast: true,
    })
    expect(demand(uses, cut, 1)).toMatchObject({ low: 8.8, likely: 16, high: 26, atLeast: true })
    expect(demand(null, null, 1)).toBeNull()
  })
})

describe('totals a machine can be built to', () => {
  const of = (id: string) => STARTING_MACHINES.find((one) => one.id === id)?.machine as never

  test('a slot beside soldered memory: 4 and what the slot takes; even is twice 4', () => {
    expect(buildableTotals(of('laptop-soldered-1'))).toEqual([
      { gib: 4, even: false },
      { gib: 8, even: true },
      { gib: 12, even: false },
      { gib: 20, even: false },
      { gib: 36, even: false },
    ])
  })

  test('two slots: every pair of sizes within the limit, odd totals too', () => {
    const machine = desktop({ generation: 'DDR5', limits: { ...desktop().limits, totalGiB: 64 } })
    expect(slotSizes(machine)).toEqual([8, 12, 16, 24, 32])
    const totals = buildableTotals({
      ...machine,
      slots: machine.slots.filter(({ position }) => position === 1),
    })
    expect(totals.map(({ gib }) => gib)).toEqual([
      8, 12, 16, 20, 24, 28, 32, 36, 40, 44, 48, 56, 64,
    ])
    expect(totals.filter(({ even }) => even).map(({ gib }) => gib)).toEqual([16, 24, 32, 48, 64])
  })

  test('one CAMM2 module fills both channels, in the sizes it is sold in', () => {
    expect(slotSizes(of('laptop-lpcamm2'))).toEqual([16, 24, 32, 48, 64])
    expect(buildableTotals(of('laptop-lpcamm2'))).toEqual(
      [16, 24, 32, 48, 64].map((gib) => ({ gib, even: true })),
    )
    expect(buildableTotals(of('laptop-camm2')).at(-1)).toEqual({ gib: 128, even: true })
  })

  test('all soldered: what there is', () => {
    expect(buildableTotals(of('laptop-soldered'))).toEqual([{ gib: 16, even: true }])
  })
})

describe('what a forecast is given', () => {
  test('each use with what runs with it and the system, no reserve', () => {
    const chosen = [
      use('photos', 'usual', 'a'),
      use('browsing', 'usual', 'a'),
      use('video', 'usual'),
    ]
    const [photos, , video] = forecastUses(table, chosen, true)
    // System 3, graphics 2, photos 6 and browsing 3 at once; video 12 alone.
    expect(photos?.need?.likely).toBe(14)
    expect(video?.need?.likely).toBe(17)
  })

  test('a log that was not cut off is what is needed; one that was, at least that', () => {
    const uses = forecastUses(table, [use('photos', 'light')], false)
    expect(measuredUses(uses, summary({}))[0]?.need).toEqual({ low: 4.5, likely: 5, high: 5 })
    const cut = summary({ peakGiB: 7.8, cutOff: true })
    expect(measuredUses(uses, cut)[0]?.need).toEqual({ low: 7.8, likely: 7.8, high: 7.8 })
  })

  test('memory that never came near full does not page; near full, nobody knows how much', () => {
    expect(pagingShareOf(summary({ tightShare: 0 }))).toBe(0)
    expect(pagingShareOf(summary({ tightShare: 0.1 }))).toBeNull()
    expect(pagingShareOf(null)).toBeNull()
  })

  test('a peak of 7.0 of 8 that was never near full: no memory to buy, nothing faster', () => {
    const log = summary({ peakGiB: 7, p99GiB: 6.9, tightShare: 0 })
    const said: NeedSaid = {
      uses: [use('photos', 'usual')],
      integratedGraphics: false,
      disk: 'solid-state',
      log,
      years: null,
      wantedGiB: null,
    }
    const { demand: wanted } = judgeNeed(table, said, 8)
    expect(wanted?.now.likely).toBe(7)
    expect(wanted?.likely).toBe(8)
    const advice = adviseSpending({
      installedGiB: 8,
      demand: wanted,
      log,
      disk: 'solid-state',
      slow: [],
    })
    expect(advice.first).toBe('nothing')
    const at = (gib: number) =>
      evaluate({
        machine: desktop(),
        placement: { A2: stick({ capacityGiB: gib / 2 }), B2: stick({ capacityGiB: gib / 2 }) },
        settings: { profile: false },
      })
    const gain = forecaster(table, said, at(8))(at(16))
    expect([gain?.median, gain?.words]).toEqual([1, 'NONE'])
  })
})

test.each([
  [
    'Time,Memory used (MB),Free (MB)\n0,7800,200',
    { time: 'Time', used: 'Memory used (MB)', unit: 'MB' },
  ],
  ['free;in use\n1;6000000', { time: null, used: 'in use', unit: 'kB' }],
  ['stamp\t% committed\n0\t55', { time: 'stamp', used: '% committed', unit: 'percent' }],
  ['a,b\n5.5,1\n6.1,1', { time: null, used: 'a', unit: 'GB' }],
  ['when,used\n1,8123456789', { time: 'when', used: 'used', unit: 'bytes' }],
])('the columns of a log are guessed: %s', (text, expected) => {
  expect(guessLogColumns(parseTable(text) as Table)).toEqual(expected)
})

test('memory that is available is what is fitted less what is in use; committed comes after it', () => {
  const text = 'Time,Memory available MB,Committed MB\n0,6144,9000\n1,2048,12000\n2,1024,14000\n'
  const table = parseTable(text) as Table
  const columns = guessLogColumns(table)
  expect(columns).toEqual({ time: 'Time', used: 'Memory available MB', unit: 'MB', free: true })
  const { samples } = readMemoryLog(table, columns, 8)
  expect(samples.map(({ gib }) => gib)).toEqual([2, 6, 7])
  const used = parseTable('Time,Committed MB,In use MB\n0,9000,4000\n1,9100,4100\n') as Table
  expect(guessLogColumns(used)).toEqual({ time: 'Time', used: 'In use MB', unit: 'MB' })
})

describe('times in a log', () => {
  const log = (text: string) => {
    const table = parseTable(text) as Table
    return readMemoryLog(table, guessLogColumns(table), 16).samples.map(({ seconds, gib }) => [
      seconds,
      gib,
    ])
  }

  test('are times of day, days first, or moments; a date beside the time is passed over', () => {
    const day = 'Date;Time;Mem used\n01.01.2030;10:00:00;8192\n01.01.2030;10:00:01,5;9216'
    expect(log(day)).toEqual([
      [0, 8],
      [1.5, 9],
    ])
    const moment = 'When,Mem used (MB)\n31.12.2029 23:59:59,8192\n01.01.2030 00:00:01,9216'
    expect(log(moment)).toEqual([
      [0, 8],
      [2, 9],
    ])
  })

  test('that are none are left out, and the samples stay', () => {
    expect(log('Time,Mem used (MB)\nfirst,8192\nsecond,9216')).toEqual([
      [null, 8],
      [null, 9],
    ])
  })

  test('a cache beside what is in use and free is not taken off', () => {
    const text = 'Time,total,used,free,buff/cache\n1,16256504,8388608,2097152,5770744'
    expect(log(text)).toEqual([[0, 8]])
  })
})
