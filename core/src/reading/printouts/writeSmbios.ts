import type { Machine } from '../../things/model'
import { topSpeed } from '../contents'
import { GENERATION_CODES } from './device'
import type { ReportedModule } from './writeCim'

const FORMS: Readonly<Record<string, number>> = { DIMM: 9, SODIMM: 13, soldered: 16, CAMM2: 17 }
const ECC = { none: 3, multiBit: 6 }
const UNBUFFERED = 0x4000
const REGISTERED = 0x2000

/**
 * The memory part of an SMBIOS table (DMTF DSP0134, version 3.2) as a machine’s firmware would leave it:
 * an array (type 16), a device (type 17) for each slot, empty ones too, and the end (type 127).
 */
export function writeSmbios(machine: Machine, reported: readonly ReportedModule[]): Uint8Array {
  const { slots, limits, generation } = machine
  const type = Number(Object.entries(GENERATION_CODES).find(([, one]) => one === generation)?.[0])
  const protectedBy = reported.length > 0 && reported.every(({ module }) => module.ecc)
  const array = structure(16, 0x1000, [
    ...[3, 3, protectedBy ? ECC.multiBit : ECC.none],
    ...dword(Math.min(limits.totalGiB * 1024 ** 2, 0x7fffffff)),
    ...[0xfe, 0xff],
    ...word(slots.length),
    ...dword(0),
    ...dword(0),
  ])
  const devices = slots.map(({ id, channel }, at) => {
    const one = reported.find(({ locator }) => locator === id)
    const bank = `BANK ${channel}`
    if (!one) return structure(17, 0x1100 + at, body({ type: 2 }), [id, bank])
    const { module, identity = {}, configuredDataRate } = one
    const megabytes = Math.round(module.capacityGiB * 1024)
    const buffered = module.buffering === 'registered' || module.buffering === 'load-reduced'
    const fields = {
      type,
      width: module.ecc ? 72 : 64,
      size: megabytes,
      form: FORMS[module.formFactor] ?? 2,
      detail: buffered ? REGISTERED : UNBUFFERED,
      speed: topSpeed(module).dataRate,
      ranks: module.ranks,
      configured: configuredDataRate,
      millivolts: Math.round((module.voltages[0] ?? 0) * 1000),
    }
    const { makerCode, serial, partNumber } = identity
    const names = [makerCode, serial, partNumber].map((name) => name || 'Not Specified')
    return structure(17, 0x1100 + at, body(fields), [id, bank, ...names])
  })
  return Uint8Array.from([...array, ...devices.flat(), ...structure(127, 0xfeff, [])])
}

interface DeviceFields {
  type: number
  width?: number
  size?: number
  form?: number
  detail?: number
  speed?: number
  ranks?: number
  configured?: number
  millivolts?: number
}

const UNKNOWN = 0xffff
/** Sizes in MB from here on stand in the double word behind. */
const LARGE = 0x7fff

function body(fields: DeviceFields): number[] {
  const { type, width = UNKNOWN, size = 0, form = 2, detail = 0, speed = 0 } = fields
  const { ranks = 0, configured = 0, millivolts = 0 } = fields
  const named = size > 0
  return [
    ...word(0x1000),
    ...word(0xfffe),
    ...word(width),
    ...word(width === UNKNOWN ? UNKNOWN : 64),
    ...word(Math.min(size, LARGE)),
    form,
    0,
    1,
    2,
    type,
    ...word(detail),
    ...word(speed),
    named ? 3 : 0,
    named ? 4 : 0,
    0,
    named ? 5 : 0,
    ranks,
    ...dword(size >= LARGE ? size : 0),
    ...word(configured),
    ...word(millivolts),
    ...word(millivolts),
    ...word(millivolts),
  ]
}

function structure(
  type: number,
  handle: number,
  formatted: readonly number[],
  strings: readonly string[] = [],
): number[] {
  const written = strings.flatMap((text) => [...Array.from(text, asByte), 0])
  const end = strings.length === 0 ? [0, 0] : [0]
  return [type, formatted.length + 4, ...word(handle), ...formatted, ...written, ...end]
}

const asByte = (letter: string) => letter.charCodeAt(0) & 0xff
const word = (value: number) => [value & 0xff, (value >> 8) & 0xff]
const dword = (value: number) => [...word(value & 0xffff), ...word(Math.floor(value / 65_536))]
