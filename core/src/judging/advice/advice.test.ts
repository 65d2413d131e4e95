import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { fittingRequest } from '../../../test/arbitraries'
import { desktop, profiled, slot, stick, logSummary as summary } from '../../../test/builders'
import { STARTING_MACHINES } from '../../things/machines'
import type { Machine, Module } from '../../things/model'
import { evaluate } from '../evaluate'
import { isSteadier } from '../forecast'
import { type ChosenUse, type LogSummary, STARTING_USES } from '../sizing'
import { adviseSpending, moved, SizeShape, size } from '.'

const NOW = { low: 12, likely: 16, high: 20 }

describe('memory or something else', () => {
  const given = { installedGiB: 8, demand: null, log: null, disk: 'unknown', slow: [] } as const

  test('a peak of 3.1 of 8 on a spinning disk: the disk first, memory not', () => {
    const advice = adviseSpending({
      ...given,
      log: summary({ peakGiB: 3.1 }),
      disk: 'spinning',
      slow: ['starting'],
    })
    expect(advice).toEqual({
      first: 'disk',
      reasons: ['PEAK_FAR_BELOW', 'SPINNING_DISK'],
      memoryToo: false,
      layout: null,
    })
  })

  test('a demand that was cut off: memory, whatever the disk', () => {
    const advice = adviseSpending({
      ...given,
      log: summary({ peakGiB: 7.9, cutOff: true, tightShare: 0.4 }),
      disk: 'spinning',
      slow: ['starting'],
    })
    expect(advice).toMatchObject({ first: 'memory', memoryToo: true })
  })

  test('crashes are tested before anything is bought, unless memory was seen to run out', () => {
    const high = { low: 12, likely: 16, high: 20, now: NOW, basis: 'uses', atLeast: false } as const
    const crashing = { ...given, demand: high, slow: ['crashing'] as const }
    expect(adviseSpending(crashing)).toMatchObject({ first: 'test', memoryToo: true })
    expect(adviseSpending({ ...crashing, demand: null })).toMatchObject({
      first: 'test',
      memoryToo: false,
    })
    const log = summary({ peakGiB: 7.9, cutOff: true })
    expect(adviseSpending({ ...crashing, log }).first).toBe('memory')
  })

  test('slow after a while is no heat before memory was measured', () => {
    expect(adviseSpending({ ...given, slow: ['after-a-while'], demand: null }).first).toBe(
      'measure',
    )
    const some = {
      low: 4,
      likely: 5,
      high: 6,
      now: { low: 4, likely: 5, high: 6 },
      basis: 'uses',
      atLeast: false,
    } as const
    const unmeasured = adviseSpending({ ...given, slow: ['after-a-while'], demand: some })
    expect(unmeasured).toMatchObject({ first: 'measure', reasons: ['SLOWS_AFTER_A_WHILE'] })
  })

  test('slow only once it is warm, memory to spare: a cooler; long work: the processor', () => {
    const log = summary({ peakGiB: 4 })
    expect(adviseSpending({ ...given, log, slow: ['after-a-while'] }).first).toBe('cooling')
    expect(adviseSpending({ ...given, log, slow: ['long-work'] }).first).toBe(
      'processor-or-graphics',
    )
    expect(adviseSpending({ ...given, log, disk: 'solid-state' }).first).toBe('nothing')
  })

  test('without a measurement it asks for one, unless the uses alone say enough', () => {
    expect(adviseSpending(given)).toMatchObject({ first: 'measure', reasons: ['NOT_MEASURED'] })
    const high = { low: 12, likely: 16, high: 20, now: NOW, basis: 'uses', atLeast: false } as const
    expect(adviseSpending({ ...given, demand: high }).first).toBe('memory')
  })
})

const gib16 = stick({ capacityGiB: 16 })
const use = (id: string, level: ChosenUse['level'] = 'light', more: Partial<ChosenUse> = {}) => ({
  use: id,
  level,
  weight: 100,
  together: null,
  ...more,
})
const games = (bound: ChosenUse['bound'] = 'processor') => use('games', 'light', { bound })

const ask = (given: {
  machine?: Machine
  placement: Record<string, Module | null>
  uses?: ChosenUse[]
  [other: string]: unknown
}) => {
  const { machine = desktop(), placement } = given
  const installedGiB = Object.values(placement).reduce(
    (sum, one) => sum + (one?.capacityGiB ?? 0),
    0,
  )
  return size(SizeShape.parse({ installedGiB, machine, settings: { profile: false }, ...given }))
    .advice
}

describe('the layout in the advice', () => {
  const laptop = STARTING_MACHINES.find(({ id }) => id === 'laptop-2')?.machine as Machine
  const sodimm = stick({ capacityGiB: 16, formFactor: 'SODIMM' })

  test('a single stick with integrated graphics: a second one beside it', () => {
    const advice = ask({
      machine: laptop,
      placement: { A: sodimm, B: null },
      uses: [use('games')],
      integratedGraphics: true,
      slow: ['pictures'],
    })
    expect(advice).toMatchObject({ first: 'layout', reasons: ['SINGLE_CHANNEL'], memoryToo: true })
    expect(advice.layout).toMatchObject({
      free: null,
      asks: [],
      bought: { words: 'MUCH', takesOut: [], adds: [{ slot: 'B', capacityGiB: 16 }] },
    })
  })

  test('two sticks on one channel: one of them moves, for nothing', () => {
    const advice = ask({ placement: { A1: gib16, A2: gib16 }, uses: [games()] })
    expect(advice.first).toBe('layout')
    expect(advice.reasons).toEqual(expect.arrayContaining(['SINGLE_CHANNEL', 'SLOT_ORDER']))
    expect(advice.layout?.free).toMatchObject({
      moves: [{ from: 'A1', to: 'B2' }],
      settings: { profile: false },
      words: 'SOME',
    })
    // Bought modules would bring nothing beyond that.
    expect(advice.layout?.bought).toBeNull()
  })

  test('a third stick that lowers the speed comes out where the rest is enough', () => {
    const placement = { A1: gib16, A2: gib16, B2: gib16 }
    const rates = [5200, 3600].map((dataRate, at) => ({
      modulesPerChannel: at + 1,
      ranks: 1,
      dataRate,
    }))
    const five = (changes: Partial<Module> = {}): Module => ({
      ...stick({ capacityGiB: 16, generation: 'DDR5', voltages: [1.1], ...changes }),
      speeds: [{ kind: 'standard', dataRate: 5200, cl: 42, trcd: 42, trp: 42, tras: 84 }],
    })
    const machine = desktop({
      generation: 'DDR5',
      voltages: [1.1],
      syncCeiling: null,
      limits: { ...desktop().limits, dataRates: rates },
    })
    const filled = Object.fromEntries(Object.keys(placement).map((id) => [id, five()]))
    const advice = ask({ machine, placement: filled, uses: [games()] })
    expect(advice).toMatchObject({ first: 'layout' })
    expect(advice.reasons).toContain('SPEED_LOWERED')
    expect(advice.layout?.free?.moves).toEqual([{ from: 'A1', to: null }])
    // Where all of it is needed nothing comes out.
    const busy = [games(), use('machines', 'usual', { peakGiB: 40, weight: 1 })]
    expect(ask({ machine, placement: filled, uses: busy }).layout?.free).toBeNull()
  })

  test('a profile that is off, in processor-bound work; unknown is asked, never said', () => {
    const kit = profiled(3600, { capacityGiB: 16, kit: { id: 'k', size: 2 } })
    const slow = {
      ...kit,
      speeds: kit.speeds
        .map((one) => (one.kind === 'standard' ? { ...one, dataRate: 2133, cl: 15 } : one))
        .slice(1),
    }
    const placement = { A2: slow, B2: slow }
    const off = ask({ placement, uses: [games()] })
    expect(off).toMatchObject({ first: 'layout', reasons: ['PROFILE_OFF'] })
    expect(off.layout?.free).toMatchObject({ moves: [], settings: { profile: true } })
    const unknown = ask({ placement, uses: [games()], settings: null })
    expect(unknown.reasons).not.toContain('PROFILE_OFF')
    expect(unknown.layout).toMatchObject({ free: null, asks: ['PROFILE'] })
    expect(unknown.first).toBe('measure')
  })

  test('the right pair in the right slots: nothing to say', () => {
    const advice = ask({ placement: { A2: gib16, B2: gib16 }, uses: [games(null)] })
    expect(advice.reasons).toEqual(['NOT_MEASURED'])
    expect(advice.layout).toEqual({ free: null, bought: null, asks: [] })
  })

  test('office on one stick: one channel is a note', () => {
    const advice = ask({ placement: { A2: gib16 }, uses: [use('office')] })
    expect(advice.first).not.toBe('layout')
    expect(advice.reasons).toContain('SINGLE_CHANNEL')
    expect(ask({ placement: { A1: gib16, A2: gib16 }, uses: [use('office')] }).first).not.toBe(
      'layout',
    )
  })

  test('crashes are tested first; what runs out of memory gets memory; a slow disk is said beside', () => {
    const one = { placement: { A2: gib16 }, uses: [games()] }
    expect(ask({ ...one, slow: ['crashing'] }).first).toBe('test')
    const short = ask({
      placement: { A2: stick() },
      uses: [use('games', 'light', { peakGiB: 16, bound: 'processor' })],
    })
    expect(short).toMatchObject({ first: 'memory', memoryToo: true })
    expect(short.reasons).toEqual(
      expect.arrayContaining(['DEMAND_OVER_INSTALLED', 'SINGLE_CHANNEL']),
    )
    const disk = ask({ ...one, disk: 'spinning', slow: ['starting'] })
    expect(disk).toMatchObject({ first: 'layout' })
    expect(disk.reasons).toContain('SPINNING_DISK')
  })

  test('without a placement nothing is said of the layout', () => {
    const advice = size(
      SizeShape.parse({ installedGiB: 16, machine: desktop(), uses: [games()] }),
    ).advice
    expect(advice).toMatchObject({ first: 'measure', layout: null })
  })

  test('a slot nobody looked at, and what nobody knows of the use, is asked', () => {
    const unseen = ask({
      placement: { A2: gib16 },
      uses: [games()],
      unseen: ['B2'],
      slow: ['pictures'],
    })
    expect(unseen).toMatchObject({
      first: 'measure',
      reasons: [],
      layout: { asks: ['SLOTS'], bought: null },
    })
    const open = ask({ placement: { A2: gib16 }, uses: [games(null)] })
    expect(open).toMatchObject({ first: 'layout', layout: { asks: ['GRAPHICS', 'GAMES_BOUND'] } })
    const drawing = ask({ placement: { A2: gib16 }, uses: [use('drawing')] })
    expect(drawing).toMatchObject({ first: 'measure', layout: { asks: ['GRAPHICS'] } })
    expect(ask({ placement: { A2: gib16 }, uses: [] }).layout?.asks).toEqual(['USES'])
  })

  test('how unequal channels interleave: where nobody knows and it decides, it is asked', () => {
    const uneven = { A2: gib16, B2: stick() }
    const of = (interleave: Machine['interleave']) =>
      ask({
        machine: desktop({ interleave }),
        placement: uneven,
        uses: [use('games')],
        integratedGraphics: true,
      })
    expect(of('matched')).toMatchObject({ first: 'layout', layout: { asks: [] } })
    expect(of('flex').first).not.toBe('layout')
    expect(of('unknown')).toMatchObject({ first: 'measure', layout: { asks: ['INTERLEAVE'] } })
    expect(of('unknown').reasons).toContain('UNEVEN_CHANNELS')
  })

  test('soldered memory beside an empty slot: as much again in the slot', () => {
    const machine = STARTING_MACHINES.find(
      ({ machine: { soldered, slots } }) => soldered.length === 1 && slots.length === 1,
    )?.machine as Machine
    const advice = ask({
      machine,
      placement: { SLOT: null },
      installedGiB: 4,
      uses: [use('games', 'light', { peakGiB: 1 })],
      table: { ...STARTING_USES, systemGiB: 1, graphicsGiB: 0.5 },
      integratedGraphics: true,
    })
    expect(advice).toMatchObject({
      first: 'layout',
      layout: { bought: { adds: [{ slot: 'SLOT', capacityGiB: 4 }] } },
    })
  })

  test('a slot that must be filled stays filled', () => {
    const machine = desktop({
      slots: [
        slot('A1', 'A', { order: 1, mustFill: true }),
        slot('A2', 'A', { order: 3, position: 2 }),
        slot('B1', 'B', { order: 2 }),
      ],
    })
    const advice = ask({ machine, placement: { A1: gib16, A2: gib16 }, uses: [games()] })
    expect(advice.layout?.free?.moves).toEqual([{ from: 'A2', to: 'B1' }])
  })

  test('what is proposed starts, keeps the order, and is no slower; moves are of modules that are there', () => {
    fc.assert(
      fc.property(fittingRequest, ({ machine, placement }) => {
        const settings = { profile: false }
        const now = evaluate({ machine, placement, settings })
        fc.pre(now.starts)
        const { layout } = ask({
          machine,
          placement,
          installedGiB: now.capacity.installedGiB,
          uses: [use('compiling')],
        })
        const free = layout?.free
        if (!free) return
        expect(free.median).toBeGreaterThan(1)
        for (const { from, to } of free.moves) {
          expect(placement[from]).toBeTruthy()
          expect(to === null || machine.slots.some(({ id }) => id === to)).toBe(true)
        }
        const after = evaluate({
          machine,
          placement: moved(placement, free.moves),
          settings: free.settings,
        })
        expect(after.starts).toBe(true)
        expect(after.findings.map(({ code }) => code)).not.toContain('SLOT_ORDER')
      }),
      { numRuns: 60 },
    )
  })
})

describe('what a log says of the graphics card', () => {
  const card = (of: Partial<NonNullable<LogSummary['card']>>) => ({
    ...summary({ peakGiB: 8 }),
    card: { full: null, busy: null, waits: null, ...of },
    use: 'games',
  })
  const pair = { A2: gib16, B2: gib16 }
  const asked = { placement: pair, uses: [use('games')], slow: ['pictures'] }

  test('its own memory full: the money goes to the card', () => {
    const advice = ask({ ...asked, useLogs: [card({ full: 0.4 })] })
    expect(advice).toMatchObject({ first: 'processor-or-graphics', memoryToo: false })
    expect(advice.reasons).toContain('CARD_MEMORY_FULL')
  })

  test('graphics in the processor are no card: their memory is the main memory', () => {
    const one = { ...asked, placement: { A2: gib16 }, integratedGraphics: true }
    const advice = ask({ ...one, useLogs: [card({ full: 0.9, busy: 0.9 })] })
    expect(advice.first).toBe('layout')
    expect(advice.reasons).not.toContain('CARD_MEMORY_FULL')
  })

  test('the card waits: its processor limits the game, and the layout with it', () => {
    const one = { ...asked, placement: { A2: gib16 }, integratedGraphics: false }
    const waits = ask({ ...one, useLogs: [card({ waits: 0.9, busy: 0 })] })
    expect(waits).toMatchObject({
      first: 'layout',
      layout: { asks: [], bought: { words: 'SOME' } },
    })
    expect(waits.reasons).toContain('CARD_WAITS')
    const busy = ask({ ...one, useLogs: [card({ waits: 0, busy: 0.9 })] })
    expect(busy).toMatchObject({ first: 'processor-or-graphics', layout: { asks: [] } })
    expect(busy.reasons).toContain('CARD_BUSY')
  })
})

describe('what limits a game, in a customer’s words', () => {
  const answered = (game: object) =>
    ask({ placement: { A2: gib16 }, uses: [use('games', 'light', { game: game as never })] }).layout
  test('strategy, or many frames at 1080p: the processor; 4K and full settings: the card', () => {
    expect(answered({ kind: 'strategy' })).toMatchObject({ asks: [], bought: { words: 'SOME' } })
    expect(answered({ resolution: '1080p', frames: 144 })).toMatchObject({ asks: [] })
    const card = answered({ resolution: '2160p', settings: 'full' })
    expect(card).toMatchObject({ asks: [], bought: { words: 'NONE' } })
    expect(card?.bought && isSteadier(card.bought)).toBe(true)
  })
  test('answers that say both, or neither, leave it open', () => {
    const both = { kind: 'strategy', resolution: '2160p', settings: 'full' }
    expect(answered(both)?.asks).toContain('GAMES_BOUND')
    expect(answered({ resolution: '1080p', frames: 60 })?.asks).toContain('GAMES_BOUND')
    const boundToNothing = ask({
      placement: { A2: gib16 },
      uses: [use('games')],
      integratedGraphics: true,
    })
    expect(boundToNothing.layout?.asks).toEqual([])
  })
  test('a table of before that named processor-bound games says so still', () => {
    const table = {
      ...STARTING_USES,
      uses: [{ id: 'g', name: 'Strategy', light: 4, usual: 8, heavy: 16, work: 'games-processor' }],
    }
    const parsed = SizeShape.parse({ installedGiB: 16, table })
    expect(parsed.table.uses[0]).toMatchObject({ work: 'games', bound: 'processor' })
    expect(ask({ table, placement: { A2: gib16 }, uses: [use('g')] }).layout?.asks).toEqual([])
  })
})
