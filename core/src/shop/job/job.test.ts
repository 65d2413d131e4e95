import { describe, expect, test } from 'vitest'
import { desktop, profiled, stick } from '../../../test/builders'
import { STARTING_CAUSES, suspects } from '../../bench/diagnose'
import { fittingSteps } from '../../bench/fitting'
import type { Module } from '../../things/model'
import {
  type Assignment,
  NOTHING_SIZED,
  piecesById,
  STARTING_TERMS,
  UNFITTED,
  UNVERIFIED,
} from '../../things/records'
import {
  areMovesDone,
  arrangementOf,
  assignmentOf,
  benchSteps,
  differencesFound,
  faultSearch,
  firmwareReasons,
  fittingInput,
  machineInUse,
  openedBy,
  opennessOf,
  profileVolts,
  situationOf,
  standingOf,
  startOfRound,
  testableGiB,
  trialsMade,
} from '.'

const machine = desktop()
const own = (id: string, module: Module) => ({
  id,
  source: 'customer' as const,
  module,
  price: null,
})
const pieces = piecesById([
  own('one', stick()),
  own('two', stick()),
  own('big', stick({ capacityGiB: 24 })),
  own('fast', profiled(3600)),
])
const at = (slots: Record<string, string>): Assignment =>
  Object.fromEntries(Object.entries(slots).map(([slot, moduleId]) => [slot, { moduleId, unit: 0 }]))
const plain = { profile: false }
const now = situationOf(machine, at({ A2: 'one' }), pieces, plain)
const planned = situationOf(machine, at({ A2: 'one', B2: 'two' }), pieces, plain)

describe('a state of the slots', () => {
  test('leaves out slots and pieces that are gone, and is evaluated', () => {
    const odd = at({ A2: 'one', B2: 'gone', Z9: 'two' })
    const { assignment, evaluation } = situationOf(machine, odd, pieces, plain)
    expect(Object.keys(assignment)).toEqual(['A2'])
    expect(evaluation.capacity.installedGiB).toBe(8)
  })
})

describe('what the steps at the bench are made from', () => {
  const input = (changes: Partial<typeof UNFITTED> = {}) => {
    const file = {
      fits: [{ ...UNFITTED, ...changes } as never],
      verifications: [],
      sizing: NOTHING_SIZED,
    }
    return fittingInput({ file, machine, now }, planned, undefined, STARTING_TERMS)
  }

  test('found, planned and expected follow from the job; 16 GB at 3200 in both channels', () => {
    expect(input()).toMatchObject({
      found: now.assignment,
      planned: planned.assignment,
      expected: { gib: 16, dataRate: 3200 },
      profile: false,
      setByHand: null,
      firmwareFirst: false,
      trained: { generation: 'DDR4', sizes: [8, 8], registered: false, channels: 2 },
      grows: true,
      starts: true,
      testFrom: 'medium',
    })
    expect(
      fittingSteps(input()).some(({ code, slots }) => code === 'PUT_IN' && slots.includes('B2')),
    ).toBe(true)
  })

  test('what somebody saw at this fitting goes before what the model’s record says', () => {
    const model = { hatch: true, battery: 'pack', covers: [] } as never
    expect(opennessOf({ ...UNFITTED, static: 'strap' }, model, STARTING_TERMS)).toMatchObject({
      hatch: true,
      battery: 'pack',
    })
    expect(
      opennessOf(
        { ...UNFITTED, hatch: false, battery: 'plug', static: 'touch', testFrom: 'setup' },
        model,
        STARTING_TERMS,
      ),
    ).toMatchObject({
      hatch: false,
      battery: 'plug',
      static: 'touch',
      testFrom: 'setup',
    })
  })

  test('the firmware comes first for a size that is new to the machine, not for one that was in it', () => {
    const with24 = situationOf(machine, at({ A2: 'big' }), pieces, plain)
    expect(firmwareReasons({ machine, now }, with24)).toEqual(['SIZE'])
    expect(firmwareReasons({ machine, now: with24 }, with24)).toEqual([])
  })

  test('the volts of a profile are known only where it says them', () => {
    expect(profileVolts(planned)).toBeNull()
    const fast = profiled(3600)
    const told = {
      ...fast,
      speeds: fast.speeds.map((speed) =>
        speed.kind === 'profile' ? { ...speed, voltage: 1.35 } : speed,
      ),
    }
    expect(profileVolts({ ...planned, placement: { A2: told, B2: fast } })).toBe(1.35)
  })
})

describe('what the proof is made from', () => {
  const job = (seen: Partial<typeof UNVERIFIED.seen>) => ({
    file: {
      measurements: [],
      verifications: [{ ...UNVERIFIED, seen: { ...UNVERIFIED.seen, ...seen } } as never],
    },
    machine,
    now,
    planned,
    ceilings: {},
    errorsFound: null,
  })
  const missing = [{ code: 'SLOT_EMPTY' as const, slots: ['B2'], next: [] } as never]

  test('nothing looked at: no standing; 8 of 16 GB seen is a difference', () => {
    expect(
      standingOf({ ...job({}), file: { measurements: [], verifications: [] } }, STARTING_TERMS),
    ).toBeNull()
    expect(differencesFound(job({ totalGiB: 16 }))).toEqual([])
    expect(differencesFound(job({ totalGiB: 8 })).length).toBeGreaterThan(0)
  })

  test('arrangements name pieces of a purchase apart, and lead back', () => {
    const kit: Assignment = { A2: { moduleId: 'kit', unit: 0 }, B2: { moduleId: 'kit', unit: 1 } }
    expect(arrangementOf(kit)).toEqual({ A2: 'kit 0', B2: 'kit 1' })
    expect(assignmentOf(arrangementOf(kit))).toEqual(kit)
  })

  test('a module not seen counts as the first trial, until there is one', () => {
    const made = trialsMade({ trials: [] }, missing, planned)
    expect(made).toMatchObject([{ depth: 'start', outcome: { kind: 'MISSING', slots: ['B2'] } }])
    expect(trialsMade({ trials: [] }, [], planned)).toEqual([])
    const own = [...made]
    expect(trialsMade({ trials: own as never }, missing, planned)).toEqual(own)
  })

  test('suspicion falls on the slot, its module and its seat; nothing placed, nothing suspected', () => {
    const made = trialsMade({ trials: [] }, missing, planned)
    const search = faultSearch(machine, planned, made, STARTING_CAUSES)
    const named = search ? suspects(search.suspicion) : []
    const chanceOf = (part: string) =>
      named.find(({ parts }) => parts.length === 1 && parts[0] === part)?.chance ?? 0
    expect(named[0]?.parts).toEqual(['seat B2'])
    for (const [here, there] of [
      ['seat B2', 'seat A2'],
      ['slot B2', 'slot A2'],
      ['module two 0', 'module one 0'],
    ] as const) {
      expect(chanceOf(here)).toBeGreaterThan(10 * chanceOf(there))
    }
    const empty = situationOf(machine, {}, pieces, plain)
    expect(faultSearch(machine, empty, [], STARTING_CAUSES)).toBeNull()
  })

  test('a trial that reseats, or moves a module, had the machine open', () => {
    const [made] = trialsMade({ trials: [] }, missing, planned)
    if (!made) throw new Error('no trial')
    expect(openedBy([made], planned.assignment)).toBe(false)
    expect(openedBy([{ ...made, reseat: true }], planned.assignment)).toBe(true)
    expect(openedBy([{ ...made, arrangement: { A2: 'one 0' } }], planned.assignment)).toBe(true)
  })
})

test('a test counts that reached all but the graphics memory', () => {
  expect(testableGiB(planned, undefined)).toBe(16)
  expect(testableGiB(planned, { graphicsGiB: 4 })).toBe(12)
  expect(testableGiB(planned, { graphicsGiB: null })).toBe(16)
})

describe('the machine as it is judged', () => {
  const low = desktop({ voltages: [1.35] })
  const found = at({ A2: 'one' })
  const voltsOf = (source?: 'start' | 'manual') =>
    machineInUse(
      {
        machine: low,
        sources: source ? { voltages: { source, note: '', by: '', at: null } } : {},
      },
      found,
      pieces,
    ).voltages

  test('runs on the voltage of its own module while nobody has made sure of it', () => {
    expect(voltsOf()).toEqual([1.35, 1.2])
    expect(voltsOf('start')).toEqual([1.35, 1.2])
    expect(voltsOf('manual')).toEqual([1.35])
  })
  test('its own module is then no stop', () => {
    const judged = machineInUse({ machine: low, sources: {} }, found, pieces)
    expect(situationOf(low, found, pieces, plain).evaluation.starts).toBe(false)
    expect(situationOf(judged, found, pieces, plain).evaluation.starts).toBe(true)
  })
})

describe('a bad module replaced at the bench', () => {
  const bad = (round: number) => ({
    id: '',
    round,
    slot: 'B2',
    moduleId: 'two',
    unit: 0,
    serial: '',
    why: '',
    at: '',
    by: '',
  })
  const instead = situationOf(machine, at({ A2: 'one', B2: 'big' }), pieces, plain)
  const stored = { id: '', version: 1, createdAt: '', updatedAt: '', jobId: '' }
  const file = (of: Partial<typeof UNFITTED>) => ({
    fits: [{ ...UNFITTED, ...stored, ...of }],
    verifications: [],
    sizing: NOTHING_SIZED,
  })
  const steps = (of: Partial<typeof UNFITTED>) =>
    benchSteps({ file: file(of), machine, now }, instead, undefined, STARTING_TERMS)
  const moves = (of: Partial<typeof UNFITTED>) =>
    steps(of).flatMap(({ code, slots }) =>
      code === 'TAKE_OUT' || code === 'PUT_IN' ? [`${code} ${slots[0]}`] : [],
    )

  test('a round of its own takes only that module out; within the first the plan’s steps stay', () => {
    expect(moves({ replaced: [bad(1)] })).toEqual(['TAKE_OUT B2', 'PUT_IN B2'])
    expect(moves({ replaced: [bad(0)] })).toEqual(['PUT_IN B2'])
    expect(startOfRound(now.assignment, instead.assignment, { replaced: [bad(1)] })).toEqual(
      at({ A2: 'one', B2: 'two' }),
    )
  })

  test('all modules are where the plan has them once each of its moves is ticked, or the fitting is finished', () => {
    const done = (of: Partial<typeof UNFITTED>) =>
      areMovesDone({ file: file(of), machine, now }, instead, undefined, STARTING_TERMS)
    expect(done({})).toBe(false)
    const tick = { state: 'done' as const, at: '', by: '', reason: '' }
    const ticks = Object.fromEntries(
      steps({})
        .filter(({ code }) => code === 'PUT_IN')
        .map(({ id }) => [id, tick]),
    )
    expect(done({ ticks })).toBe(true)
    expect(done({ ticks, replaced: [bad(1)] })).toBe(false)
    expect(done({ finishedAt: '2030-02-10T09:00:00.000Z' })).toBe(true)
  })
})
