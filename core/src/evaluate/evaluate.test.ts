import { describe, expect, test } from 'vitest'
import { desktop, profiled, slot, stick } from '../../test/builders'
import type { Machine, Placement } from '../model'
import { evaluate } from './evaluate'

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
