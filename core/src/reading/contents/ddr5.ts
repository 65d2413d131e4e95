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
  topSpeed,
  word,
  writeIdentity,
  writeWord,
} from './shared'

/** Layout: JESD400-5 (DDR5 SPD), 1024 bytes. */
export const DDR5_LAYOUT: ContentsLayout = {
  format: 'spd-ddr5',
  generation: 'DDR5',
  size: 1024,
  checksumAt: 510,
  covered: () => 510,
}

const DENSITY = { 1: 4, 2: 8, 3: 12, 4: 16, 5: 24, 6: 32, 7: 48, 8: 64 }
/** Dies stacked in a package; 1 is two dies side by side, which are ranks. */
const STACK = { 0: 1, 1: 1, 2: 2, 3: 4, 4: 8, 5: 16 }
const WIDTH = { 0: 4, 1: 8, 2: 16, 3: 32 }
const SUB_WIDTH = { 0: 8, 1: 16, 2: 32, 3: 64 }
const KIND: Record<number, ContentsKind> = {
  1: { formFactor: 'DIMM', buffering: 'registered' },
  2: { formFactor: 'DIMM', buffering: 'unbuffered' },
  3: { formFactor: 'SODIMM', buffering: 'unbuffered' },
  4: { formFactor: 'DIMM', buffering: 'load-reduced' },
  5: { formFactor: 'DIMM', buffering: 'clocked' },
  6: { formFactor: 'SODIMM', buffering: 'clocked' },
  8: { formFactor: 'CAMM2', buffering: 'unbuffered' },
}
const IDENTITY = { maker: 512, date: 515, serial: 517, part: 521, partLength: 30 }

/** Reads the identification contents of a DDR5 module. */
export function readDdr5(bytes: Uint8Array): FormRead {
  const contents = openContents(bytes, DDR5_LAYOUT)
  const at = (place: number) => byte(bytes, place)
  const bits = (place: number, shift: number, mask: number) => {
    const value = at(place)
    return value === null ? null : (value >> shift) & mask
  }
  noteKind(contents, looked(KIND, bits(3, 0, 15)), 3)
  const ranks = bits(234, 3, 7)
  note(contents, 'ranks', ranks === null ? null : ranks + 1, 234)
  note(contents, 'deviceWidth', looked(WIDTH, bits(6, 5, 7)), 6)
  const extension = bits(235, 3, 3)
  note(contents, 'ecc', extension === null ? null : extension > 0, 235)
  const subWidth = looked(SUB_WIDTH, bits(235, 0, 7))
  const subChannels = bits(235, 5, 3)
  const stack = looked(STACK, bits(4, 5, 7))
  if (stack === undefined) note(contents, 'capacityGiB', undefined, 4)
  noteSize(
    contents,
    {
      dieGbit: looked(DENSITY, bits(4, 0, 31)),
      busWidth:
        typeof subWidth === 'number' && subChannels !== null
          ? subWidth * (subChannels + 1)
          : (subWidth as null | undefined),
      stack: stack ?? 0,
      uneven: bits(234, 6, 1) === 1,
    },
    { density: 4, bus: 235, ranks: 234 },
  )
  if (bytes.length > 3) note(contents, 'voltages', [1.1], 2)
  const time = (place: number) => {
    const ps = word(bytes, place)
    return ps === null || ps === 0 ? null : ps / 1000
  }
  noteSpeed(
    contents,
    { tCK: time(20), tAA: time(30), tRCD: time(32), tRP: time(34), tRAS: time(36) },
    latencies([24, 25, 26, 27, 28].map(at), 20, 2),
    20,
  )
  noteProfiles(contents)
  noteIdentity(contents, IDENTITY)
  return contentsRead(contents)
}

/**
 * The identification contents a DDR5 module would have at its highest standard speed.
 * @throws RangeError for a module whose figures the contents cannot hold.
 */
export function writeDdr5(module: Module, identity: Identity = {}): Uint8Array {
  const bytes = new Uint8Array(DDR5_LAYOUT.size)
  const { formFactor, buffering, ecc, ranks, deviceWidth } = module
  bytes.set([0x30, 0x10, 0x12])
  bytes[3] = codeOf(KIND, { formFactor, buffering }, 'kind of module', sameKind)
  bytes[4] = codeOf(DENSITY, dieGbit(module), 'density')
  bytes[6] = codeOf<number>(WIDTH, deviceWidth, 'device width') << 5
  bytes[234] = (ranks - 1) << 3
  bytes[235] = (1 << 5) | (ecc ? 2 << 3 : 0) | 2
  const speed = topSpeed(module)
  const write = (clocks: number, at: number) => {
    const ps = picoseconds(clocks, speed.dataRate)
    if (ps > 0xffff) throw new RangeError('contents cannot hold this timing')
    writeWord(bytes, at, ps)
  }
  write(1, 20)
  write(speed.cl, 30)
  write(speed.trcd, 32)
  write(speed.trp, 34)
  write(speed.tras, 36)
  const bit = Math.ceil((speed.cl - 20) / 2)
  if (bit < 0 || bit > 39) throw new RangeError('contents cannot hold this CAS latency')
  bytes[24 + (bit >> 3)] = 1 << (bit & 7)
  writeIdentity(bytes, identity, IDENTITY)
  writeWord(bytes, DDR5_LAYOUT.checksumAt, crc16(bytes.subarray(0, 510)))
  return bytes
}
