import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { STARTING_MACHINES } from '../../things/machines'
import { BATTERIES, IN_THE_WAY, type Machine, TEST_SOURCES } from '../../things/model'
import { STARTING_TERMS } from '../../things/records'
import { soakPlan } from '../soak'
import {
  clearSetupSteps,
  type FitCode,
  type FittingStep,
  fittingSteps,
  type Openness,
  trialSteps,
  waitsFor,
} from '.'

/**
 * The danger of each step: hands on parts (none of it with power anywhere), something of the case off or on (not
 * plugged in), a start (seats looked at, no strap), work on a running machine, the customer's system (only memory that
 * passed). A new code has to be put somewhere here.
 */
const DANGER: Record<FitCode, 'none' | 'parts' | 'case' | 'start' | 'running' | 'system'> = {
  CAUTION_MAKER: 'none',
  CAUTION_BACKUP: 'none',
  CAUTION_KEY: 'none',
  CAUTION_SWOLLEN: 'none',
  CAUTION_BATTERY: 'none',
  CAUTION_MAINS: 'none',
  CAUTION_STANDBY: 'none',
  CAUTION_COOLER: 'none',
  CAUTION_SURFACE: 'none',
  CAUTION_CARD: 'none',
  CAUTION_HATCH: 'none',
  CAUTION_NONVOLATILE: 'none',
  CAUTION_DISPLAY: 'none',
  CAUTION_SCREWED: 'none',
  CAUTION_MODEL: 'none',
  BACKUP: 'none',
  KEY_AT_HAND: 'none',
  ERRORS_BEFORE: 'system',
  ENCRYPTION_SUSPENDED: 'system',
  SETUP_NOTED: 'running',
  FIRMWARE_UPDATE: 'running',
  PROFILE_OFF: 'running',
  ERASE_NONVOLATILE: 'none',
  CHARGE_LOW: 'running',
  SHUT_DOWN: 'running',
  FORCE_OFF: 'running',
  UNPLUG: 'none',
  PACK_OUT: 'case',
  DISABLE_BATTERY: 'none',
  CUT_BATTERY: 'none',
  LAY_DOWN: 'case',
  STRAP_ON: 'none',
  TOUCH_METAL: 'none',
  SIDE_OFF: 'case',
  TOP_OFF: 'case',
  SHROUD_OUT: 'parts',
  CAGE_OUT: 'parts',
  SCREWS_OUT: 'case',
  COVER_OFF: 'case',
  HATCH_OFF: 'case',
  DISPLAY_LOOSE: 'case',
  DISPLAY_OFF: 'case',
  PART_OFF: 'parts',
  BATTERY_OFF: 'case',
  COOLER_OFF: 'parts',
  CARD_OUT: 'parts',
  DRAIN: 'none',
  DRIVE_OUT: 'parts',
  TAKE_OUT: 'parts',
  LATCHES_OPEN: 'parts',
  PUT_IN: 'parts',
  RESEAT: 'parts',
  CLEAN_CONTACTS: 'parts',
  CONNECTORS: 'parts',
  SEATED: 'case',
  CLEAR_SETUP: 'parts',
  DRIVE_IN: 'parts',
  CARD_IN: 'parts',
  COOLER_ON: 'parts',
  BATTERY_ON: 'case',
  PART_ON: 'parts',
  DISPLAY_SET: 'case',
  DISPLAY_ON: 'case',
  HATCH_ON: 'case',
  COVER_ON: 'case',
  SCREWS_IN: 'case',
  CAGE_IN: 'parts',
  SHROUD_IN: 'parts',
  TOP_ON: 'case',
  SIDE_ON: 'case',
  PACK_IN: 'case',
  STRAP_OFF: 'none',
  STAND_UP: 'case',
  PLUG_IN: 'none',
  START: 'start',
  START_WARM: 'start',
  FIRST_START: 'start',
  COOLER_SEEN: 'running',
  SEEN: 'running',
  ERROR_CORRECTION_NOTED: 'running',
  SYSTEM_RISK: 'none',
  SHORT_TEST: 'running',
  TEST_PASS: 'running',
  PROFILE_ON: 'running',
  SET_BY_HAND: 'running',
  GRAPHICS_SET: 'running',
  SETUP_RESTORED: 'running',
  SYSTEM: 'running',
  SEEN_SYSTEM: 'system',
  ERRORS_AFTER: 'system',
  FILES_FIT: 'system',
  ENCRYPTION_RESUMED: 'system',
  STABILITY: 'running',
}
/** After these no test has seen the memory as it is. */
const CHANGES: readonly FitCode[] = [
  'TAKE_OUT',
  'PUT_IN',
  'RESEAT',
  'CLEAN_CONTACTS',
  'PROFILE_ON',
  'PROFILE_OFF',
  'SET_BY_HAND',
  'GRAPHICS_SET',
  'CLEAR_SETUP',
]

interface Came {
  laptop: boolean
  /** It lies opened from a trial before. */
  opened?: boolean
  /** It came up at its last start. */
  starts?: boolean
  /** Its memory is the customer's own and ran so far. */
  trusted?: boolean
}

/** Plays steps on a machine that runs, plugged in, and complains of what would hurt. */
function dangers(
  steps: readonly FittingStep[],
  { laptop, opened: startsOpen = false, starts = true, trusted = false }: Came,
): string[] {
  const found: string[] = []
  let running = true
  let plugged = true
  let battery = laptop
  let charged = true
  let strapped = false
  let bare = false
  let loose = false
  let cautions = true
  let up = starts
  let tested = trusted
  let agreed = false
  let cleared = false
  let driveOut = false
  let cooler = true
  let lying = false
  for (const { code, caution } of steps) {
    if (caution && !cautions) found.push(`${code} comes after the work began`)
    cautions &&= caution
    const danger = DANGER[code]
    if (danger === 'parts') {
      if (running || plugged || battery) found.push(`${code} with power`)
      if (charged) found.push(`${code} with charge left`)
      if (!strapped && !bare) found.push(`${code} with static`)
    }
    if (danger === 'case' && (running || plugged)) {
      found.push(`${code} on a machine that is plugged in`)
    }
    if (danger === 'running' && !running) found.push(`${code} on a machine that is off`)
    if (code === 'SHUT_DOWN' || code === 'DISABLE_BATTERY') {
      if (!up) found.push(`${code} on a machine that shows nothing`)
    }
    if (code === 'SHUT_DOWN' || code === 'FORCE_OFF') running = false
    if (CHANGES.includes(code)) tested = false
    if (code === 'CLEAR_SETUP' || code === 'FIRMWARE_UPDATE') cleared = true
    if (code === 'SETUP_RESTORED') cleared = false
    if (code === 'DRIVE_OUT') driveOut = true
    if (code === 'DRIVE_IN') driveOut = false
    if (code === 'COOLER_OFF') cooler = false
    if (code === 'COOLER_ON') cooler = true
    if (code === 'LAY_DOWN') lying = true
    if (code === 'STAND_UP') lying = false
    if (code === 'SYSTEM_RISK') agreed = true
    if (code === 'SHORT_TEST' || code === 'TEST_PASS') tested = true
    if (code === 'SYSTEM' || danger === 'system') {
      if (!tested && !agreed) found.push(`${code} on memory that no test has passed`)
      if (cleared) found.push(`${code} with a cleared setup`)
      if (driveOut) found.push(`${code} without its drive`)
      if (!running) found.push(`${code} on a machine that is off`)
    }
    if (code === 'UNPLUG') {
      if (running) found.push('unplugged while it runs')
      plugged = false
    }
    if (['PACK_OUT', 'DISABLE_BATTERY', 'CUT_BATTERY', 'BATTERY_OFF'].includes(code))
      battery = false
    if (['PACK_IN', 'BATTERY_ON'].includes(code)) {
      battery = true
      charged = true
    }
    if (code === 'DRAIN' && !plugged && !battery) charged = false
    if (code === 'STRAP_ON') strapped = true
    if (code === 'STRAP_OFF') strapped = false
    if (code === 'TOUCH_METAL') bare = true
    if (['PUT_IN', 'RESEAT', 'CLEAN_CONTACTS'].includes(code)) loose = true
    if (code === 'SEATED') loose = false
    if (code === 'PLUG_IN') {
      if (strapped) found.push('plugged in with a strap on')
      if (lying) found.push('plugged in on its display')
      plugged = true
      charged = true
      bare = false
    }
    if (danger === 'start') {
      if (!cooler) found.push('started without its cooler')
      up = true
      if (loose) found.push('started on seats nobody looked at')
      if (strapped) found.push('started with a strap on')
      if (running) found.push('started while it runs')
      running = true
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
  inTheWay: fc.subarray([...IN_THE_WAY]),
  testFrom: fc.constantFrom(...TEST_SOURCES),
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
        graphicsGiB: fc.constantFrom(null, 2),
        nonVolatile: fc.constantFrom([], ['one']),
        grows: fc.boolean(),
        starts: fc.boolean(),
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
          trained: { generation: 'DDR4', sizes: [16] },
          soak: soakPlan({ gib: 16, raised: false, limitHours: 8, shortened: null }),
          cautions: [],
          openingMinutes: null,
          table: STARTING_TERMS.labour,
          ...open,
          ...rest,
        })
        const came = { laptop: hasBattery(machine, open), starts: rest.starts }
        expect(dangers(steps, { ...came, trusted: rest.starts })).toEqual([])
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
        starts: fc.boolean(),
      }),
    )
    fc.assert(
      fc.property(cases, ({ machine, open, from, fromProfile, opened, starts, ...trial }) => {
        const about = { opened, starts, sizes: {}, registered: false, cautions: ['Edge'] }
        const given = { machine, from, fromProfile, trial, ...about }
        const steps = trialSteps({ ...given, ...open })
        const came = { laptop: hasBattery(machine, open), opened, starts }
        expect(dangers(steps, came)).toEqual([])
        const moves = steps.some(({ code }) => DANGER[code] === 'parts')
        if (moves) expect(steps[0]?.code).toBe('CAUTION_MAKER')
      }),
    )
  })

  test('when the setup is cleared', () => {
    fc.assert(
      fc.property(fc.constantFrom(...machines), openness, fc.boolean(), (machine, open, opened) => {
        const about = {
          machine,
          opened,
          cautions: [],
          sizes: {},
          registered: false,
          arrangement: {},
        }
        const steps = clearSetupSteps({ ...about, ...open })
        expect(steps.map(({ code }) => code)).toContain('CLEAR_SETUP')
        const came = { laptop: hasBattery(machine, open), opened, starts: false }
        expect(dangers(steps, came)).toEqual([])
      }),
    )
  })
})

test('the check itself sees danger where there is some', () => {
  const step = (code: FitCode) => ({ code, caution: false }) as FittingStep
  const seen = (codes: FitCode[], came: Came) => dangers(codes.map(step), came)
  expect(seen(['TAKE_OUT'], { laptop: true })).toContain('TAKE_OUT with power')
  expect(seen(['SHUT_DOWN', 'UNPLUG', 'TAKE_OUT'], { laptop: false })).toEqual(
    expect.arrayContaining(['TAKE_OUT with charge left', 'TAKE_OUT with static']),
  )
  expect(seen(['SHUT_DOWN'], { laptop: false, starts: false })).toContain(
    'SHUT_DOWN on a machine that shows nothing',
  )
  const trusted = { laptop: false, trusted: true }
  expect(seen(['SYSTEM'], trusted)).toEqual([])
  expect(seen(['PROFILE_ON', 'SYSTEM'], trusted)).toContain(
    'SYSTEM on memory that no test has passed',
  )
  expect(seen(['PROFILE_ON', 'SHORT_TEST', 'SYSTEM'], trusted)).toEqual([])
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
    starts: true,
    registered: false,
    inTheWay: [],
    testFrom: 'medium',
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
