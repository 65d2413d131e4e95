import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../test/builders'
import { read, writeSmbios } from '../readings'
import { UNVERIFIED } from '../records'
import { type Difference, differences, type Seen, seenIn, standing } from '.'

const machine = desktop()
const placement = { A2: stick(), B2: stick() }
const found = (changes: Partial<Seen>): Difference[] =>
  differences(machine, placement, { profile: false }, { ...UNVERIFIED.seen, ...changes })

describe('how far the proof is', () => {
  const passed = { passes: 4, errors: 0, hours: 2 }

  test('both a look and a stability test are needed, and nothing wrong', () => {
    expect(standing([], { totalGiB: null }, [])).toEqual({
      kind: 'open',
      missing: ['seen', 'stability'],
    })
    expect(standing([], { totalGiB: 16 }, [{ passes: 0, errors: 0, hours: 0 }])).toEqual({
      kind: 'open',
      missing: ['stability'],
    })
    expect(standing([], { totalGiB: 16 }, [passed])).toEqual({ kind: 'verified' })
  })

  test('the shop’s rule wants its hours, all tests together', () => {
    const after = (...hours: number[]) =>
      standing(
        [],
        { totalGiB: 16 },
        hours.map((one) => ({ ...passed, hours: one })),
        4,
      )
    expect(after(2)).toEqual({ kind: 'open', missing: ['testRule'] })
    expect(after(2, 2)).toEqual({ kind: 'verified' })
    expect(after()).toEqual({ kind: 'open', missing: ['stability'] })
  })

  test('one error in any test, or one difference that is none of the harmless, stands against it', () => {
    const tests = [passed, { passes: 1, errors: 2, hours: 1 }]
    expect(standing([], { totalGiB: 16 }, tests)).toEqual({ kind: 'errors' })
    expect(standing(found({ totalGiB: 8 }), { totalGiB: 8 }, tests)).toEqual({ kind: 'wrong' })
    // Half the rate is the clock: nothing is wrong.
    expect(found({ rate: 1600 })).toHaveLength(1)
    expect(standing(found({ rate: 1600 }), { totalGiB: 16 }, [passed])).toEqual({
      kind: 'verified',
    })
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
    for (const { observed } of open.modules) if (observed) observed.clockOrRate = 'ambiguous'
    expect(seenIn(open, machine)).not.toHaveProperty('memoryClock')
    // A way of correcting that the memory has is not yet one at work.
    const could = { ...reading, machine: { ...reading.machine, errorCorrection: 'multi-bit' } }
    expect(seenIn(could as typeof reading, machine)).not.toHaveProperty('eccActive')
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
