import { describe, expect, test } from 'vitest'
import { desktop, profiled, stick } from '../../../test/builders'
import type { Machine, Module } from '../../things/model'
import { evaluate } from '../evaluate'
import {
  fastAtOnce,
  ladder,
  proposed,
  speedPicture,
  type Tried,
  type TuneSettings,
  tuneRefusal,
} from '.'

const board = desktop({ profiles: true, syncCeiling: 3600 })
const pair = (module: Module) => ({ A2: module, B2: module })
const fast = pair(profiled(4000))
const rated = pair(profiled(3600))

const pictureOf = (placement: Record<string, Module>, machine: Machine = board) =>
  speedPicture(machine, placement, true)

/** Goes up the ladder on a machine that holds what `holds` says, to its end. */
function climbed(
  placement: Record<string, Module>,
  holds: (settings: TuneSettings, test: Tried['test']) => Tried['outcome'],
  gain = 1.01,
  onFound = 1.01,
) {
  const picture = pictureOf(placement)
  const tried: Tried[] = []
  for (let n = 0; n < 200; n += 1) {
    const answer = ladder({
      generation: 'DDR4',
      picture,
      tried,
      gainOf: () => gain,
      gainOnFound: () => onFound,
      least: { short: 5, long: 20 },
    })
    if (!answer.next) return { answer, tried }
    const { settings, test: kind } = answer.next
    tried.push({ settings, test: kind, outcome: holds(settings, kind), minutes: 30 })
  }
  throw new Error('the ladder has no end')
}

describe('what can be set', () => {
  test('nothing where the firmware offers nothing, or nothing starts', () => {
    expect(tuneRefusal(desktop({ profiles: false }), rated)).toBe('NOTHING_TO_SET')
    expect(tuneRefusal(board, {})).toBe('DOES_NOT_START')
    expect(tuneRefusal(board, rated)).toBeNull()
  })

  test('speed against latency: it falls, and jumps where the controller halves', () => {
    const picture = pictureOf(fast)
    const at = (rate: number) => picture.find(({ dataRate }) => dataRate === rate)
    expect(at(3600)).toMatchObject({ halfRate: false, aboveModules: false })
    expect(at(4000)).toMatchObject({ halfRate: true, rated: true })
    // CL 16 at 4000 is 8 ns; at 3600 that is 15 clocks, 8.33 ns; half rate adds 9.75 ns.
    expect(at(3600)?.timings.cl).toBe(15)
    expect(at(3600)?.firstWordNs).toBeCloseTo(8.333, 3)
    expect(at(4000)?.firstWordNs).toBeCloseTo(8 + 9.75, 9)
    expect(at(3600)?.ns.cl).toBeCloseTo(8.333, 3)
  })

  test('the fast kit is proposed at the ceiling, one below it as rated', () => {
    expect(proposed(pictureOf(fast))?.dataRate).toBe(3600)
    expect(proposed(pictureOf(pair(profiled(3200))))?.dataRate).toBe(3200)
    expect(proposed([])).toBeNull()
  })

  test('a firmware limit ends the picture', () => {
    const limited = { ...board, limits: { ...board.limits, firmwareDataRate: 3200 } }
    expect(pictureOf(rated, limited).at(-1)?.dataRate).toBe(3200)
  })
})

describe('the ladder', () => {
  test('begins with the rated values, and ends there where even they fail', () => {
    const { answer, tried } = climbed(rated, () => 'errors')
    expect(tried).toHaveLength(1)
    expect(answer).toMatchObject({ end: 'RATED_FAILS', holds: null })
  })

  test('rated values that fail at half rate lead to the proposed ones below, not to a fault', () => {
    const { answer, tried } = climbed(fast, ({ dataRate }) =>
      dataRate <= 3600 ? 'passed' : 'no-start',
    )
    expect(tried.slice(0, 2).map(({ settings }) => settings.dataRate)).toEqual([4000, 3600])
    expect(answer.end).toBe('DONE')
    expect(answer.holds?.dataRate).toBe(3600)
    const none = climbed(fast, () => 'errors')
    expect(none.tried).toHaveLength(2)
    expect(none.answer.end).toBe('RATED_FAILS')
  })

  const climb = (tried: Tried[], onFound = 1.01) =>
    ladder({
      generation: 'DDR4',
      picture: pictureOf(rated),
      tried,
      gainOf: (from, to) => to.dataRate / from.dataRate + (from.timings.cl - to.timings.cl) / 100,
      gainOnFound: () => onFound,
      least: { short: 5, long: 240 },
    })
  const point = (dataRate: number): TuneSettings => {
    const { timings } = pictureOf(rated).find((one) => one.dataRate === dataRate) as TuneSettings
    return { dataRate, timings }
  }
  const short = (settings: TuneSettings, changes: Partial<Tried> = {}): Tried => ({
    settings,
    test: 'short',
    outcome: 'passed',
    minutes: 15,
    ...changes,
  })

  test('a test cut short is not made: the rung stands, and nothing holds', () => {
    const cut = climb([short(point(3600), { minutes: 0 })])
    expect(cut.next?.stage).toBe('rated')
    expect(cut.next?.back).toBeNull()
    expect(cut.holds).toBeNull()
    const broken = short(point(3600), { minutes: 1, outcome: 'errors' })
    expect(climb([broken]).end).toBe('RATED_FAILS')
  })

  test('rungs pass; what holds came through the soak test, and is kept only where it is better', () => {
    const { tried } = climbed(rated, () => 'passed')
    expect(climb([short(point(3600))]).holds).toBeNull()
    expect(tried.at(-1)?.test).toBe('long')
    expect(climbed(rated, () => 'passed', 1.01, 1).answer.end).toBe('NOT_BETTER')
  })

  test('settings of one’s own go into the soak test where they passed and are better', () => {
    const own = { dataRate: 3600, timings: { cl: 10, trcd: 19, trp: 19, tras: 39 } }
    const { tried } = climbed(rated, ({ timings }) => (timings.cl >= 16 ? 'passed' : 'errors'))
    const shorts = tried.filter(({ test: kind }) => kind === 'short')
    const answer = climb([...shorts, short(own, { reason: 'held on a twin of it' })])
    if (answer.next?.stage !== 'final') throw new Error('no final test')
    expect(answer.next.settings).toEqual(own)
  })

  test('a rated speed above the ceiling comes down to it first', () => {
    const { tried } = climbed(fast, () => 'passed')
    expect(tried.slice(0, 2).map(({ settings }) => settings.dataRate)).toEqual([4000, 3600])
  })

  test('one change each, back to what held, and a long test at the end', () => {
    // Holds down to CL 14, and no lower tRCD and tRP than 18.
    const { answer, tried } = climbed(rated, ({ timings }) =>
      timings.cl >= 14 && timings.trcd >= 18 ? 'passed' : 'no-start',
    )
    expect(answer.end).toBe('DONE')
    expect(answer.holds?.timings).toMatchObject({ cl: 14, trcd: 18, trp: 18 })
    expect(tried.at(-1)?.test).toBe('long')
    expect(tried.filter(({ test: kind }) => kind === 'long')).toHaveLength(1)
    const passed = tried
      .filter(({ outcome }) => outcome === 'passed')
      .map(({ settings }) => settings)
    passed.slice(1).forEach((settings, at) => {
      const before = passed[at] as TuneSettings
      const changed = [
        settings.dataRate !== before.dataRate,
        settings.timings.cl !== before.timings.cl,
        settings.timings.trcd !== before.timings.trcd,
        settings.timings.tras !== before.timings.tras,
      ].filter(Boolean)
      expect(changed.length).toBeLessThanOrEqual(1)
    })
  })

  test('what passes short and fails long goes back by one', () => {
    const { answer } = climbed(rated, ({ timings }, kind) =>
      timings.cl < 14 ? 'errors' : kind === 'long' && timings.cl < 15 ? 'errors' : 'passed',
    )
    expect(answer.end).toBe('DONE')
    expect(answer.holds?.timings.cl).toBe(15)
  })

  test('what would not show in the customer’s work is left out', () => {
    const { answer, tried } = climbed(rated, () => 'passed', 1.001)
    expect(answer.notWorth).toEqual(['cl', 'trcd-trp', 'tras'])
    // The rated values, short and long.
    expect(tried.map(({ test: kind }) => kind)).toEqual(['short', 'long'])
  })

  test('every rung is one the machine can be set to', () => {
    const { tried } = climbed(fast, () => 'passed')
    for (const { settings } of tried) {
      const { run } = evaluate({
        machine: board,
        placement: fast,
        settings: { profile: true, manual: settings },
      })
      expect(run).toMatchObject({ dataRate: settings.dataRate, ...settings.timings })
    }
  })

  test('without a profile the standard speed is the rated one', () => {
    const plain = pair(stick())
    expect(speedPicture(board, plain, false).find((point) => point.rated)?.dataRate).toBe(3200)
  })
})

test('modules whose standard speed is their fastest need no profile', () => {
  expect(fastAtOnce(board, pair(stick()))).toBe(true)
  expect(fastAtOnce(board, rated)).toBe(false)
  // A profile slower than the standard speed gains nothing.
  expect(fastAtOnce(board, pair(profiled(2933)))).toBe(true)
  expect(fastAtOnce(board, { A2: stick(), B2: profiled(3600) })).toBe(false)
  expect(fastAtOnce(board, {})).toBe(false)
})
