import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../test/builders'
import { MACHINE_KINDS, type Machine } from '../model'
import { type Assignment, piecesById, STARTING_TERMS } from '../records'
import { type FitCode, type FittingInput, fittingSteps, largerFirst, slotsAfter } from '.'

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
    static: 'strap',
    hatch: true,
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
  expect(codes.lastIndexOf(first), `${first} before ${then}`).toBeLessThan(codes.indexOf(then))
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
  DISPLAY_OFF: 'DISPLAY_ON',
  PART_OFF: 'PART_ON',
  BATTERY_OFF: 'BATTERY_ON',
}

describe('every kind of machine', () => {
  const kinds = MACHINE_KINDS.flatMap((kind) =>
    (kind === 'all-in-one' ? [true, false] : [true]).map((hatch) => ({ kind, hatch })),
  )
  test.each(kinds)(
    '$kind, hatch $hatch: cautions first, safe before open, closed in reverse',
    ({ kind, hatch }) => {
      const covers = [
        { cover: 'Air guide', hides: 'the slots' },
        { cover: 'Bracket', hides: '' },
      ]
      const steps = fittingSteps(input(kind, { hatch, covers, cautions: ['Sharp edge'] }))
      const codes = steps.map(({ code }) => code)
      const cautions = steps.filter(({ caution }) => caution)
      expect(steps.slice(0, cautions.length)).toEqual(cautions)
      expect(cautions.map(({ code }) => code)).toEqual(
        expect.arrayContaining(['CAUTION_MAKER', 'CAUTION_BACKUP', 'CAUTION_MODEL']),
      )
      before(codes, 'BACKUP', 'SHUT_DOWN')
      before(codes, 'SHUT_DOWN', 'UNPLUG')
      before(codes, 'UNPLUG', 'STRAP_ON')
      before(codes, 'DRAIN', 'TAKE_OUT')
      before(codes, 'STRAP_ON', 'TAKE_OUT')
      before(codes, 'TAKE_OUT', 'LATCHES_OPEN')
      before(codes, 'LATCHES_OPEN', 'PUT_IN')
      before(codes, 'PUT_IN', 'SEATED')
      before(codes, 'PLUG_IN', 'FIRST_START')
      before(codes, 'FIRST_START', 'SEEN')
      const opened = steps.filter(({ phase, code }) => phase === 'open' && INVERSE[code])
      const closed = steps.filter(({ phase }) => phase === 'close')
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
    expect(codes).toContain('CAUTION_SWOLLEN')
    expect(codes).not.toContain('CAUTION_MAINS')
  })

  test('an all-in-one without a hatch: its display is for somebody qualified', () => {
    expect(codesOf(input('all-in-one', { hatch: false }))).toEqual(
      expect.arrayContaining(['CAUTION_MAINS', 'CAUTION_DISPLAY', 'DISPLAY_OFF', 'DISPLAY_ON']),
    )
    expect(codesOf(input('all-in-one', { hatch: true }))).not.toContain('CAUTION_DISPLAY')
  })

  test('a desktop: mains, and no processor without its cooler', () => {
    const codes = codesOf(input('desktop'))
    expect(codes).toEqual(expect.arrayContaining(['CAUTION_MAINS', 'CAUTION_COOLER', 'SIDE_OFF']))
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

  test('small-outline modules go in at an angle, full-size ones straight', () => {
    const angles = (formFactor: Machine['formFactor']) =>
      fittingSteps(input('laptop', { machine: desktop({ kind: 'laptop', formFactor }) }))
        .filter(({ code }) => code === 'PUT_IN')
        .map(({ about }) => about.angle)
    expect(angles('SODIMM')).toEqual(['angled', 'angled'])
    expect(angles('DIMM')).toEqual(['straight', 'straight'])
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
    expect(codesOf(input('desktop', { planned: small, profile: true }))).toEqual([
      'PROFILE_ON',
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
