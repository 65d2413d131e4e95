import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { stick } from '../../../test/builders'
import { hex } from '../../../test/tables'
import type { Module } from '../../things/model'
import { answerTo, read, trustOf } from '../inputs'
import { crc16 } from './checksum'
import { writeDdr3 } from './ddr3'
import { writeDdr4 } from './ddr4'
import { writeDdr5 } from './ddr5'

const codes = (bytes: Uint8Array | string) => answerTo(bytes).problems.map(({ code }) => code)

/** Seals contents made by hand. */
function sealed(bytes: Uint8Array, at: number, covered: number): Uint8Array {
  const crc = crc16(bytes.subarray(0, covered))
  bytes.set([crc & 0xff, crc >> 8], at)
  return bytes
}

function ascii(text: string): number[] {
  return Array.from(text, (letter) => letter.charCodeAt(0))
}

test('CRC-16 with polynomial 0x1021 from 0: “123456789” gives 0x31C3', () => {
  expect(crc16(Uint8Array.from(ascii('123456789')))).toBe(0x31c3)
})

/** DDR4-3200AA small-outline, 16 GiB of 2 ranks by 8, byte for byte. */
function ddr4(): Uint8Array {
  const bytes = new Uint8Array(512)
  bytes.set([0x23, 0x11, 0x0c, 0x03, 0x85, 0x21, 0x00])
  bytes[11] = 0x03
  bytes[12] = 0b00_001_001 // 2 ranks, ×8
  bytes[13] = 0b00_000_011 // 64 bits, no ECC
  bytes[18] = 5 // 5 × 125 ps = 0.625 ns, so 2000 ÷ 0.625 = 3200 MT/s
  bytes[24] = 110 // 110 × 125 ps = 13.75 ns ÷ 0.625 = 22 clocks
  bytes[25] = 110
  bytes[26] = 110
  bytes[28] = 0 // 256 × 125 ps = 32 ns ÷ 0.625 = 51.2, rounded up by the rule to 52
  bytes[27] = 1
  bytes[20] = 0b1111_1000 // CL 10 to 14
  bytes[21] = 0b1111_1111 // CL 15 to 22
  bytes[128] = 15 // 30 mm
  bytes.set([0x01, 0x98], 320)
  bytes.set([0x24, 0x07], 323) // BCD: 2024, week 7
  bytes.set([0xde, 0xad, 0xbe, 0xef], 325)
  bytes.set(ascii('M4S-16-3200'.padEnd(20)), 329)
  return sealed(bytes, 126, 126)
}

describe('DDR4 contents', () => {
  test('made by hand', () => {
    const { format, modules, problems } = answerTo(ddr4())
    expect({ format, problems }).toEqual({ format: 'spd-ddr4', problems: [] })
    expect(modules[0]?.verified).toBe(true)
    // density code 5 is 8 Gbit; 8 ÷ 8 × 64 ÷ 8 × 2 ranks = 16 GiB
    expect(modules[0]?.module).toEqual({
      generation: 'DDR4',
      formFactor: 'SODIMM',
      buffering: 'unbuffered',
      ecc: false,
      ranks: 2,
      deviceWidth: 8,
      dieGbit: 8,
      capacityGiB: 16,
      voltages: [1.2],
      speeds: [{ kind: 'standard', dataRate: 3200, cl: 22, trcd: 22, trp: 22, tras: 52 }],
      times: {
        taa: 13.75,
        trcd: 13.75,
        trp: 13.75,
        tras: 32,
        cls: [10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21, 22],
      },
      heightMm: 30,
      makerCode: '0198',
      madeWeek: '2024-W07',
      serial: 'DEADBEEF',
      partNumber: 'M4S-16-3200',
    })
    const serial = read(ddr4()).observations.find(({ what }) => what === 'serial')
    expect(serial).toMatchObject({ source: 'contents', where: { byte: 325, length: 4 } })
    expect(serial && trustOf({ ...serial, input: 'of a job' })).toBe('sure')
  })

  test('a fine timebase: 0.75 ns is 6 × 125 ps, 14.25 ns is 114 × 125 ps; 0.682 ns is 6 × 125 − 68 ps', () => {
    const bytes = ddr4()
    bytes[18] = 6
    bytes.set([114, 114, 114], 24)
    // 19 clocks of 0.75 ns
    expect(answerTo(sealed(bytes, 126, 126)).modules[0]?.module.speeds).toMatchObject([
      { dataRate: 2666, cl: 19, trcd: 19 },
    ])
    bytes[125] = 256 - 68
    // 14.25 ns ÷ 0.6818 = 20.9, up to 21
    expect(answerTo(sealed(bytes, 126, 126)).modules[0]?.module.speeds).toMatchObject([
      { dataRate: 2933, cl: 21 },
    ])
  })

  test('the next CAS latency the module supports is taken', () => {
    const bytes = ddr4()
    bytes[21] = 0b0111_1111 // without 22
    bytes[22] = 0b0000_0010 // with 24
    expect(answerTo(sealed(bytes, 126, 126)).modules[0]?.module.speeds?.[0]?.cl).toBe(24)
  })

  test('stacked dies multiply the capacity: 2 high makes 32 GiB', () => {
    const bytes = ddr4()
    bytes[6] = 0b1_001_00_10
    expect(answerTo(sealed(bytes, 126, 126)).modules[0]?.module.capacityGiB).toBe(32)
  })

  test.each([
    [1, 'DIMM', 'registered'],
    [2, 'DIMM', 'unbuffered'],
    [4, 'DIMM', 'load-reduced'],
    [9, 'SODIMM', 'unbuffered'],
  ])('type %i is %s, %s', (type, formFactor, buffering) => {
    const bytes = ddr4()
    bytes[3] = type
    expect(answerTo(sealed(bytes, 126, 126)).modules[0]?.module).toMatchObject({
      formFactor,
      buffering,
    })
  })

  test('ECC is 8 bits more than 64', () => {
    const bytes = ddr4()
    bytes[13] = 0b00_001_011
    expect(answerTo(sealed(bytes, 126, 126)).modules[0]?.module).toMatchObject({
      ecc: true,
      capacityGiB: 16,
    })
  })

  test('codes that mean nothing are said, with their place', () => {
    const bytes = ddr4()
    bytes[4] = 0x8f
    bytes[3] = 0x0e
    expect(answerTo(sealed(bytes, 126, 126)).problems).toEqual([
      { code: 'TYPE_UNKNOWN', where: { byte: 3, length: 1 } },
      { code: 'FIELD_UNKNOWN', where: { byte: 4, length: 1 } },
    ])
  })
})

test('DDR3 contents made by hand', () => {
  const bytes = new Uint8Array(256)
  bytes.set([0x92, 0x10, 0x0b, 0x03, 0x03]) // small-outline; density code 3 is 2 Gbit
  bytes[6] = 0b010 // 1.35 V, and 1.5 V since bit 0 is clear
  bytes[7] = 0b00_001_001 // 2 ranks, ×8
  bytes[8] = 3
  bytes.set([0x11, 1, 8], 9) // 1 ps fine, 1/8 ns medium
  bytes[12] = 10 // 10 ÷ 8 = 1.25 ns: 1600 MT/s
  bytes[16] = 110 // 13.75 ns ÷ 1.25 = 11
  bytes[18] = 110
  bytes[20] = 110
  bytes[21] = 0x11
  bytes[22] = 0x18 // 0x118 = 280 ÷ 8 = 35 ns ÷ 1.25 = 28
  bytes[14] = 0b1111_1110
  bytes.set([0x80, 0x2c], 117)
  bytes.set([0x13, 0x40], 120)
  bytes.set([1, 2, 3, 4], 122)
  bytes.set(ascii('H3-4-1600L'.padEnd(18)), 128)
  // bit 7 of byte 0 is set: the checksum covers bytes 0 to 116
  const { format, modules, problems } = answerTo(sealed(bytes, 126, 117))
  expect({ format, problems }).toEqual({ format: 'spd-ddr3', problems: [] })
  expect(modules[0]).toMatchObject({
    verified: true,
    module: {
      generation: 'DDR3',
      formFactor: 'SODIMM',
      capacityGiB: 4,
      dieGbit: 2,
      voltages: [1.35, 1.5],
      speeds: [{ dataRate: 1600, cl: 11, trcd: 11, trp: 11, tras: 28 }],
      makerCode: '802C',
      madeWeek: '2013-W40',
      serial: '01020304',
      partNumber: 'H3-4-1600L',
    },
  })
  bytes[6] = 0b011
  expect(answerTo(bytes).modules[0]?.module.voltages).toEqual([1.35])
})

test('DDR5 contents made by hand', () => {
  const bytes = new Uint8Array(1024)
  bytes.set([0x30, 0x10, 0x12, 0x03, 0x04, 0x00, 0x20]) // 16 Gbit, ×8
  bytes.set([0x65, 0x01], 20) // 0x165 = 357 ps: 5602, so 5600 MT/s
  bytes.set([0xff, 0xff, 0xff, 0xff, 0x00], 24)
  bytes.set([0x80, 0x3e, 0x80, 0x3e, 0x80, 0x3e, 0x00, 0x7d], 30) // 16000 ps three times, 32000 ps
  bytes[234] = 0
  bytes[235] = 0b0_01_00_010 // two sub-channels of 32 bits
  bytes.set([0x25, 0x31], 515)
  bytes.set(ascii('K5-16-5600'.padEnd(30)), 521)
  const { format, modules, problems } = answerTo(sealed(bytes, 510, 510))
  expect({ format, problems }).toEqual({ format: 'spd-ddr5', problems: [] })
  // 16 ÷ 8 × 32 ÷ 8 × 1 rank × 2 sub-channels = 16 GiB.
  // 16 ns × 2800 MHz = 44.8; × 0.997 + 1 = 45.67, so 45, and an odd CL goes up to 46.
  // 32 ns × 2800 MHz = 89.6; × 0.997 + 1 = 90.3, so 90.
  expect(modules[0]).toMatchObject({
    verified: true,
    module: {
      generation: 'DDR5',
      formFactor: 'SODIMM',
      capacityGiB: 16,
      ecc: false,
      speeds: [{ dataRate: 5600, cl: 46, trcd: 45, trp: 45, tras: 90 }],
      madeWeek: '2025-W31',
      partNumber: 'K5-16-5600',
    },
  })
  expect(modules[0]?.module.serial).toBeUndefined()
})

describe('contents that cannot be trusted', () => {
  test('a wrong checksum: read all the same, never verified', () => {
    const bytes = ddr4()
    bytes[12] = 0
    const { modules, problems } = answerTo(bytes)
    expect(problems).toEqual([{ code: 'CHECKSUM_WRONG', where: { byte: 126, length: 2 } }])
    expect(modules[0]).toMatchObject({ verified: false, module: { ranks: 1 } })
    expect(read(bytes).observations.every(({ source }) => source === 'unverified-contents')).toBe(
      true,
    )
  })

  test.each([20, 126, 256, 511])('cut off after %i bytes', (length) => {
    const { modules, problems } = answerTo(ddr4().subarray(0, length))
    expect(problems[0]).toEqual({
      code: 'TRUNCATED',
      where: { byte: length, length: 512 - length },
    })
    expect(modules[0]?.verified).toBe(false)
    expect(modules[0]?.module.capacityGiB).toBe(16)
  })

  test('an unknown memory type', () => {
    const bytes = ddr4()
    bytes[2] = 0x0e
    expect(answerTo(bytes)).toMatchObject({
      format: 'unknown',
      modules: [],
      problems: [{ code: 'MEMORY_TYPE_UNKNOWN', where: { byte: 2, length: 1 } }],
    })
  })
})

describe('hexadecimal text is the same as the bytes', () => {
  const bytes = ddr4()
  const rows = (per: number) =>
    Array.from({ length: 512 / per }, (_, at) => bytes.subarray(at * per, (at + 1) * per))
  const printable = (row: Uint8Array) =>
    Array.from(row, (one) => (one > 32 && one < 127 ? String.fromCharCode(one) : '.')).join('')
  const offset = (at: number) => (at * 16).toString(16).padStart(8, '0')

  test.each([
    ['pairs', hex(bytes)],
    ['one run', hex(bytes).replaceAll(' ', '')],
    [
      'upper case with 0x and commas',
      hex(bytes)
        .replaceAll(/(..) ?/g, '0x$1, ')
        .toUpperCase(),
    ],
    ['lines', rows(16).map(hex).join('\r\n')],
    [
      'offsets and characters',
      rows(16)
        .map(
          (row, at) =>
            `${offset(at)}: ${hex(row).replaceAll(/(..) (..)/g, '$1$2')}  ${printable(row)}`,
        )
        .join('\n'),
    ],
    [
      'offsets, a gap and bars',
      rows(16)
        .map(
          (row, at) =>
            `${offset(at)}  ${hex(row.subarray(0, 8))}  ${hex(row.subarray(8))}  |${printable(row)}|`,
        )
        .join('\n'),
    ],
  ])('as %s', (_, text) => {
    expect({ ...answerTo(text), parts: [] }).toEqual(answerTo(bytes))
  })

  test('a digit short is no contents', () => {
    expect(answerTo(hex(bytes).slice(0, -1)).format).toBe('unknown')
  })
})

describe('what is written is read back', () => {
  const identity = {
    serial: '12AB34CD',
    partNumber: 'Q-1 demo',
    makerCode: '7F01',
    madeWeek: '2023-W52',
  }
  const clocks = (least: number, most: number) => fc.integer({ min: least, max: most })
  const kinds = {
    DDR3: [
      ['DIMM', 'unbuffered'],
      ['SODIMM', 'unbuffered'],
      ['DIMM', 'registered'],
      ['DIMM', 'load-reduced'],
    ],
    DDR5: [
      ['DIMM', 'clocked'],
      ['SODIMM', 'clocked'],
      ['CAMM2', 'unbuffered'],
      ['DIMM', 'unbuffered'],
      ['DIMM', 'registered'],
    ],
  } as const

  function modules(
    generation: 'DDR3' | 'DDR4' | 'DDR5',
    dies: number[],
    rates: number[],
    cl: fc.Arbitrary<number>,
  ): fc.Arbitrary<Module> {
    return fc
      .record({
        kind: fc.constantFrom(...kinds[generation === 'DDR4' ? 'DDR3' : generation]),
        die: fc.constantFrom(...dies),
        ranks: fc.constantFrom(1, 2),
        deviceWidth: fc.constantFrom(4 as const, 8 as const, 16 as const),
        ecc: fc.boolean(),
        dataRate: fc.constantFrom(...rates),
        cl,
        trcd: clocks(9, 40),
        trp: clocks(9, 40),
        tras: clocks(20, 90),
      })
      .map(({ kind, die, ranks, deviceWidth, ecc, dataRate, tras, ...rest }) => {
        // A timing is held as at most 255 × 125 ps before DDR5.
        const most = generation === 'DDR5' ? 99 : Math.floor((31 * dataRate) / 2000)
        const [cl = 0, trcd = 0, trp = 0] = [rest.cl, rest.trcd, rest.trp].map((one) =>
          Math.min(one, most),
        )
        return stick({
          generation,
          formFactor: kind[0],
          buffering: kind[1],
          ecc:
            generation === 'DDR5' || kind[0] === 'SODIMM' || kind[1] === 'unbuffered' ? ecc : true,
          capacityGiB: (die * ranks * 64) / deviceWidth / 8,
          ranks,
          deviceWidth,
          voltages: { DDR3: [1.35, 1.5], DDR4: [1.2], DDR5: [1.1] }[generation],
          speeds: [{ kind: 'standard', dataRate, cl, trcd, trp, tras }],
        })
      })
  }

  test.each([
    ['DDR3', writeDdr3, modules('DDR3', [1, 2, 4, 8], [1066, 1333, 1600, 1866], clocks(6, 13))],
    [
      'DDR4',
      writeDdr4,
      modules('DDR4', [4, 8, 16], [1600, 1866, 2133, 2400, 2666, 2933, 3200], clocks(9, 36)),
    ],
    [
      'DDR5',
      writeDdr5,
      modules(
        'DDR5',
        [16, 24, 32],
        [4800, 5200, 5600, 6000, 6400, 7200],
        clocks(15, 30).map((half) => half * 2),
      ),
    ],
  ] as const)('%s', (_, write, arbitrary) => {
    fc.assert(
      fc.property(arbitrary, (module) => {
        const written = write(module, identity)
        const { modules: back, problems } = answerTo(written)
        expect(problems).toEqual([])
        const { article: _a, kit: _k, ...figures } = module
        expect(back[0]).toMatchObject({ verified: true, module: { ...figures, ...identity } })
      }),
    )
  })

  test('a module the contents cannot hold is refused', () => {
    expect(() => writeDdr4(stick({ capacityGiB: 8, ranks: 1, deviceWidth: 64 }))).toThrow(
      RangeError,
    )
    expect(() => writeDdr4(stick({ formFactor: 'CAMM2' }))).toThrow('kind of module')
  })
})

test('bytes behind the end are said', () => {
  const longer = new Uint8Array(600)
  longer.set(ddr4())
  expect(codes(longer)).toEqual(['TRAILING_BYTES'])
})
