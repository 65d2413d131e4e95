import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import { BATTERIES, MACHINE_KINDS, type Machine } from '../../things/model'
import { type Assignment, piecesById, STARTING_TERMS } from '../../things/records'
import { soakPlan } from '../soak'
import {
  type FitCode,
  type FittingInput,
  type FittingStep,
  fittingSteps,
  largerFirst,
  slotsAfter,
  waitsFor,
} from '.'

const at = (moduleId: string, unit = 0) => ({ moduleId, unit })
const small: Assignment = { A2: at('old'), B2: at('old2') }
const large: Assignment = { A2: at('kit'), B2: at('kit', 1) }

function input(kind: Machine['kind'], changes: Partial<FittingInput> = {}): FittingInput {
  return {
    machine: desktop({ kind }),
    found: small,
    planned: large,
    expected: { gib: 32, dataRate: 3200 },
    profile: false,
    setByHand: null,
    profileNow: false,
    firmwareFirst: false,
    trained: { generation: 'DDR4', sizes: [16, 16] },
    soak: soakPlan({ gib: 16, raised: false, limitHours: 8, shortened: null }),
    graphicsGiB: null,
    nonVolatile: [],
    grows: true,
    starts: true,
    inTheWay: [],
    testFrom: 'medium',
    static: 'strap',
    hatch: kind === 'laptop' ? null : true,
    battery: null,
    covers: [],
    cautions: [],
    openingMinutes: null,
    table: STARTING_TERMS.labour,
    ...changes,
  }
}

const codesOf = (given: FittingInput): FitCode[] => fittingSteps(given).map(({ code }) => code)
const before = (codes: FitCode[], first: FitCode, then: FitCode) => {
  expect(codes).toContain(first)
  expect(codes).toContain(then)
  expect(codes.indexOf(first), `${first} before ${then}`).toBeLessThan(codes.indexOf(then))
}

/** What closing does to undo each step of opening. */
const INVERSE: Partial<Record<FitCode, FitCode>> = {
  SIDE_OFF: 'SIDE_ON',
  TOP_OFF: 'TOP_ON',
  SHROUD_OUT: 'SHROUD_IN',
  CAGE_OUT: 'CAGE_IN',
  SCREWS_OUT: 'SCREWS_IN',
  COVER_OFF: 'COVER_ON',
  HATCH_OFF: 'HATCH_ON',
  DISPLAY_LOOSE: 'DISPLAY_ON',
  DISPLAY_OFF: 'DISPLAY_SET',
  PART_OFF: 'PART_ON',
  BATTERY_OFF: 'BATTERY_ON',
}

describe('every kind of machine', () => {
  const kinds = MACHINE_KINDS.flatMap((kind) =>
    (kind === 'all-in-one' ? [true, false, null] : [null]).flatMap((hatch) =>
      (kind === 'laptop' ? BATTERIES : [null]).map((battery) => ({ kind, hatch, battery })),
    ),
  )
  test.each(kinds)(
    '$kind, hatch $hatch, battery $battery: cautions first, closed in reverse',
    ({ kind, hatch, battery }) => {
      const covers = [
        { cover: 'Air guide', hides: 'the slots' },
        { cover: 'Bracket', hides: '' },
      ]
      const given = { hatch, battery, covers, cautions: ['Sharp edge'] }
      const steps = fittingSteps(input(kind, given))
      const codes = steps.map(({ code }) => code)
      const cautions = steps.filter(({ caution }) => caution)
      expect(steps.slice(0, cautions.length)).toEqual(cautions)
      expect(cautions.map(({ code }) => code)).toEqual(
        expect.arrayContaining(['CAUTION_MAKER', 'CAUTION_BACKUP', 'CAUTION_KEY', 'CAUTION_MODEL']),
      )
      before(codes, 'BACKUP', 'SHUT_DOWN')
      before(codes, 'KEY_AT_HAND', 'SHUT_DOWN')
      before(codes, 'TAKE_OUT', 'LATCHES_OPEN')
      before(codes, 'LATCHES_OPEN', 'PUT_IN')
      before(codes, 'PUT_IN', 'SEATED')
      before(codes, 'SEATED', 'FIRST_START')
      before(codes, 'PLUG_IN', 'FIRST_START')
      before(codes, 'FIRST_START', 'SEEN')
      before(codes, 'SHORT_TEST', 'STABILITY')
      const outermost = steps.find(({ code }) => INVERSE[code])?.code as FitCode
      before(codes, 'FIRST_START', INVERSE[outermost] as FitCode)
      const opened = steps.filter(({ code }) => INVERSE[code])
      const back = new Set(Object.values(INVERSE))
      const closed = steps.filter(({ code }) => back.has(code))
      expect(closed.map(({ code }) => code)).toEqual(
        [...opened].reverse().map(({ code }) => INVERSE[code]),
      )
      expect(closed.map(({ about }) => about.text)).toEqual(
        [...opened].reverse().map(({ about }) => about.text),
      )
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length)
    },
  )
})

describe('what differs', () => {
  test('a laptop: the battery before the board, and drained after it', () => {
    const codes = codesOf(input('laptop'))
    before(codes, 'SCREWS_OUT', 'COVER_OFF')
    before(codes, 'COVER_OFF', 'BATTERY_OFF')
    before(codes, 'BATTERY_OFF', 'DRAIN')
    before(codes, 'DRAIN', 'TAKE_OUT')
    before(codes, 'SEATED', 'BATTERY_ON')
    before(codes, 'BATTERY_ON', 'SCREWS_IN')
    before(codes, 'CHARGE_LOW', 'SHUT_DOWN')
    before(codes, 'STRAP_ON', 'BATTERY_OFF')
    expect(codes).toContain('CAUTION_SWOLLEN')
    expect(codes).not.toContain('CAUTION_MAINS')
  })

  test('a laptop with a hatch opens by it, and its battery is cut off all the same', () => {
    const codes = codesOf(input('laptop', { hatch: true }))
    before(codes, 'HATCH_OFF', 'BATTERY_OFF')
    before(codes, 'BATTERY_OFF', 'TAKE_OUT')
    expect(codes).not.toContain('COVER_OFF')
  })

  test('a pack is out before the first screw, and back once it is closed', () => {
    const codes = codesOf(input('laptop', { battery: 'pack' }))
    before(codes, 'UNPLUG', 'PACK_OUT')
    before(codes, 'PACK_OUT', 'DRAIN')
    before(codes, 'DRAIN', 'SCREWS_OUT')
    before(codes, 'SCREWS_IN', 'PACK_IN')
    expect(codes).not.toContain('BATTERY_OFF')
  })

  test('a battery out of reach is disabled in the setup before the first screw', () => {
    const codes = codesOf(input('laptop', { battery: 'setup' }))
    before(codes, 'UNPLUG', 'DISABLE_BATTERY')
    before(codes, 'DISABLE_BATTERY', 'SCREWS_OUT')
    expect(codes).not.toContain('BATTERY_OFF')
  })

  test('a screwed module: no latches are opened, its caution is read', () => {
    const machine = desktop({ kind: 'laptop', formFactor: 'CAMM2' })
    const steps = fittingSteps(input('laptop', { machine }))
    expect(steps.map(({ code }) => code)).toContain('CAUTION_SCREWED')
    expect(steps.map(({ code }) => code)).not.toContain('LATCHES_OPEN')
    const moved = steps.filter(({ code }) => code === 'TAKE_OUT' || code === 'PUT_IN')
    expect(moved.every(({ about }) => about.fastening === 'screws')).toBe(true)
    expect(moved.every(({ tools }) => tools.includes('screwdriver-torque'))).toBe(true)
  })

  test('an all-in-one of which nobody has seen a hatch: its display is for somebody qualified', () => {
    for (const hatch of [false, null]) {
      const steps = fittingSteps(input('all-in-one', { hatch }))
      const codes = steps.map(({ code }) => code)
      expect(codes).toEqual(expect.arrayContaining(['CAUTION_MAINS', 'CAUTION_DISPLAY']))
      // Set in place for the start, fastened after it.
      before(codes, 'DISPLAY_SET', 'FIRST_START')
      before(codes, 'FIRST_START', 'DISPLAY_ON')
      const open = steps.filter(({ work }) => work === 'open')
      expect(open.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(90)
    }
    expect(codesOf(input('all-in-one', { hatch: true }))).not.toContain('CAUTION_DISPLAY')
  })

  test('a desktop: mains and a clear surface', () => {
    const codes = codesOf(input('desktop'))
    expect(codes).toEqual(expect.arrayContaining(['CAUTION_MAINS', 'CAUTION_SURFACE', 'SIDE_OFF']))
    before(codes, 'UNPLUG', 'DRAIN')
    before(codes, 'DRAIN', 'SIDE_OFF')
  })

  test('small desktops and workstations: what sits over the slots comes off too', () => {
    expect(codesOf(input('small-form-factor'))).toEqual(expect.arrayContaining(['CAGE_OUT']))
    expect(codesOf(input('workstation'))).toEqual(expect.arrayContaining(['SHROUD_OUT']))
  })

  test('the touch school wears no strap', () => {
    const codes = codesOf(input('laptop', { static: 'touch' }))
    expect(codes).toContain('TOUCH_METAL')
    expect(codes).not.toContain('STRAP_ON')
    expect(codes).not.toContain('STRAP_OFF')
  })

  test('SO-DIMMs are held by side clips, DIMMs by latches', () => {
    const held = (formFactor: Machine['formFactor']) =>
      fittingSteps(input('laptop', { machine: desktop({ kind: 'laptop', formFactor }) }))
        .filter(({ code }) => code === 'PUT_IN')
        .map(({ about }) => about.fastening)
    expect(held('SODIMM')).toEqual(['side-clips', 'side-clips'])
    expect(held('DIMM')).toEqual(['latches', 'latches'])
  })

  test('a profile in use is off, and new firmware in, before the machine is shut down', () => {
    const codes = codesOf(
      input('desktop', { profileNow: true, firmwareFirst: true, profile: true }),
    )
    before(codes, 'FIRMWARE_UPDATE', 'SHUT_DOWN')
    before(codes, 'PROFILE_OFF', 'SHUT_DOWN')
    before(codes, 'FIRST_START', 'PROFILE_ON')
    // Setup values are noted before the update and restored before the system starts.
    before(codes, 'SETUP_NOTED', 'FIRMWARE_UPDATE')
    before(codes, 'ENCRYPTION_SUSPENDED', 'FIRMWARE_UPDATE')
    before(codes, 'SETUP_RESTORED', 'SYSTEM')
    before(codes, 'SYSTEM', 'ENCRYPTION_RESUMED')
  })

  test('the customer’s system starts after a test of what is in it, and never before', () => {
    const codes = codesOf(input('desktop', { profile: true }))
    before(codes, 'FIRST_START', 'SEEN')
    before(codes, 'SEEN', 'SHORT_TEST')
    // A profile is a change of its own: another test from the medium before the system.
    expect(codes.slice(codes.indexOf('PROFILE_ON'))).toEqual([
      'PROFILE_ON',
      'SHORT_TEST',
      'SYSTEM',
      'SEEN_SYSTEM',
      'ERRORS_AFTER',
      'FILES_FIT',
      'ENCRYPTION_RESUMED',
      'STABILITY',
    ])
    // Without one, what was tested open is what starts.
    const plain = codesOf(input('desktop'))
    expect(plain.filter((code) => code === 'SHORT_TEST')).toHaveLength(1)
    before(plain, 'SIDE_ON', 'SYSTEM')
    expect(plain).not.toContain('ENCRYPTION_SUSPENDED')
  })

  test('a shop without a medium: the drive unplugged, or the customer agrees first', () => {
    const drive = codesOf(input('desktop', { testFrom: 'drive' }))
    before(drive, 'DRIVE_OUT', 'FIRST_START')
    before(drive, 'SHORT_TEST', 'DRIVE_IN')
    before(drive, 'DRIVE_IN', 'SYSTEM')
    const agreed = codesOf(input('desktop', { testFrom: 'system' }))
    before(agreed, 'SEEN', 'SYSTEM_RISK')
    before(agreed, 'SYSTEM_RISK', 'SYSTEM')
    before(agreed, 'SYSTEM', 'SHORT_TEST')
  })

  test('the start of the system waits for the test before it, whatever else is done', () => {
    const steps = fittingSteps(input('desktop'))
    const system = steps.find(({ code }) => code === 'SYSTEM') as FittingStep
    const waits = waitsFor(steps, system, ({ code }) => code !== 'SHORT_TEST')
    expect(waits.map(({ code }) => code)).toEqual(['SHORT_TEST'])
    const side = steps.find(({ code }) => code === 'SIDE_ON') as FittingStep
    expect(waitsFor(steps, side, ({ code }) => code !== 'SHORT_TEST')).toEqual([])
  })

  test('a machine that does not start is not shut down from its system, nor its battery disabled in it', () => {
    const codes = codesOf(input('laptop', { battery: 'setup', starts: false }))
    before(codes, 'FORCE_OFF', 'CUT_BATTERY')
    before(codes, 'CUT_BATTERY', 'SCREWS_OUT')
    expect(codes.slice(0, codes.indexOf('FIRST_START'))).not.toContain('DISABLE_BATTERY')
    expect(codes).not.toContain('ERRORS_BEFORE')
  })

  test('a card and a cooler over the slots come off last and are back before the start', () => {
    const codes = codesOf(input('desktop', { inTheWay: ['cooler', 'card'] }))
    before(codes, 'SIDE_OFF', 'CARD_OUT')
    before(codes, 'CARD_OUT', 'COOLER_OFF')
    before(codes, 'COOLER_OFF', 'TAKE_OUT')
    before(codes, 'COOLER_ON', 'CARD_IN')
    before(codes, 'CARD_IN', 'FIRST_START')
    before(codes, 'FIRST_START', 'COOLER_SEEN')
    expect(codes).toEqual(expect.arrayContaining(['CAUTION_COOLER', 'CAUTION_CARD']))
    expect(codesOf(input('desktop'))).not.toContain('CAUTION_COOLER')
  })

  test('an all-in-one with a hatch is laid on its display with its leads out, and stood up again', () => {
    const codes = codesOf(input('all-in-one', { hatch: true }))
    before(codes, 'UNPLUG', 'LAY_DOWN')
    before(codes, 'LAY_DOWN', 'HATCH_OFF')
    before(codes, 'STAND_UP', 'FIRST_START')
    expect(codes).toContain('CAUTION_HATCH')
    expect(codesOf(input('all-in-one', { hatch: false }))).not.toContain('LAY_DOWN')
  })

  test('the wait of a first start follows from generation and modules', () => {
    const wait = (generation: Machine['generation'], sizes: number[], more: object = {}) =>
      fittingSteps(input('desktop', { trained: { generation, sizes, ...more } })).find(
        ({ code }) => code === 'FIRST_START',
      )?.about.wait
    // Eight registered modules of 64 GB train for up to half an hour.
    const registered = { registered: true, channels: 8 }
    expect(wait('DDR5', Array(8).fill(64), registered)).toEqual({ low: 10, high: 30, atMost: 60 })
    // The labour of it is what the step waits for, where that is longer than the shop's own minutes.
    const labour = (sizes: number[], more: object = {}) =>
      fittingSteps(input('desktop', { trained: { generation: 'DDR5', sizes, ...more } })).find(
        ({ code }) => code === 'FIRST_START',
      )?.minutes
    expect(labour(Array(8).fill(64), registered)).toBe(30)
    expect(labour([16, 16])).toBe(STARTING_TERMS.labour.firstStart)
    expect(wait('DDR4', Array(8).fill(32), registered)).toEqual({ low: 5, high: 15, atMost: 30 })
    expect(wait('DDR4', [16, 16])).toEqual({ low: 0.5, high: 3, atMost: 6 })
    expect(wait('DDR5', [16, 16])).toEqual({ low: 1, high: 5, atMost: 10 })
    expect(wait('DDR5', [48, 48, 48, 48])).toEqual({ low: 10, high: 20, atMost: 40 })
  })
})

describe('modules', () => {
  const full: Assignment = { A1: at('a'), A2: at('b'), B1: at('c'), B2: at('d') }

  test('come out last filled first, and go in by filling order', () => {
    const steps = fittingSteps(
      input('desktop', { found: full, planned: { A2: at('k'), B2: at('k', 1) } }),
    )
    const slots = (code: FitCode) =>
      steps.filter((one) => one.code === code).map((one) => one.slots[0])
    expect(slots('TAKE_OUT')).toEqual(['B1', 'A1', 'B2', 'A2'])
    expect(slots('PUT_IN')).toEqual(['A2', 'B2'])
  })

  test('that stay are not touched; one that moves comes out and goes in, and says from where', () => {
    const planned = { A2: at('b'), B2: at('a') }
    const steps = fittingSteps(input('desktop', { found: { A1: at('a'), A2: at('b') }, planned }))
    const moved = steps.filter(({ code }) => code === 'TAKE_OUT' || code === 'PUT_IN')
    expect(moved.map(({ code, slots, about }) => [code, slots[0], about.from])).toEqual([
      ['TAKE_OUT', 'A1', undefined],
      ['PUT_IN', 'B2', 'A1'],
    ])
  })

  test('all alike, nothing is to be done; with a profile only the set-up is', () => {
    expect(codesOf(input('desktop', { planned: small }))).toEqual([])
    expect(codesOf(input('desktop', { planned: small, profile: true, grows: false }))).toEqual([
      'CAUTION_MAKER',
      'CAUTION_BACKUP',
      'CAUTION_KEY',
      'BACKUP',
      'KEY_AT_HAND',
      'ENCRYPTION_SUSPENDED',
      'SETUP_NOTED',
      'PROFILE_ON',
      'SHORT_TEST',
      'SYSTEM',
      'SEEN_SYSTEM',
      'ENCRYPTION_RESUMED',
      'STABILITY',
    ])
  })

  test('the slots follow the steps: found, empty, planned', () => {
    const given = input('desktop')
    const steps = fittingSteps(given)
    const after = (codes: FitCode[]) =>
      slotsAfter(small, large, steps, ({ code }) => codes.includes(code))
    expect(after([])).toEqual(small)
    expect(after(['TAKE_OUT'])).toEqual({})
    expect(after(['TAKE_OUT', 'PUT_IN'])).toEqual(large)
  })

  test('any plan: the steps lead from what was found to it, in minutes that add up', () => {
    const slots = ['A1', 'A2', 'B1', 'B2']
    const assignment = fc
      .uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'), { maxLength: 4 })
      .chain((ids) =>
        fc
          .shuffledSubarray(slots, { minLength: ids.length, maxLength: ids.length })
          .map((some) => Object.fromEntries(some.map((slot, n) => [slot, at(ids[n] as string)]))),
      )
    fc.assert(
      fc.property(
        assignment,
        assignment,
        fc.constantFrom(...MACHINE_KINDS),
        fc.integer({ min: 0, max: 90 }),
        (found, planned, kind, openingMinutes) => {
          const steps = fittingSteps(input(kind, { found, planned, openingMinutes }))
          expect(slotsAfter(found, planned, steps, () => true)).toEqual(planned)
          const opening = steps.filter(({ work }) => work === 'open')
          const sum = opening.reduce((all, { minutes }) => all + minutes, 0)
          if (steps.length > 0) expect(sum).toBe(openingMinutes)
          expect(steps.every(({ minutes }) => Number.isInteger(minutes) && minutes >= 0)).toBe(true)
        },
      ),
    )
  })
})

describe('the larger pair', () => {
  const pieces = piecesById(
    [4, 8, 16].flatMap((gib) =>
      ['x', 'y'].map((name) => ({
        id: `${gib}${name}`,
        source: 'customer' as const,
        module: stick({ capacityGiB: gib }),
        price: null,
      })),
    ),
  )
  test('goes to the slots that are filled first', () => {
    const wrong = { A1: at('16x'), A2: at('8x'), B1: at('16y'), B2: at('8y') }
    expect(largerFirst(desktop(), wrong, pieces)).toEqual({
      A2: at('16x'),
      A1: at('8x'),
      B2: at('16y'),
      B1: at('8y'),
    })
  })
  test('is left where it is right already', () => {
    const right = { A2: at('16x'), A1: at('8x'), B2: at('16y') }
    expect(largerFirst(desktop(), right, pieces)).toBe(right)
  })
})

test('the memory profile is called as the machine’s own setup calls it', () => {
  const named = { ...desktop({ kind: 'desktop' }), profileName: 'Fast Lane 1' }
  const steps = (machine: Machine) =>
    fittingSteps(input('desktop', { machine, profile: true, profileNow: true })).filter(
      ({ code }) => code === 'PROFILE_ON' || code === 'PROFILE_OFF',
    )
  expect(steps(named).map(({ about }) => about.text)).toEqual(['Fast Lane 1', 'Fast Lane 1'])
  expect(steps(desktop()).map(({ about }) => about.text)).toEqual([undefined, undefined])
})

test('a module that keeps its contents is erased before it is taken out; ordinary ones are not', () => {
  const steps = fittingSteps(input('workstation', { nonVolatile: ['old2'] }))
  const erased = steps.filter(({ code }) => code === 'ERASE_NONVOLATILE')
  expect(erased.map(({ slots }) => slots)).toEqual([['B2']])
  before(codesOf(input('workstation', { nonVolatile: ['old2'] })), 'ERASE_NONVOLATILE', 'TAKE_OUT')
  const stays = input('workstation', { nonVolatile: ['old'], planned: { ...large, A2: at('old') } })
  expect(codesOf(stays)).not.toContain('ERASE_NONVOLATILE')
})

test('what the setup has for error correction is noted on workstations that have it', () => {
  const withEcc = desktop({ kind: 'workstation', ecc: 'required' })
  expect(codesOf(input('workstation', { machine: withEcc }))).toContain('ERROR_CORRECTION_NOTED')
  expect(codesOf(input('desktop'))).not.toContain('ERROR_CORRECTION_NOTED')
})

test('graphics memory is set in the setup, with encryption suspended for it', () => {
  const codes = codesOf(input('laptop', { graphicsGiB: 2 }))
  before(codes, 'ENCRYPTION_SUSPENDED', 'GRAPHICS_SET')
  before(codes, 'GRAPHICS_SET', 'SYSTEM')
  // Nothing moves: the setup alone is work of its own.
  const alone = fittingSteps(input('laptop', { planned: small, graphicsGiB: 2 }))
  expect(alone.find(({ code }) => code === 'GRAPHICS_SET')).toMatchObject({
    about: { gib: 2 },
    work: 'profile',
  })
})
