import { describe, expect, test } from 'vitest'
import { stick } from '../../../test/builders'
import { answerTo, read } from '../inputs'
import { writeDdr3 } from './ddr3'
import { writeDdr4 } from './ddr4'
import { writeDdr5 } from './ddr5'

const codes = (bytes: Uint8Array) => answerTo(bytes).problems.map(({ code }) => code)
const module = (bytes: Uint8Array) => answerTo(bytes).modules[0]?.module

/** DDR4-3600 18-22-22-42 at 1.35 V: tCK 0.5556 ns is 5 × 125 − 69 ps; 10 ns, 12.222 ns, 23.3 ns. */
function withProfile(): Uint8Array {
  const bytes = writeDdr4(stick())
  bytes.set([0x0c, 0x4a, 0b01], 384)
  const at = 393
  bytes[at] = 0x80 | 35
  bytes[at + 3] = 5
  bytes[at + 38] = 256 - 69
  // CL 18 is bit 11 from CL 7
  bytes.set([0, 0b0000_1000, 0], at + 4)
  bytes[at + 8] = 80
  bytes[at + 9] = 98
  bytes[at + 36] = 256 - 28
  bytes[at + 10] = 98
  bytes[at + 35] = 256 - 28
  bytes[at + 11] = 0
  bytes[at + 12] = 187
  return bytes
}

describe('a DDR4 memory profile in the contents', () => {
  test('is read beside the standard speed, and said to be a maker’s extension', () => {
    expect(module(withProfile())?.speeds).toMatchObject([
      { kind: 'standard', dataRate: 3200 },
      { kind: 'profile', dataRate: 3600, cl: 18, trcd: 22, trp: 22, tras: 42, voltage: 1.35 },
    ])
    expect(codes(withProfile())).toEqual(['PROFILE_FROM_EXTENSION'])
    expect(module(withProfile())?.voltages).toEqual([1.2])
  })

  test.each<[string, (bytes: Uint8Array) => void]>([
    ['a CAS latency its mask does not name', (bytes) => bytes.set([0xff, 0, 0], 397)],
    ['a speed nobody sells', (bytes) => bytes.set([9], 396)],
    ['volts that cannot be', (bytes) => bytes.set([0x80 | 127], 393)],
    ['timings out of proportion', (bytes) => bytes.set([255], 402)],
  ])('with %s it is announced, not believed', (_, spoil) => {
    const bytes = withProfile()
    spoil(bytes)
    expect(module(bytes)?.speeds).toHaveLength(1)
    expect(codes(bytes)).toEqual(['PROFILE_UNREADABLE'])
  })
})

test('a DDR5 memory profile: 6000 36-36-36-96 at 1.35 V, times in ps', () => {
  const ddr5 = stick({
    generation: 'DDR5',
    capacityGiB: 16,
    voltages: [1.1],
    speeds: [{ kind: 'standard', dataRate: 4800, cl: 40, trcd: 39, trp: 39, tras: 77 }],
  })
  const bytes = writeDdr5(ddr5)
  bytes.set([0x0c, 0x4a], 640)
  const word = (at: number, ps: number) => bytes.set([ps & 0xff, ps >> 8], 704 + at)
  bytes[705] = (1 << 5) | 7 // 1 V and 7 × 50 mV
  word(5, 333)
  bytes[712] = 0b0000_0001 // CL 36 is bit 8: 20 + 8 × 2
  word(13, 12_000)
  word(15, 12_000)
  word(17, 12_000)
  word(19, 32_000)
  expect(module(bytes)?.speeds).toMatchObject([
    { kind: 'standard', dataRate: 4800 },
    { kind: 'profile', dataRate: 6000, cl: 36, trcd: 36, trp: 36, tras: 96, voltage: 1.35 },
  ])
})

test('a DDR3 marker is announced', () => {
  const ddr3 = stick({
    generation: 'DDR3',
    capacityGiB: 4,
    voltages: [1.5],
    speeds: [{ kind: 'standard', dataRate: 1600, cl: 11, trcd: 11, trp: 11, tras: 28 }],
  })
  const bytes = writeDdr3(ddr3)
  bytes.set([0x0c, 0x4a], 176)
  expect(codes(bytes)).toEqual(['PROFILE_UNREADABLE'])
})

test('the second block’s checksum vouches for the second block alone', () => {
  const bytes = writeDdr4(stick())
  expect(codes(bytes)).toEqual([])
  bytes[128] = 20
  const [reading] = answerTo(bytes).modules
  expect(codes(bytes)).toEqual(['SECOND_CHECKSUM_WRONG'])
  expect(reading).toMatchObject({ verified: true })
  const unverified = read(bytes).observations.filter(
    ({ source }) => source === 'unverified-contents',
  )
  expect(unverified.map(({ what }) => what)).toEqual(['heightMm'])
})

test('ranks that differ say no capacity', () => {
  const bytes = writeDdr4(stick())
  bytes[12] = (bytes[12] as number) | 0x40
  expect(module(bytes)?.capacityGiB).toBeUndefined()
  expect(codes(bytes)).toContain('UNEVEN_RANKS')
})
