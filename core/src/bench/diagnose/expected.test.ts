import { describe, expect, test } from 'vitest'
import { desktop, profiled, stick } from '../../../test/builders'
import type { Machine, Placement, Settings } from '../../things/model'
import { UNVERIFIED } from '../../things/records'
import { type DifferenceCode, differences, type ShownFigures } from '.'

const pair: Placement = { A2: stick(), B2: stick() }
const plain: Settings = { profile: false }

function seen(
  changes: Partial<ShownFigures>,
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
      next: 'LOOK_AT_SLOTS',
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

  test('less by what graphics are set to take is as planned', () => {
    const by = (totalGiB: number, graphicsGiB: number) =>
      differences(desktop(), pair, plain, { ...UNVERIFIED.seen, totalGiB }, graphicsGiB).map(
        ({ code, harmless }) => [code, harmless],
      )
    expect(by(11.6, 4)).toEqual([['SYSTEM_KEEPS_SOME', true]])
    expect(by(8, 4)).toEqual([['MISSING_MODULE', false]])
  })

  test('every slot seen and 4 of 16 GB gone: kept back, and nothing for the fault finder', () => {
    const all = { A2: 8, B2: 8 }
    const [first, ...rest] = differences(desktop(), pair, plain, {
      ...UNVERIFIED.seen,
      totalGiB: 12,
      slots: all,
    })
    expect(rest).toEqual([])
    expect(first).toMatchObject({ code: 'MEMORY_RESERVED', next: 'CHECK_RESERVED' })
    expect(first?.causes[0]).toBe('GRAPHICS_SHARE')
    const by = (totalGiB: number) =>
      differences(desktop(), pair, plain, { ...UNVERIFIED.seen, totalGiB, slots: all })[0]?.causes
    // Below 4 GB: 32 bits, or no remapping. More than graphics can be given.
    expect(by(3.25)).toEqual(['SYSTEM_LIMIT', 'REMAP_OFF', 'BOOT_LIMIT'])
    // A whole figure is a limit in the boot options, unless just that much is gone to graphics.
    expect(by(6.9)?.[0]).toBe('BOOT_LIMIT')
    expect(by(4)?.[0]).toBe('BOOT_LIMIT')
    expect(by(12)).toEqual(['GRAPHICS_SHARE', 'BOOT_LIMIT', 'REMAP_OFF', 'SYSTEM_LIMIT'])
    // Half of a share beside it fits no share, nor a round figure.
    expect(by(10.6)?.[0]).not.toBe('GRAPHICS_SHARE')
  })

  test('only a slot that is not seen leads to the fault finder', () => {
    const next = (slots: Record<string, number>, totalGiB = 8) =>
      differences(desktop(), pair, plain, { ...UNVERIFIED.seen, totalGiB, slots }).map(
        (one) => one.next,
      )
    expect(next({})).toEqual(['LOOK_AT_SLOTS'])
    expect(next({ A2: 8 })).toEqual(['LOOK_AT_SLOTS'])
    expect(next({}, 12)).toEqual(['LOOK_AT_SLOTS'])
    expect(next({ A2: 8, B2: 0 })).toEqual(['FIND_FAULT', 'FIND_FAULT'])
  })

  test('a whole channel gone: the socket before the slots', () => {
    const four: Placement = { A1: stick(), A2: stick(), B1: stick(), B2: stick() }
    const gone = { A1: 8, A2: 8, B1: 0, B2: 0 }
    const found = differences(desktop(), four, plain, { ...UNVERIFIED.seen, slots: gone })
    expect(found).toMatchObject([
      { code: 'CHANNEL_GONE', slots: ['B1', 'B2'], next: 'CHECK_SOCKET' },
    ])
    expect(found[0]?.causes[0]).toBe('SOCKET')
    // A soldered processor has no socket.
    const laptop = desktop({ kind: 'laptop' })
    expect(seen({ slots: gone }, four, plain, laptop)).toEqual(['SLOT_EMPTY', 'SLOT_EMPTY'])
    // One slot of the channel is seen: it is no channel that is gone.
    expect(seen({ slots: { ...gone, B1: 8 } }, four)).toEqual(['SLOT_EMPTY'])
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
  expect(seen({ cl: 24 })).toEqual(['TIMING_LOOSER'])
  expect(seen({ cl: 20 })).toEqual([])
  const withEcc: Placement = { A2: stick({ ecc: true }), B2: stick({ ecc: true }) }
  const server = desktop({ ecc: 'supported' })
  expect(seen({ eccActive: false }, withEcc, plain, server)).toEqual(['ECC_INACTIVE'])
  expect(seen({ eccActive: false }, pair, plain, server)).toEqual([])
})

describe('clocks beside the memory clock', () => {
  const five = { generation: 'DDR5' as const }
  const clocks = (
    machine: Partial<Machine>,
    memoryClock: number,
    controllerClock: number | null,
    fabricClock: number | null,
  ) =>
    seen({ memoryClock, controllerClock, fabricClock }, {}, plain, {
      ...desktop({ soldered: [{ channel: 'A', module: stick() }] }),
      ...machine,
    })

  test('a fabric that runs with the memory: all three are equal', () => {
    const tied = { clocks: 'fabric-with-memory' as const }
    expect(clocks(tied, 1600, 1603, 1598)).toEqual([])
    expect(clocks(tied, 1600, 800, 1600)).toEqual(['UNEQUAL_CLOCKS'])
    expect(clocks(tied, 1600, 1600, 1800)).toEqual(['UNEQUAL_CLOCKS'])
  })

  test('a fabric of its own near 2,000 MHz is right; the controller follows', () => {
    const apart = { ...five, clocks: 'fabric-apart' as const }
    expect(clocks(apart, 3000, 3000, 2000)).toEqual([])
    expect(clocks(apart, 3000, 1500, 2000)).toEqual(['UNEQUAL_CLOCKS'])
    expect(clocks({ ...five, syncCeiling: 6000 }, 3000, 3000, 2000)).toEqual([])
  })

  test('a controller that always runs at half is right at half', () => {
    const half = { ...five, clocks: 'controller-half' as const }
    expect(clocks(half, 2800, 1400, null)).toEqual([])
    expect(clocks(half, 2800, 2800, null)).toEqual(['UNEQUAL_CLOCKS'])
  })

  test('of a platform nobody has named, nothing is called wrong', () => {
    const open = { ...five, syncCeiling: null }
    expect(clocks(open, 2800, 1400, 2000)).toEqual(['CLOCKS_OPEN'])
    expect(clocks(open, 2800, 2800, 2000)).toEqual([])
  })
})
