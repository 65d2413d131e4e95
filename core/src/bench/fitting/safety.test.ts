import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { STARTING_MACHINES } from '../../things/machines'
import { BATTERIES, type Machine } from '../../things/model'
import { STARTING_TERMS } from '../../things/records'
import {
  clearSetupSteps,
  type FitCode,
  type FittingStep,
  fittingSteps,
  type Openness,
  trialSteps,
  waitsFor,
} from '.'

/** Hands on parts: none of it on a machine with power anywhere in it. */
const TOUCHING: readonly FitCode[] = [
  'TAKE_OUT',
  'LATCHES_OPEN',
  'PUT_IN',
  'RESEAT',
  'CLEAN_CONTACTS',
  'CONNECTORS',
  'CLEAR_SETUP',
  'PART_OFF',
  'PART_ON',
  'SHROUD_OUT',
  'SHROUD_IN',
  'CAGE_OUT',
  'CAGE_IN',
]
const STARTS: readonly FitCode[] = ['START', 'FIRST_START']

/** Plays steps on a machine that runs, plugged in, and complains of what would hurt. */
function dangers(steps: readonly FittingStep[], laptop: boolean, startsOpen: boolean): string[] {
  const found: string[] = []
  let running = true
  let plugged = true
  let battery = laptop
  let charged = true
  let strapped = false
  let bare = false
  let loose = false
  let cautions = true
  for (const { code, caution } of steps) {
    if (caution && !cautions) found.push(`${code} comes after the work began`)
    cautions &&= caution
    if (TOUCHING.includes(code)) {
      if (running || plugged || battery) found.push(`${code} with power`)
      if (charged) found.push(`${code} with charge left`)
      if (!strapped && !bare) found.push(`${code} with static`)
    }
    if (
      /_OFF$|_OUT$|_LOOSE$/.test(code) &&
      !/PROFILE|STRAP|PACK/.test(code) &&
      (running || plugged)
    ) {
      found.push(`${code} on a machine that is plugged in`)
    }
    if (code === 'SHUT_DOWN') running = false
    if (code === 'UNPLUG') {
      if (running) found.push('unplugged while it runs')
      plugged = false
    }
    if (['PACK_OUT', 'DISABLE_BATTERY', 'BATTERY_OFF'].includes(code)) battery = false
    if (['PACK_IN', 'BATTERY_ON'].includes(code)) {
      battery = true
      charged = true
    }
    if (code === 'DRAIN' && !plugged && !battery) charged = false
    if (code === 'STRAP_ON') strapped = true
    if (code === 'STRAP_OFF') strapped = false
    if (code === 'TOUCH_METAL') bare = true
    if (code === 'PUT_IN' || code === 'RESEAT') loose = true
    if (code === 'SEATED') loose = false
    if (code === 'PLUG_IN') {
      if (strapped) found.push('plugged in with a strap on')
      plugged = true
      charged = true
      bare = false
    }
    if (STARTS.includes(code)) {
      if (loose) found.push('started on seats nobody looked at')
      if (strapped) found.push('started with a strap on')
      if (running) found.push('started while it runs')
      running = true
    }
    if (
      ['SEEN', 'SHORT_TEST', 'TEST_PASS', 'PROFILE_ON', 'PROFILE_OFF'].includes(code) &&
      !running
    ) {
      found.push(`${code} on a machine that is off`)
    }
  }
  if (!startsOpen && steps.length > 0 && !running) found.push('left off at the end')
  return found
}

const machines = STARTING_MACHINES.map(({ machine }) => machine).filter(
  ({ slots }) => slots.length > 0,
)
const openness = fc.record<Openness>({
  hatch: fc.constantFrom(true, false, null),
  battery: fc.constantFrom(...BATTERIES, null),
  static: fc.constantFrom('strap', 'touch'),
  covers: fc.constantFrom([], [{ cover: 'Shield', hides: 'the slots' }]),
})
const hasBattery = ({ kind }: Machine, { battery }: Openness) =>
  kind === 'laptop' && battery !== 'none'

const placements = (machine: Machine) =>
  fc.shuffledSubarray(machine.slots.map(({ id }) => id)).chain((slots) =>
    fc
      .shuffledSubarray(['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'], {
        minLength: slots.length,
        maxLength: slots.length,
      })
      .map((names) => Object.fromEntries(slots.map((slot, at) => [slot, names[at] as string]))),
  )

describe('no sequence touches a live part', () => {
  test('at the fitting, for every machine and plan', () => {
    const cases = fc.constantFrom(...machines).chain((machine) =>
      fc.record({
        machine: fc.constant(machine),
        open: openness,
        found: placements(machine),
        planned: placements(machine),
        profile: fc.boolean(),
        profileNow: fc.boolean(),
        firmwareFirst: fc.boolean(),
      }),
    )
    const units = (of: Record<string, string>) =>
      Object.fromEntries(
        Object.entries(of).map(([slot, moduleId]) => [slot, { moduleId, unit: 0 }]),
      )
    fc.assert(
      fc.property(cases, ({ machine, open, found, planned, ...rest }) => {
        const steps = fittingSteps({
          machine,
          found: units(found),
          planned: units(planned),
          expected: null,
          setByHand: rest.profileNow ? { dataRate: 6000 } : null,
          sizes: [16],
          cautions: [],
          openingMinutes: null,
          table: STARTING_TERMS.labour,
          ...open,
          ...rest,
        })
        expect(dangers(steps, hasBattery(machine, open), false)).toEqual([])
      }),
    )
  })

  test('in the fault finder, for every machine and trial, opened before or not', () => {
    const cases = fc.constantFrom(...machines).chain((machine) =>
      fc.record({
        machine: fc.constant(machine),
        open: openness,
        from: placements(machine),
        arrangement: placements(machine),
        reseat: fc.boolean(),
        action: fc.constantFrom(null, 'clear-setup', 'wait', 'clean', 'connect'),
        profile: fc.boolean(),
        fromProfile: fc.boolean(),
        depth: fc.constantFrom('start' as const, 'test' as const),
        opened: fc.boolean(),
      }),
    )
    fc.assert(
      fc.property(cases, ({ machine, open, from, fromProfile, opened, ...trial }) => {
        const given = { machine, from, fromProfile, trial, opened, sizes: {}, cautions: ['Edge'] }
        const steps = trialSteps({ ...given, ...open })
        expect(dangers(steps, hasBattery(machine, open), opened)).toEqual([])
        const moves = steps.some(({ code }) => TOUCHING.includes(code))
        if (moves) expect(steps[0]?.code).toBe('CAUTION_MAKER')
      }),
    )
  })

  test('when the setup is cleared', () => {
    fc.assert(
      fc.property(fc.constantFrom(...machines), openness, fc.boolean(), (machine, open, opened) => {
        const steps = clearSetupSteps({ machine, opened, cautions: [], ...open })
        expect(steps.map(({ code }) => code)).toContain('CLEAR_SETUP')
        expect(dangers(steps, hasBattery(machine, open), opened)).toEqual([])
      }),
    )
  })
})

test('the check itself sees danger where there is some', () => {
  const step = (code: FitCode) => ({ code, caution: false }) as FittingStep
  expect(dangers([step('TAKE_OUT')], true, false)).toContain('TAKE_OUT with power')
  expect(dangers([step('SHUT_DOWN'), step('UNPLUG'), step('TAKE_OUT')], false, false)).toEqual(
    expect.arrayContaining(['TAKE_OUT with charge left', 'TAKE_OUT with static']),
  )
})

test('a step waits for the cautions and the safety before it, a caution for none', () => {
  const machine = machines.find(({ kind }) => kind === 'desktop') as Machine
  const [first] = machine.slots
  const steps = trialSteps({
    machine,
    from: { [first?.id as string]: 'a' },
    fromProfile: false,
    trial: { arrangement: {}, reseat: false, profile: false, depth: 'start', action: null },
    opened: false,
    sizes: {},
    cautions: [],
    hatch: null,
    battery: null,
    static: 'touch',
    covers: [],
  })
  const out = steps.find(({ code }) => code === 'TAKE_OUT') as FittingStep
  const codes = (done: FitCode[]) =>
    waitsFor(steps, out, ({ code }) => done.includes(code)).map(({ code }) => code)
  expect(codes([])).toEqual(
    expect.arrayContaining(['CAUTION_MAINS', 'SHUT_DOWN', 'UNPLUG', 'DRAIN']),
  )
  const cautions = steps.flatMap(({ caution, code }) => (caution ? [code] : []))
  expect(codes([...cautions, 'SHUT_DOWN', 'UNPLUG', 'DRAIN'])).toEqual([])
  expect(waitsFor(steps, steps[0] as FittingStep, () => false)).toEqual([])
})
