import { describe, expect, test } from 'vitest'
import { desktop, profiled, stick } from '../../test/builders'
import type { Placement, Settings } from '../model'
import { UNVERIFIED } from '../records'
import { type DifferenceCode, differences, type Seen } from '.'

const pair: Placement = { A2: stick(), B2: stick() }
const plain: Settings = { profile: false }

function seen(
  changes: Partial<Seen>,
  placement = pair,
  settings = plain,
  machine = desktop(),
): DifferenceCode[] {
  return differences(machine, placement, settings, { ...UNVERIFIED.seen, ...changes }).map(
    ({ code }) => code,
  )
}

test('all as expected, or nothing looked at: no difference', () => {
  expect(seen({})).toEqual([])
  expect(
    seen({ totalGiB: 16, slots: { A2: 8, A1: 0, B2: 8, B1: 0 }, rate: 3200, ways: 2, cl: 22 }),
  ).toEqual([])
})

describe('memory', () => {
  test('short by just one module names the slots it may be', () => {
    const [first] = differences(desktop(), pair, plain, { ...UNVERIFIED.seen, totalGiB: 8 })
    expect(first).toMatchObject({
      code: 'MISSING_MODULE',
      slots: ['A2', 'B2'],
      next: 'FIND_FAULT',
      harmless: false,
    })
    expect(first?.causes[0]).toBe('NOT_SEATED')
  })
  test('a slot shown empty, or with another size', () => {
    expect(seen({ slots: { B2: 0 } })).toEqual(['SLOT_EMPTY'])
    expect(seen({ slots: { B2: 16 } })).toEqual(['SLOT_OTHER'])
  })
  test('a little less is what graphics and the system keep; a 32-bit system keeps more', () => {
    expect(seen({ totalGiB: 15.2 })).toEqual(['SYSTEM_KEEPS_SOME'])
    const old = desktop({ limits: { ...desktop().limits, osGiB: 4 } })
    expect(seen({ totalGiB: 3.3 }, pair, plain, old)).toEqual(['SYSTEM_KEEPS_SOME'])
    expect(seen({ totalGiB: 11 })).toEqual(['MISSING_MEMORY'])
    expect(seen({ totalGiB: 24 })).toEqual(['MORE_MEMORY'])
  })
})

describe('rate', () => {
  test('half of it is the clock', () => {
    expect(seen({ rate: 1600 })).toEqual(['CLOCK_SHOWN'])
    expect(seen({ rate: 1599 })).toEqual(['CLOCK_SHOWN'])
  })
  test('the base rate, or its clock, where a profile was asked for: it is off', () => {
    const fast: Placement = { A2: profiled(3600), B2: profiled(3600) }
    expect(seen({ rate: 3600 }, fast, { profile: true })).toEqual([])
    expect(seen({ rate: 3200 }, fast, { profile: true })).toEqual(['BASE_RATE'])
    expect(seen({ rate: 1600 }, fast, { profile: true })).toEqual(['BASE_RATE'])
  })
  test('a step lower: what lies nearest is the likeliest to hold it', () => {
    const limited = desktop({ limits: { ...desktop().limits, firmwareDataRate: 3200 } })
    const [first] = differences(limited, pair, plain, { ...UNVERIFIED.seen, rate: 2933 })
    expect(first).toMatchObject({ code: 'STEP_LOWER', expected: 3200, seen: 2933 })
    expect(first?.causes).toHaveLength(3)
    expect(seen({ rate: 3600 })).toEqual(['RATE_HIGHER'])
  })
})

test('channels, clocks, timings and ECC', () => {
  expect(seen({ ways: 1 })).toEqual(['FEWER_CHANNELS'])
  expect(seen({ memoryClock: 1600, controllerClock: 800, fabricClock: 1600 })).toEqual([
    'UNEQUAL_CLOCKS',
  ])
  expect(seen({ memoryClock: 1600, controllerClock: 1603, fabricClock: 1598 })).toEqual([])
  expect(seen({ cl: 24 })).toEqual(['TIMING_LOOSER'])
  expect(seen({ cl: 20 })).toEqual([])
  const withEcc: Placement = { A2: stick({ ecc: true }), B2: stick({ ecc: true }) }
  const server = desktop({ ecc: 'supported' })
  expect(seen({ eccActive: false }, withEcc, plain, server)).toEqual(['ECC_INACTIVE'])
  expect(seen({ eccActive: false }, pair, plain, server)).toEqual([])
})
