import { dieGbit, type Module } from '../../things/model'
import type { FormRead } from '../facts'
import { crc16 } from './checksum'
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
  word,
  writeIdentity,
  writeWord,
} from './shared'

/** Layout: JEDEC 21-C annex L (DDR4 SPD), 512 bytes. */
export const DDR4_LAYOUT: ContentsLayout = {
  format: 'spd-ddr4',
  generation: 'DDR4',
  size: 512,
  checksumAt: 126,
  covered: () => 126,
}

const DENSITY = { 2: 1, 3: 2, 4: 4, 5: 8, 6: 16, 7: 32, 8: 12, 9: 24 }
export const WIDTH = { 0: 4, 1: 8, 2: 16, 3: 32 }
const BUS = { 0: 8, 1: 16, 2: 32, 3: 64 }
const KIND: Record<number, ContentsKind & { ecc?: boolean }> = {
  1: { formFactor: 'DIMM', buffering: 'registered' },
  2: { formFactor: 'DIMM', buffering: 'unbuffered' },
  3: { formFactor: 'SODIMM', buffering: 'unbuffered' },
  4: { formFactor: 'DIMM', buffering: 'load-reduced' },
  9: { formFactor: 'SODIMM', buffering: 'unbuffered', ecc: true },
}
const IDENTITY = { maker: 320, date: 323, serial: 325, part: 329, partLength: 20 }

/** Timebases: 125 ps, and 1 ps for the fine part. */
const MEDIUM = 0.125
const FINE = 0.001

/** The second block, bytes 128 to 253, has a checksum of its own. */
const SECOND = { from: 128, to: 254, checksumAt: 254 }

const secondHolds = (bytes: Uint8Array): boolean =>
  crc16(bytes.subarray(SECOND.from, SECOND.to)) === word(bytes, SECOND.checksumAt)

/** Reads the identification contents of a DDR4 module. */
export function readDdr4(bytes: Uint8Array): FormRead {
  const contents = openContents(bytes, DDR4_LAYOUT)
  const at = (place: number) => byte(bytes, place)
  const bits = (place: number, shift: number, mask: number) => {
    const value = at(place)
    return value === null ? null : (value >> shift) & mask
  }
  noteKind(contents, looked(KIND, bits(3, 0, 15)), 3)
  const ranks = bits(12, 3, 7)
  note(contents, 'ranks', ranks === null ? null : ranks + 1, 12)
  note(contents, 'deviceWidth', looked(WIDTH, bits(12, 0, 7)), 12)
  const extension = bits(13, 3, 3)
  note(contents, 'ecc', extension === null ? null : extension === 1, 13)
  const stacked = bits(6, 0, 3) === 2
  noteSize(
    contents,
    {
      dieGbit: looked(DENSITY, bits(4, 0, 15)),
      busWidth: looked(BUS, bits(13, 0, 7)),
      stack: stacked ? (bits(6, 4, 7) ?? 0) + 1 : 1,
      uneven: bits(12, 6, 1) === 1,
    },
    { density: 4, bus: 13, ranks: 12 },
  )
  const voltage = bits(11, 0, 1)
  note(contents, 'voltages', voltage === null ? null : voltage === 1 ? [1.2] : undefined, 11)
  const time = (medium: number, fine: number) => {
    const coarse = at(medium)
    return coarse === null || coarse === 0
      ? null
      : coarse * MEDIUM + (signed(bytes, fine) ?? 0) * FINE
  }
  const tRAS = [bits(27, 0, 15), at(28)]
  const mask = [20, 21, 22, 23].map(at)
  const late = (mask[3] ?? 0) & 0x80
  if (mask[3] !== null && mask[3] !== undefined) mask[3] &= 0x3f
  noteSpeed(
    contents,
    {
      tCK: time(18, 125),
      tAA: time(24, 123),
      tRCD: time(25, 122),
      tRP: time(26, 121),
      tRAS:
        typeof tRAS[0] === 'number' && typeof tRAS[1] === 'number'
          ? (tRAS[0] * 256 + tRAS[1]) * MEDIUM
          : null,
    },
    latencies(mask, late ? 23 : 7),
    18,
  )
  const holds = secondHolds(bytes)
  if (!holds) {
    // Some are never written; then nothing is wrong, but nothing vouches for the block either.
    if (word(bytes, SECOND.checksumAt)) {
      const where = { byte: SECOND.checksumAt, length: 2 }
      contents.problems.push({ code: 'SECOND_CHECKSUM_WRONG', where })
    }
  }
  const height = bits(128, 0, 31)
  const mm = height === null || height === 0 ? null : height + 15
  note(contents, 'heightMm', mm, 128, 1, holds ? contents.about.source : 'unverified-contents')
  noteProfiles(contents)
  noteIdentity(contents, IDENTITY)
  return contentsRead(contents)
}

/**
 * The identification contents a DDR4 module would have at its highest standard speed.
 * @throws RangeError for a module whose figures the contents cannot hold.
 */
export function writeDdr4(module: Module, identity: Identity = {}): Uint8Array {
  const bytes = new Uint8Array(DDR4_LAYOUT.size)
  const { formFactor, buffering, ecc, ranks, deviceWidth } = module
  bytes.set([0x23, 0x12, 0x0c])
  const plain = codeOf<ContentsKind>(KIND, { formFactor, buffering }, 'kind of module', sameKind)
  bytes[3] = plain === 3 && ecc ? 9 : plain
  bytes[4] = codeOf(DENSITY, dieGbit(module), 'density')
  bytes[11] = 1
  bytes[12] = ((ranks - 1) << 3) | codeOf<number>(WIDTH, deviceWidth, 'device width')
  bytes[13] = (ecc ? 8 : 0) | 3
  bytes[128] = formFactor === 'SODIMM' ? 15 : 16
  const speed = topSpeed(module)
  const write = (clocks: number, medium: number, fine: number) => {
    const ps = picoseconds(clocks, speed.dataRate)
    const coarse = Math.ceil(ps / 125)
    if (coarse > 255) throw new RangeError('contents cannot hold this timing')
    bytes[medium] = coarse
    bytes[fine] = (ps - coarse * 125) & 0xff
  }
  write(1, 18, 125)
  write(speed.cl, 24, 123)
  write(speed.trcd, 25, 122)
  write(speed.trp, 26, 121)
  const tRAS = Math.floor(picoseconds(speed.tras, speed.dataRate) / 125)
  bytes[27] = (tRAS >> 8) & 15
  bytes[28] = tRAS & 0xff
  const late = speed.cl > 36
  const bit = speed.cl - (late ? 23 : 7)
  if (bit < 0 || bit > 29) throw new RangeError('contents cannot hold this CAS latency')
  bytes[20 + (bit >> 3)] = 1 << (bit & 7)
  if (late) bytes[23] = (bytes[23] ?? 0) | 0x80
  writeIdentity(bytes, identity, IDENTITY)
  writeWord(bytes, DDR4_LAYOUT.checksumAt, crc16(bytes.subarray(0, 126)))
  writeWord(bytes, SECOND.checksumAt, crc16(bytes.subarray(SECOND.from, SECOND.to)))
  return bytes
}
