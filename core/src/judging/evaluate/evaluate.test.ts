import { describe, expect, test } from 'vitest'
import { desktop, profiled, slot, stick } from '../../../test/builders'
import {
  type Machine,
  type Module,
  type Placement,
  usualSpeed,
  usualTimes,
} from '../../things/model'
import { asFarAsSeen } from './asFarAsSeen'
import { evaluate } from './evaluate'
import { organisationOf } from './organisation'
import { moduleTimings } from './timings'

function findingsOf(machine: Machine, placement: Placement, profile = false): string[] {
  return evaluate({ machine, placement, settings: { profile } }).findings.map(({ code, slots }) =>
    [code, ...slots].join(' '),
  )
}

const limits = desktop().limits

describe('stops beyond the worked cases', () => {
  test('buffering, ECC and the mixture of bufferings', () => {
    const registered = stick({ buffering: 'registered' })
    expect(findingsOf(desktop(), { A2: registered, B2: stick() })).toEqual([
      'WRONG_BUFFERING A2',
      'BUFFERING_MIXED',
    ])
    expect(findingsOf(desktop({ ecc: 'refused' }), { A2: stick({ ecc: true }) })).toEqual([
      'ECC_REFUSED A2',
    ])
    expect(findingsOf(desktop({ ecc: 'required' }), { A2: stick() })).toEqual(['ECC_REQUIRED A2'])
  })

  test('die density: 8 GiB of one rank by 8 is 8 Gbit a die, by 16 it is 16', () => {
    const old = desktop({ limits: { ...limits, dieGbit: 8 } })
    expect(findingsOf(old, { A2: stick(), B2: stick() })).toEqual([])
    expect(findingsOf(old, { A2: stick({ deviceWidth: 16 }), B2: stick() })).toEqual([
      'DIE_DENSITY A2',
    ])
  })

  test('soldered memory counts towards the total but is not checked, and lifts the must-fill rule', () => {
    const bank = stick({ formFactor: 'soldered', generation: 'LPDDR4', voltages: [1.1] })
    const machine = desktop({
      slots: [slot('S1', 'B', { mustFill: true }), slot('S2', 'B')],
      soldered: [{ channel: 'A', module: bank }],
      limits: { ...limits, totalGiB: 12 },
    })
    expect(findingsOf(machine, { S2: stick({ capacityGiB: 4 }) })).not.toContain(
      'BOOT_SLOT_EMPTY S1',
    )
    expect(findingsOf(machine, { S2: stick() })).toEqual(['TOTAL_CAPACITY'])
    expect(evaluate({ machine, placement: {}, settings: { profile: false } }).mode).toBe('single')
  })
})

describe('risks and notes beyond the worked cases', () => {
  test('a slot named like a built-in property is just a slot', () => {
    const machine = desktop({ slots: [slot('constructor', 'A'), slot('toString', 'B')] })
    expect(findingsOf(machine, {})).toEqual(['NO_MEMORY'])
  })

  test('ECC that nothing uses', () => {
    const ecc = stick({ ecc: true })
    expect(findingsOf(desktop(), { A2: ecc, B2: ecc })).toEqual(['ECC_INACTIVE'])
    expect(findingsOf(desktop({ ecc: 'supported' }), { A2: ecc, B2: ecc })).toEqual([])
  })

  test('part of a kit, and a whole one', () => {
    const half = stick({ kit: { id: 'k', size: 2 } })
    expect(findingsOf(desktop(), { A2: half })).toEqual(['SINGLE_CHANNEL', 'KIT_SPLIT A2'])
    expect(findingsOf(desktop(), { A2: half, B2: half })).toEqual([])
  })

  test('slots sharing an order may be filled in either order', () => {
    const paired = desktop({
      slots: [
        slot('A1', 'A', { order: 2 }),
        slot('A2', 'A', { order: 1 }),
        slot('B1', 'B', { order: 2 }),
        slot('B2', 'B', { order: 1 }),
      ],
    })
    expect(findingsOf(paired, { B2: stick() })).toEqual(['SINGLE_CHANNEL'])
    expect(findingsOf(paired, { B1: stick() })).toEqual(['SINGLE_CHANNEL', 'SLOT_ORDER B1'])
  })

  test('an unknown order of one slot silences the rule, and is said', () => {
    const slots = desktop().slots.map((known) =>
      known.id === 'A1' ? { ...known, order: null } : known,
    )
    expect(findingsOf(desktop({ slots }), { B1: stick() })).toEqual([
      'SINGLE_CHANNEL',
      'SLOT_ORDER_OPEN',
    ])
  })

  test('the module that blocks a profile is named, and so is each that is held back', () => {
    const placement = { A2: profiled(3600), B2: stick() }
    expect(findingsOf(desktop(), placement, true)).toEqual(['PROFILE_BLOCKED B2'])
    const slow = stick({ speeds: stick().speeds.slice(1), article: 'q' })
    expect(findingsOf(desktop(), { A2: stick(), B2: slow })).toEqual([
      'MIXED_MODULES',
      'SPEED_UNUSED A2',
    ])
  })
})

describe('what it runs at', () => {
  test('firmware caps a profile at a standard step: 3600 asked, 3000 allowed, 2933 run', () => {
    const machine = desktop({ limits: { ...limits, firmwareDataRate: 3000 } })
    const { run } = evaluate({
      machine,
      placement: { A2: profiled(3600), B2: profiled(3600) },
      settings: { profile: true },
    })
    // CL 16 at 3600 is 8.889 ns; at 2933.33 a clock is 0.6818 ns: 13.037 + 0.974 = 14.01 → 14.
    expect(run).toMatchObject({ dataRate: 2933, limitedBy: 'firmware', profile: true, cl: 14 })
  })

  test('a cap below the lowest standard step is the rate itself', () => {
    const machine = desktop({ limits: { ...limits, firmwareDataRate: 1400 } })
    const { run } = evaluate({ machine, placement: { A2: stick() }, settings: { profile: false } })
    expect(run?.dataRate).toBe(1400)
  })

  test('a load below every rating row takes the lowest of all', () => {
    const rows = [{ modulesPerChannel: 2, ranks: 2, dataRate: 2400 }]
    const machine = desktop({ limits: { ...limits, dataRates: rows } })
    const { run } = evaluate({ machine, placement: { A2: stick() }, settings: { profile: false } })
    expect(run).toMatchObject({ dataRate: 2400, limitedBy: 'controller', controllerRating: 2400 })
  })

  test('five channels have a name too', () => {
    const channels = ['A', 'B', 'C', 'D', 'E']
    const machine = desktop({ channels, slots: channels.map((name) => slot(name, name)) })
    const placement = Object.fromEntries(channels.map((name) => [name, stick()]))
    expect(evaluate({ machine, placement, settings: { profile: false } }).mode).toBe('5-channel')
  })
})

describe('a module’s own times', () => {
  // DDR4-2666V: 13.75 ns, but its clocks of 0.75 ns are 19, which are 14.25 ns
  const speeds = [
    { kind: 'standard' as const, dataRate: 2666, cl: 19, trcd: 19, trp: 19, tras: 43 },
  ]
  const times = { taa: 13.75, trcd: 13.75, trp: 13.75, tras: 32, cls: [13, 14, 15, 16, 17, 18, 19] }
  const slow = desktop({ limits: { ...desktop().limits, firmwareDataRate: 2133 } })
  const clAt2133 = (module: Module) =>
    evaluate({ machine: slow, placement: { A2: module }, settings: { profile: false } }).run?.cl

  test('decide below the rated speed: at 2133, 13.75 ns are 14.67 clocks, 15; by clocks alone it would be 16', () => {
    expect(clAt2133(stick({ speeds }))).toBe(16)
    expect(clAt2133(stick({ speeds, times }))).toBe(15)
  })
  test('with a mask that leaves 15 out, the next that is allowed', () => {
    expect(clAt2133(stick({ speeds, times: { ...times, cls: [16, 19] } }))).toBe(16)
  })
})

test('findings that rest on empty slots wait until all slots were looked into', () => {
  const { findings } = evaluate({
    machine: desktop(),
    placement: { A2: stick() },
    settings: { profile: false },
  })
  expect(findings.map(({ code }) => code)).toContain('SINGLE_CHANNEL')
  expect(asFarAsSeen(findings, ['B2']).map(({ code }) => code)).not.toContain('SINGLE_CHANNEL')
  expect(asFarAsSeen(findings, [])).toEqual(findings)
})

describe('what a machine’s record says of its modules and system', () => {
  const dense = stick({ deviceWidth: 4 })
  const codesOf = (machine: Machine, module: Module) =>
    findingsOf(machine, { A2: module, B2: module })

  test('unbuffered with four bits a chip: a risk, a stop where the record says so, nothing where it takes them', () => {
    expect(codesOf(desktop(), dense)).toContain('X4_UNBUFFERED A2 B2')
    expect(codesOf(desktop({ refusesX4: true }), dense)).toEqual(['X4_REFUSED A2', 'X4_REFUSED B2'])
    expect(codesOf(desktop({ refusesX4: false }), dense)).toEqual([])
  })

  test('chips of sixteen bits are a note on DDR4 and DDR5', () => {
    const wide = stick({ deviceWidth: 16 })
    expect(codesOf(desktop(), wide)).toEqual(['HALF_BANK_GROUPS A2 B2'])
    const ddr3 = stick({ deviceWidth: 16, generation: 'DDR3' })
    expect(codesOf(desktop({ generation: 'DDR3' }), ddr3)).not.toContain('HALF_BANK_GROUPS A2 B2')
  })

  test('a 32-bit system uses 4 GB of 16, or what its edition is said to use', () => {
    const usable = (changes: Partial<Machine>) =>
      evaluate({
        machine: desktop(changes),
        placement: { A2: stick(), B2: stick() },
        settings: { profile: false },
      }).capacity.usableGiB
    expect(usable({})).toBe(16)
    expect(usable({ systemBits: 64 })).toBe(16)
    expect(usable({ systemBits: 32 })).toBe(4)
    expect(usable({ systemBits: 32, limits: { ...limits, osGiB: 8 } })).toBe(8)
    expect(codesOf(desktop({ systemBits: 32 }), stick())).toContain('OS_LIMIT')
  })

  test('a module taller than there is room for is a risk; one with a profile and no height is asked about', () => {
    const tall = stick({ heightMm: 44 })
    expect(codesOf(desktop({ clearanceMm: 40 }), tall)).toContain('TOO_TALL A2 B2')
    expect(codesOf(desktop({ clearanceMm: 46 }), tall)).toEqual([])
    expect(codesOf(desktop(), tall)).toEqual([])
    expect(codesOf(desktop({ clearanceMm: 40 }), profiled(3600))).toContain('HEIGHT_OPEN A2 B2')
    expect(codesOf(desktop({ clearanceMm: 40 }), stick())).toEqual([])
  })

  test('organisation: shares of channels with half the bank groups and with two ranks', () => {
    const one = stick({ deviceWidth: 16 })
    const two = stick({ ranks: 2 })
    expect(organisationOf(desktop(), { A2: one, B2: two })).toEqual({
      halfGroups: 0.5,
      twoRanks: 0.5,
    })
    expect(organisationOf(desktop(), { A1: stick(), A2: stick() })).toEqual({
      halfGroups: 0,
      twoRanks: 1,
    })
  })
})

test('four of one kit on two channels are a note; two of one kit are none', () => {
  const four = stick({ kit: { id: 'K', size: 4 } })
  expect(findingsOf(desktop(), { A1: four, A2: four, B1: four, B2: four })).toContain(
    'KIT_SHARES_CHANNELS A1 A2 B1 B2',
  )
  const pair = stick({ kit: { id: 'K', size: 2 } })
  expect(findingsOf(desktop(), { A2: pair, B2: pair })).toEqual([])
})

test('how unequal channels interleave: unknown is the careful rule, with the other beside it', () => {
  const of = (interleave: Machine['interleave'], placement: Placement) =>
    evaluate({ machine: desktop({ interleave }), placement, settings: { profile: false } })
  const uneven = { A2: stick({ capacityGiB: 16 }), B2: stick() }
  const { alternative, ...unknown } = of('unknown', uneven)
  expect(unknown).toEqual(of('matched', uneven))
  expect(alternative).toEqual(of('flex', uneven))
  expect(of('flex', uneven)).not.toHaveProperty('alternative')
  expect(of('unknown', {})).not.toHaveProperty('alternative')
})

describe('modules known by their label, at a slower speed', () => {
  // Worked by hand from the bins’ times: 13.75 ns × 1.2 GHz = 16.5, 13.75 × 1.0667 = 14.7, 13.75 × 1.3333 = 18.3.
  test.each([
    ['DDR4', 2666, 2400, 17],
    ['DDR4', 2400, 2133, 15],
    ['DDR4', 2933, 2666, 19],
    ['DDR5', 5600, 5200, 42],
  ] as const)('%s-%i at %i has CL %i', (generation, own, at, cl) => {
    const speeds = [usualSpeed(generation, own)]
    const times = usualTimes(generation, speeds)
    const module = stick({ generation, speeds, ...(times ? { times } : {}) })
    expect(moduleTimings(module, 'standard', at, generation).cl).toBe(cl)
  })
})

describe('widths of chips and counts of channels', () => {
  const wide = (deviceWidth: 4 | 8, changes: Partial<Module> = {}) =>
    stick({ deviceWidth, buffering: 'registered', ecc: true, ...changes })
  const eight = (): Machine => {
    const names = [...'ABCDEFGH']
    return desktop({
      kind: 'workstation',
      buffering: ['registered', 'unbuffered'],
      ecc: 'supported',
      channels: names,
      slots: names.map((name) => slot(name, name)),
    })
  }

  test('registered ×4 and ×8 together are a risk, named by the ×4', () => {
    expect(findingsOf(eight(), { A: wide(4), B: wide(8) })).toContain('WIDTHS_MIXED A')
    expect(findingsOf(eight(), { A: wide(4), B: wide(4) }).join()).not.toContain('WIDTHS')
  })

  test('an unbuffered ×4 module is a risk in an ordinary desktop, not in a workstation', () => {
    const plain = stick({ deviceWidth: 4 })
    expect(findingsOf(desktop(), { A2: plain, B2: plain })).toContain('X4_UNBUFFERED A2 B2')
    expect(findingsOf(eight(), { A: plain, B: plain }).join()).not.toContain('X4')
  })

  test('five of eight channels may not be allowed, four are', () => {
    const filled = (count: number) =>
      Object.fromEntries([...'ABCDEFGH'].slice(0, count).map((name) => [name, wide(8)]))
    expect(findingsOf(eight(), filled(5))).toContain('CHANNEL_COUNT_ODD')
    expect(findingsOf(eight(), filled(4))).not.toContain('CHANNEL_COUNT_ODD')
    // Which slots come first nobody has said, though each channel has one only.
    expect(findingsOf(eight(), filled(4))).toContain('SLOT_ORDER_OPEN')
    expect(findingsOf(eight(), filled(8))).not.toContain('SLOT_ORDER_OPEN')
  })
})
