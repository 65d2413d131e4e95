import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import { read, writeSmbios } from '../../reading/inputs'
import { UNVERIFIED } from '../../things/records'
import { soakPlan } from '../soak'
import { type Difference, differences, type ShownFigures, seenIn, standing } from '.'

const machine = desktop()
const placement = { A2: stick(), B2: stick() }
const found = (changes: Partial<ShownFigures>): Difference[] =>
  differences(machine, placement, { profile: false }, { ...UNVERIFIED.seen, ...changes })

describe('how far the proof is', () => {
  const passed = { passes: 4, errors: 0, hours: 2 }
  const whole = { totalGiB: 16, slots: { A2: 8, B2: 8 }, rate: 3200, ways: 2 }
  const stand = (changes: Partial<Parameters<typeof standing>[0]> = {}) =>
    standing({
      found: [],
      seen: whole,
      filled: ['A2', 'B2'],
      channels: 2,
      channelsAtLeast: 0,
      stability: [passed],
      soak: soakPlan({ gib: 16, raised: false, limitHours: null, shortened: null }),
      gib: 16,
      plan: 'this',
      ruleHours: null,
      losses: 0,
      errorsLogged: 0,
      accepted: {},
      ...changes,
    })
  const open = (...missing: string[]) => ({ kind: 'open', missing })

  test('memory errors that the system has logged since keep it from being verified', () => {
    expect(stand({ errorsLogged: 1 })).toMatchObject({ kind: 'errors' })
  })
  test('nothing hides another: errors, a test too short for the shop’s rule, and a slot nobody saw', () => {
    const failed = { passes: 1, errors: 2, hours: 1 }
    const seen = { ...whole, slots: { A2: 8 } }
    expect(stand({ stability: [failed], seen, ruleHours: 4 })).toEqual({
      kind: 'errors',
      wrong: false,
      errors: true,
      missing: ['slots', 'stability', 'testRule'],
    })
  })
  test('what the job promised: capacity, slots, speed, channels and a stability test', () => {
    expect(stand()).toMatchObject({ kind: 'verified' })
    const nothing = { totalGiB: null, slots: {}, rate: null, ways: null }
    expect(stand({ seen: nothing, stability: [] })).toMatchObject(
      open('seen', 'slots', 'speed', 'channels', 'stability'),
    )
    expect(stand({ seen: { ...whole, slots: { A2: 8 } } })).toMatchObject(open('slots'))
    expect(stand({ stability: [{ passes: 0, errors: 0, hours: 0 }] })).toMatchObject(
      open('stability'),
    )
  })

  test('minutes are no passes: three of them on 64 GB verify nothing', () => {
    const soak = soakPlan({ gib: 64, raised: false, limitHours: null, shortened: null })
    const quick = { passes: 4, errors: 0, hours: 0.05 }
    expect(stand({ gib: 64, soak, stability: [quick] })).toMatchObject(open('stability'))
    expect(stand({ gib: 64, soak, stability: [{ ...quick, hours: 5 }] })).toMatchObject({
      kind: 'verified',
    })
  })

  test('memory that firmware runs above its rating is accepted with a reason', () => {
    const higher = found({ rate: 3600 })
    expect(higher).toMatchObject([{ code: 'RATE_HIGHER', next: 'ACCEPT_OR_REPLAN' }])
    expect(higher[0]?.causes[0]).toBe('FIRMWARE_RAISES')
    expect(stand({ found: higher })).toMatchObject({ kind: 'wrong' })
    expect(stand({ found: higher, accepted: { speed: 'the board raises it' } })).toMatchObject({
      kind: 'verified',
    })
  })

  test('channels shown, or measured, or accepted as not to be told', () => {
    const seen = { ...whole, ways: null }
    expect(stand({ seen })).toMatchObject(open('channels'))
    expect(stand({ seen, channelsAtLeast: 2 })).toMatchObject({ kind: 'verified' })
    expect(stand({ seen, accepted: { channels: 'not shown anywhere' } })).toMatchObject({
      kind: 'verified',
    })
    expect(stand({ seen, accepted: { channels: '  ' } })).toMatchObject(open('channels'))
    expect(stand({ seen, channels: 1 })).toMatchObject({ kind: 'verified' })
  })

  test('a lower speed, or a loss, with a reason only', () => {
    const lower = found({ rate: 2666 })
    expect(lower.some(({ harmless }) => !harmless)).toBe(true)
    expect(stand({ found: lower })).toMatchObject({ kind: 'wrong' })
    expect(stand({ found: lower, accepted: { speed: 'four modules' } })).toMatchObject({
      kind: 'verified',
    })
    expect(stand({ losses: 1 })).toMatchObject(open('loss'))
    expect(stand({ losses: 1, accepted: { loss: 'larger, not faster' } })).toMatchObject({
      kind: 'verified',
    })
  })

  test('the shop’s rule wants its hours, all tests together', () => {
    const after = (...hours: number[]) =>
      stand({ stability: hours.map((one) => ({ ...passed, hours: one })), ruleHours: 4 })
    expect(after(2)).toMatchObject(open('testRule'))
    expect(after(2, 2)).toMatchObject({ kind: 'verified' })
    expect(after()).toMatchObject(open('stability', 'testRule'))
  })

  test('a failed test stays on record and is superseded by one that passed since', () => {
    const failed = { passes: 1, errors: 2, hours: 1 }
    expect(stand({ stability: [passed, failed] })).toMatchObject({ kind: 'errors' })
    expect(stand({ stability: [failed, passed] })).toMatchObject({ kind: 'verified' })
    // Hours of before the failure do not count.
    expect(stand({ stability: [passed, failed, passed], ruleHours: 4 })).toMatchObject(
      open('testRule'),
    )
  })

  test('tests of another plan do not count, neither way', () => {
    const other = { ...passed, plan: 'that' }
    expect(stand({ stability: [other] })).toMatchObject(open('stability'))
    expect(stand({ stability: [{ ...other, errors: 5 }, passed] })).toMatchObject({
      kind: 'verified',
    })
    expect(stand({ stability: [{ ...passed, plan: 'this' }] })).toMatchObject({ kind: 'verified' })
  })

  test('one difference that is none of the harmless stands against it', () => {
    expect(stand({ found: found({ totalGiB: 8 }) })).toMatchObject({ kind: 'wrong' })
    // Half the rate is the clock: nothing is wrong.
    expect(found({ rate: 1600 })).toHaveLength(1)
    expect(stand({ found: found({ rate: 1600 }) })).toMatchObject({ kind: 'verified' })
  })
})

describe('what a readout shows', () => {
  const reported = [{ locator: 'A2', bank: 'BANK A', module: stick(), configuredDataRate: 2933 }]

  test('memory in all, by slot with the empty ones, and the rate', () => {
    expect(seenIn(read(writeSmbios(machine, reported)), machine)).toEqual({
      totalGiB: 8,
      slots: { A1: 0, A2: 8, B1: 0, B2: 0 },
      rate: 2933,
      memoryClock: 1467,
      eccActive: false,
    })
  })

  test('of several modules the slowest; no clock where the figure may be either', () => {
    const two = [...reported, { ...reported[0], locator: 'B2', configuredDataRate: 2133 }]
    const reading = read(writeSmbios(machine, two as never))
    expect(seenIn(reading, machine)).toMatchObject({ rate: 2133, memoryClock: 1067 })
    const open = structuredClone(reading)
    for (const { what, value } of open.observations) {
      if (what === 'runs') Object.assign(value, { clockOrRate: 'ambiguous' })
    }
    expect(seenIn(open, machine)).not.toHaveProperty('memoryClock')
    // A way of correcting that the memory has is not yet one at work.
    const could = structuredClone(reading)
    for (const one of could.observations) {
      if (one.what === 'errorCorrection') one.value = 'multi-bit'
    }
    expect(seenIn(could, machine)).not.toHaveProperty('eccActive')
  })

  test('slots by name in any case; unknown slots count in all', () => {
    const slots = [{ ...machine.slots[1], id: 'a2' }] as typeof machine.slots
    const odd = { ...machine, slots }
    const table = writeSmbios(machine, [...reported, { ...reported[0], locator: 'B1' } as never])
    expect(seenIn(read(table), odd)).toMatchObject({
      totalGiB: 16,
      slots: { a2: 8 },
      rate: 2933,
    })
  })

  test('nothing where there is no memory in it', () => {
    expect(seenIn(read('nothing like a readout'), machine)).toBeNull()
    expect(seenIn(read(writeSmbios(machine, [])), machine)).toBeNull()
  })
})
