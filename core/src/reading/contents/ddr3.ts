import { dieGbit, type Module } from '../../things/model'
import type { FormRead } from '../facts'
import { crc16 } from './checksum'
import { WIDTH } from './ddr4'
import { noteProfiles } from './profiles'
import {
  byte,
  type ContentsKind,
  type ContentsLayout,
  codeOf,
  contentsRead,
  type Identity,
  latencies,
  looked,
  note,
  noteIdentity,
  noteKind,
  noteSize,
  noteSpeed,
  openContents,
  picoseconds,
  sameKind,
  signed,
  topSpeed,
  writeIdentity,
  writeWord,
} from './shared'

/** Layout: JEDEC 21-C annex K (DDR3 SPD), 256 bytes. */
export const DDR3_LAYOUT: ContentsLayout = {
  format: 'spd-ddr3',
  generation: 'DDR3',
  size: 256,
  checksumAt: 126,
  covered: (bytes) => ((bytes[0] ?? 0) & 0x80 ? 117 : 126),
}

const DENSITY = { 0: 0.25, 1: 0.5, 2: 1, 3: 2, 4: 4, 5: 8, 6: 16 }
const BUS = { 0: 8, 1: 16, 2: 32, 3: 64 }
const KIND: Record<number, ContentsKind> = {
  1: { formFactor: 'DIMM', buffering: 'registered' },
  2: { formFactor: 'DIMM', buffering: 'unbuffered' },
  3: { formFactor: 'SODIMM', buffering: 'unbuffered' },
  8: { formFactor: 'SODIMM', buffering: 'unbuffered' },
  11: { formFactor: 'DIMM', buffering: 'load-reduced' },
}
const IDENTITY = { maker: 117, date: 120, serial: 122, part: 128, partLength: 18 }

/** Reads the identification contents of a DDR3 module. */
export function readDdr3(bytes: Uint8Array): FormRead {
  const contents = openContents(bytes, DDR3_LAYOUT)
  const at = (place: number) => byte(bytes, place)
  const bits = (place: number, shift: number, mask: number) => {
    const value = at(place)
    return value === null ? null : (value >> shift) & mask
  }
  noteKind(contents, looked(KIND, bits(3, 0, 15)), 3)
  const ranks = bits(7, 3, 7)
  note(contents, 'ranks', ranks === null ? null : ranks + 1, 7)
  note(contents, 'deviceWidth', looked(WIDTH, bits(7, 0, 7)), 7)
  const extension = bits(8, 3, 3)
  note(contents, 'ecc', extension === null ? null : extension === 1, 8)
  noteSize(
    contents,
    { dieGbit: looked(DENSITY, bits(4, 0, 15)), busWidth: looked(BUS, bits(8, 0, 7)) },
    { density: 4, bus: 8, ranks: 7 },
  )
  const voltage = at(6)
  note(contents, 'voltages', voltage === null ? null : voltagesOf(voltage), 6)
  const medium = ratio(at(10), at(11))
  if (medium === undefined) note(contents, 'speeds', undefined, 10, 2)
  else if (medium !== null) {
    const fine = (ratio(bits(9, 4, 15), bits(9, 0, 15)) ?? 1) / 1000
    const time = (coarse: number, rest: number) => {
      const units = at(coarse)
      return units === null || units === 0
        ? null
        : units * medium + (signed(bytes, rest) ?? 0) * fine
    }
    const [high, low] = [bits(21, 0, 15), at(22)]
    noteSpeed(
      contents,
      {
        tCK: time(12, 34),
        tAA: time(16, 35),
        tRCD: time(18, 36),
        tRP: time(20, 37),
        tRAS: high === null || low === null ? null : (high * 256 + low) * medium,
      },
      latencies([at(14), at(15)], 4),
      12,
    )
  }
  noteProfiles(contents)
  noteIdentity(contents, IDENTITY)
  return contentsRead(contents)
}

/** Bit 0 set: not at 1.5 V; bit 1: at 1.35 V; bit 2: at 1.25 V. */
function voltagesOf(bits: number): number[] | undefined {
  const all = [...(bits & 4 ? [1.25] : []), ...(bits & 2 ? [1.35] : []), ...(bits & 1 ? [] : [1.5])]
  return all.length > 0 ? all : undefined
}

/** A timebase: null where it is missing, undefined where it divides by nothing. */
function ratio(dividend: number | null, divisor: number | null): number | null | undefined {
  if (dividend === null || divisor === null) return null
  return dividend === 0 || divisor === 0 ? undefined : dividend / divisor
}

/**
 * The identification contents a DDR3 module would have at its highest standard speed.
 * @throws RangeError for a module whose figures the contents cannot hold.
 */
export function writeDdr3(module: Module, identity: Identity = {}): Uint8Array {
  const bytes = new Uint8Array(DDR3_LAYOUT.size)
  const { formFactor, buffering, ecc, ranks, deviceWidth, voltages } = module
  bytes.set([0x92, 0x13, 0x0b])
  const plain = codeOf(KIND, { formFactor, buffering }, 'kind of module', sameKind)
  bytes[3] = plain === 3 && ecc ? 8 : plain
  bytes[4] = codeOf(DENSITY, dieGbit(module), 'density')
  bytes[6] =
    (voltages.includes(1.5) ? 0 : 1) |
    (voltages.includes(1.35) ? 2 : 0) |
    (voltages.includes(1.25) ? 4 : 0)
  bytes[7] = ((ranks - 1) << 3) | codeOf<number>(WIDTH, deviceWidth, 'device width')
  bytes[8] = (ecc ? 8 : 0) | 3
  bytes.set([0x11, 1, 8], 9)
  const speed = topSpeed(module)
  const write = (clocks: number, coarse: number, fine: number) => {
    const ps = picoseconds(clocks, speed.dataRate)
    const units = Math.ceil(ps / 125)
    if (units > 255) throw new RangeError('contents cannot hold this timing')
    bytes[coarse] = units
    bytes[fine] = (ps - units * 125) & 0xff
  }
  write(1, 12, 34)
  write(speed.cl, 16, 35)
  write(speed.trcd, 18, 36)
  write(speed.trp, 20, 37)
  const tRAS = Math.floor(picoseconds(speed.tras, speed.dataRate) / 125)
  bytes[21] = (tRAS >> 8) & 15
  bytes[22] = tRAS & 0xff
  const bit = speed.cl - 4
  if (bit < 0 || bit > 14) throw new RangeError('contents cannot hold this CAS latency')
  bytes[14 + (bit >> 3)] = 1 << (bit & 7)
  writeIdentity(bytes, identity, IDENTITY)
  writeWord(bytes, DDR3_LAYOUT.checksumAt, crc16(bytes.subarray(0, 117)))
  return bytes
}
