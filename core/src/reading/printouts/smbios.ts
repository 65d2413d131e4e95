import {
  type EccKind,
  type FormRead,
  learn,
  type Printed,
  type Subject,
  type Where,
} from '../facts'
import { bufferingOf, type Device, devices, GENERATION_CODES, NO_DEVICE } from './device'

const ARRAY = 16
const DEVICE = 17
const END = 127
const ECC: Readonly<Record<number, EccKind>> = {
  3: 'none',
  4: 'parity',
  5: 'single-bit',
  6: 'multi-bit',
  7: 'crc',
}
const FORMS: Readonly<Record<number, Device['form']>> = {
  9: 'DIMM',
  11: 'soldered',
  13: 'SODIMM',
  16: 'soldered',
  17: 'CAMM2',
}
const SYSTEM_MEMORY = 3

interface Structure {
  type: number
  /** Where it begins, and how many bytes its formatted part has. */
  at: number
  length: number
  strings: string[]
}

interface Table {
  structures: Structure[]
  /** Where the table stops making sense, if it does. */
  brokenAt: number | null
}

/**
 * How likely bytes are an SMBIOS table, 0 to 1: by an entry point or a length that is right, by a chain
 * of structures that ends where it should, and by memory structures whose handles and strings make sense.
 */
export function smbiosLikelihood(bytes: Uint8Array): number {
  const start = tableStart(bytes)
  if (start === null) return 0
  const { structures, brokenAt } = walk(bytes, start)
  const memory = structures.filter(({ type, length }) =>
    type === ARRAY ? length >= 15 : type === DEVICE && length >= 21,
  )
  if (memory.length === 0) return start > 8 ? 0.9 : 0
  if (start > 0) return 1
  const handles = structures.map(({ at }) => word(bytes, at + 2))
  if (new Set(handles).size < handles.length) return 0.2
  const plausible = memory.filter((one) => isPlausible(bytes, one)).length / memory.length
  return plausible * (brokenAt === null ? 1 : 0.65)
}

/** Whether a memory structure refers to strings that it has, and uses codes that there are. */
function isPlausible(bytes: Uint8Array, { type, at, strings }: Structure): boolean {
  const of = (offset: number) => bytes[at + offset] as number
  if (type === ARRAY) return of(4) >= 1 && of(5) >= 1 && of(5) <= 7 && of(6) >= 1 && of(6) <= 7
  return (
    of(0x10) <= strings.length &&
    of(0x11) <= strings.length &&
    of(0x0e) >= 1 &&
    of(0x0e) <= 32 &&
    of(0x12) >= 1 &&
    of(0x12) <= 64
  )
}

/** Reads an SMBIOS table, with its entry point before it or without (DMTF DSP0134). */
export function readSmbios(bytes: Uint8Array): FormRead {
  const { structures, brokenAt } = walk(bytes, tableStart(bytes) ?? 0)
  const found = devices()
  const { machine, problems } = found
  takeArrays(bytes, structures, machine)
  const others = otherArrays(bytes, structures)
  for (const structure of structures) {
    if (structure.type !== DEVICE || structure.length < 21) continue
    if (others.has(word(bytes, structure.at + 4))) continue
    found.take(deviceIn(bytes, structure), whereIn(structure))
  }
  if (brokenAt !== null) {
    problems.push({
      code: 'TABLE_BROKEN',
      where: { byte: brokenAt, length: bytes.length - brokenAt },
    })
  }
  if (found.listed() === 0) problems.push({ code: 'NO_MEMORY_IN_TABLE', where: null })
  return found.read('smbios')
}

/** Where the structures begin: behind an entry point, behind the length some systems put first, or at once. */
function tableStart(bytes: Uint8Array): number | null {
  const anchor = String.fromCharCode(...bytes.subarray(0, 5))
  if (anchor === '_SM3_') return anchored(bytes, dword(bytes, 0x10), 24)
  if (anchor.startsWith('_SM_')) return anchored(bytes, dword(bytes, 0x18), 31)
  if (bytes.length > 8 && dword(bytes, 4) === bytes.length - 8) return 8
  return bytes.length >= 4 ? 0 : null
}

/** An entry point names an address in the machine; in a file the table follows at it, or at 0x20. */
function anchored(bytes: Uint8Array, address: number, least: number): number {
  if (address >= least && address < bytes.length) return address
  return Math.min(0x20, bytes.length)
}

function walk(bytes: Uint8Array, start: number): Table {
  const structures: Structure[] = []
  let at = start
  while (at + 4 <= bytes.length) {
    const type = bytes[at] as number
    const length = bytes[at + 1] as number
    if (length < 4 || at + length > bytes.length) return { structures, brokenAt: at }
    const strings: string[] = []
    let next = at + length
    let from = next
    while (next < bytes.length) {
      if (bytes[next] === 0) {
        if (next === from) break
        if (type === DEVICE) strings.push(text(bytes, from, next))
        from = next + 1
      }
      next += 1
    }
    if (next >= bytes.length) {
      structures.push({ type, at, length, strings })
      return { structures, brokenAt: at }
    }
    structures.push({ type, at, length, strings })
    if (type === END) return { structures, brokenAt: null }
    // The set of strings ends with an empty one; where there are no strings, two zeros stand for it.
    at = from === at + length ? from + 2 : from + 1
  }
  return { structures, brokenAt: at < bytes.length ? at : null }
}

function text(bytes: Uint8Array, from: number, to: number): string {
  return String.fromCharCode(...bytes.subarray(from, Math.min(to, from + 200)))
}

/** Handles of arrays that hold no system memory: their devices are no modules. */
function otherArrays(bytes: Uint8Array, structures: readonly Structure[]): Set<number> {
  const arrays = structures.filter(({ type, length }) => type === ARRAY && length >= 15)
  const others = arrays.filter(({ at }) => bytes[at + 5] !== SYSTEM_MEMORY)
  return new Set(others.map(({ at }) => word(bytes, at + 2)))
}

function takeArrays(bytes: Uint8Array, structures: readonly Structure[], machine: Subject): void {
  const arrays = structures.filter(
    ({ type, at, length }) => type === ARRAY && length >= 15 && bytes[at + 5] === SYSTEM_MEMORY,
  )
  const [first] = arrays
  if (!first) return
  const place = (offset: number, length: number): Where => ({ byte: first.at + offset, length })
  const sum = (of: (array: Structure) => number) => arrays.reduce((all, one) => all + of(one), 0)
  const slots = sum(({ at }) => word(bytes, at + 0x0d))
  const maximum = sum((array) => maximumGiB(bytes, array))
  learn(machine, 'slotCount', slots || null, place(0x0d, 2))
  learn(machine, 'maximumGiB', maximum || null, place(0x07, 4))
  learn(machine, 'errorCorrection', ECC[bytes[first.at + 6] as number], place(0x06, 1))
}

/** In KB; 0x80000000 means that the quad-word at 0x0F holds it, in bytes. */
function maximumGiB(bytes: Uint8Array, { at, length }: Structure): number {
  const kilobytes = dword(bytes, at + 7)
  if (kilobytes !== 0x80000000) return kilobytes / 1024 ** 2
  return length >= 0x17
    ? (dword(bytes, at + 0x0f) + dword(bytes, at + 0x13) * 2 ** 32) / 1024 ** 3
    : 0
}

function deviceIn(bytes: Uint8Array, { at, length, strings }: Structure): Device {
  const has = (offset: number, size: number) => offset + size <= length
  const byteAt = (offset: number) => (has(offset, 1) ? (bytes[at + offset] as number) : null)
  const wordAt = (offset: number) => (has(offset, 2) ? word(bytes, at + offset) : null)
  const dwordAt = (offset: number) => (has(offset, 4) ? dword(bytes, at + offset) : null)
  const stringAt = (offset: number) => strings[(byteAt(offset) ?? 0) - 1] ?? null
  const width = (offset: number) => known(wordAt(offset))
  const ranks = (byteAt(0x1b) ?? 0) & 15
  return {
    ...NO_DEVICE,
    totalWidth: width(0x08),
    dataWidth: width(0x0a),
    capacityGiB: capacityGiB(wordAt(0x0c), dwordAt(0x1c)),
    form: FORMS[byteAt(0x0e) ?? 0] ?? null,
    locator: stringAt(0x10),
    bank: stringAt(0x11),
    generation: GENERATION_CODES[byteAt(0x12) ?? 0] ?? null,
    buffering: bufferingOf(wordAt(0x13) ?? 0),
    rated: rate(wordAt(0x15), dwordAt(0x54)),
    maker: stringAt(0x17),
    serial: stringAt(0x18),
    partNumber: stringAt(0x1a),
    ranks: ranks === 0 ? null : ranks,
    configured: rate(wordAt(0x20), dwordAt(0x58)),
    millivolts: known(wordAt(0x26)),
  }
}

const known = (value: number | null) =>
  value === null || value === 0 || value === 0xffff ? null : value

/** In MB, with bit 15 in KB; 0x7FFF means the double word, 0xFFFF unknown, 0 empty. */
function capacityGiB(size: number | null, extended: number | null): number | null {
  if (size === null || size === 0xffff) return null
  if (size === 0x7fff) return extended === null ? null : (extended & 0x7fffffff) / 1024
  return size & 0x8000 ? (size & 0x7fff) / 1024 ** 2 : size / 1024
}

/** The standard says MT/s; tables from before version 3 hold what they call MHz. */
function rate(value: number | null, extended: number | null): Printed | null {
  const figure = value === 0xffff ? extended : value
  return figure === null || figure === 0 ? null : { figure, unit: null }
}

const PLACES: Partial<Record<keyof Device, [number, number]>> = {
  totalWidth: [0x08, 2],
  dataWidth: [0x0a, 2],
  capacityGiB: [0x0c, 2],
  form: [0x0e, 1],
  locator: [0x10, 1],
  bank: [0x11, 1],
  generation: [0x12, 1],
  buffering: [0x13, 2],
  rated: [0x15, 2],
  maker: [0x17, 1],
  serial: [0x18, 1],
  partNumber: [0x1a, 1],
  ranks: [0x1b, 1],
  configured: [0x20, 2],
  millivolts: [0x26, 2],
}

function whereIn({ at, length }: Structure): (field: keyof Device) => Where {
  return (field) => {
    const place = PLACES[field]
    return place ? { byte: at + place[0], length: place[1] } : { byte: at, length }
  }
}

function word(bytes: Uint8Array, at: number): number {
  return (bytes[at] as number) | ((bytes[at + 1] as number) << 8)
}

function dword(bytes: Uint8Array, at: number): number {
  return (word(bytes, at) | (word(bytes, at + 2) << 16)) >>> 0
}
