import { GENERATIONS, type Generation } from '../../things/model'
import {
  type EccKind,
  learn,
  meaningful,
  type Printed,
  type Problem,
  type Subject,
  type Where,
} from '../facts'
import { bufferingInWords, type Device, type DeviceField, devices, NO_DEVICE } from './device'
import { isBlank, isPrompt, type PrintForm, type TextLines } from './form'
import { inGiB } from './units'

type Block = 'array' | 'device' | 'other'

const HEADER =
  /^(?:handle\b.*\bdmi type (\d+)\b.*|(physical memory array|memory device)|([a-z][\w ./()-]{2,60}))$/i
const TITLE = /^\s*(?:Physical Memory Array|Memory Device)\s*$/i
const DMI_TYPE = /\bDMI type 1[67]\b/i
const STARTER = /^\s*(?:Total Width|Size|Locator)\s*:/i
const TELLING = [
  'locator',
  'form factor',
  'size',
  'type detail',
  'total width',
  'part number',
  'speed',
]

/** A type of memory, or that none is said. */
const MEMORY_TYPE = /ram|ddr|unknown|other|none|not |out of spec|^$/i

/** Whether a listing of an SMBIOS table begins at a line; without its headings, by several of its keys. */
function beginsListing(lines: TextLines, at: number): boolean {
  const line = lines[at] as string
  if (TITLE.test(line) || DMI_TYPE.test(line)) return true
  if (!STARTER.test(line)) return false
  const keys = new Set<string>()
  for (let n = at; n < at + 25 && !isBlank(lines[n]); n += 1) {
    const { key, value } = split(lines[n] as string)
    // A disk has a size, a form and a speed too.
    if (key === 'type' && !MEMORY_TYPE.test(value)) return false
    keys.add(key)
  }
  return TELLING.filter((key) => keys.has(key)).length >= 3
}

interface Open {
  block: Block
  device: Device
  lines: Partial<Record<DeviceField, number>>
  line: number
  handle: string | null
  /** The array a device belongs to, and the key lines of an array, which count once its use is known. */
  array: string | null
  use: string | null
  keys: { key: string; value: string; line: number }[]
}

/**
 * A text listing of an SMBIOS table: blocks of `Key: Value` lines under `Physical Memory Array` and
 * `Memory Device`. Indentation and case do not matter; a key that comes again begins the next device.
 * Arrays that are no system memory do not count, nor do their devices.
 */
export const smbiosListing: PrintForm = {
  name: 'smbiosListing',
  begins:
    /physical memory array|memory device|DMI type 1[67]|^\s*(?:total width|size|locator)\s*:/i,
  read(lines, at) {
    if (!beginsListing(lines, at)) return null
    const found = devices()
    const { machine, problems } = found
    const otherArrays = new Set<string>()
    const handles = new Set<string>()
    let handle: string | null = null
    let open: Open = begin('other', 0, null)
    let end = at + 1

    function close(): void {
      // The same structure listed twice is one.
      if (open.handle !== null && open.block !== 'other') {
        if (handles.has(open.handle)) return
        handles.add(open.handle)
      }
      if (open.block === 'array') {
        if (open.use !== null && !/system memory/i.test(open.use)) {
          if (open.handle !== null) otherArrays.add(open.handle)
          return
        }
        for (const { key, value, line } of open.keys) {
          takeArrayKey(key, value, { line }, machine, problems)
        }
      }
      if (open.block !== 'device' || Object.keys(open.lines).length === 0) return
      if (open.array !== null && otherArrays.has(open.array)) return
      const { device, lines: places, line } = open
      found.take(device, (field) => ({ line: places[field] ?? line }))
    }

    for (let n = at; n < lines.length; n += 1) {
      const line = n + 1
      const plain = (lines[n] as string).slice(0, 400).trim()
      if (plain === '') continue
      if (isPrompt(lines[n] as string)) break
      if (!plain.includes(':')) {
        const block = blockOf(plain)
        const named = /^handle\b/i.test(plain)
        if (named) handle = plain.split(/[\s,]+/)[1]?.toLowerCase() ?? null
        if (block === null) continue
        if (!named && block === open.block && Object.keys(open.lines).length === 0) continue
        close()
        open = begin(block, line, handle)
        if (!named) handle = null
        if (block !== 'other') end = line
        continue
      }
      const { key, value } = split(plain)
      if (key === 'handle') continue
      if (open.block === 'other' && DEVICE_KEYS[key] && STARTERS.has(key)) {
        close()
        open = begin('device', line, null)
      }
      if (open.block === 'other') continue
      end = line
      if (key === 'use') open.use = value
      else if (key === 'array handle') open.array = value.toLowerCase()
      else if (open.block === 'array') open.keys.push({ key, value, line })
      else {
        const field = DEVICE_KEYS[key]
        if (!field) {
          if (!PASSED.has(key)) {
            problems.push({ code: 'LINE_NOT_UNDERSTOOD', where: { line } })
          }
          continue
        }
        if (open.lines[field] !== undefined && key !== 'speed' && STARTERS.has(key)) {
          close()
          open = begin('device', line, null)
        }
        takeDeviceKey(field, value, line, open, problems)
      }
    }
    close()
    const listed = found.listed()
    if (machine.said.slotCount === undefined && listed > 0) {
      learn(machine, 'slotCount', listed, { line: at + 1 })
    }
    if (listed === 0) problems.push({ code: 'NO_MEMORY_IN_TABLE', where: null })
    return { ...found.read('smbios-text'), end }
  },
}

function begin(block: Block, line: number, handle: string | null): Open {
  return {
    block,
    device: { ...NO_DEVICE },
    lines: {},
    line,
    handle,
    array: null,
    use: null,
    keys: [],
  }
}

function split(line: string): { key: string; value: string } {
  const colon = line.indexOf(':')
  return colon < 0
    ? { key: '', value: line.trim() }
    : { key: line.slice(0, colon).trim().toLowerCase(), value: line.slice(colon + 1).trim() }
}

/** Keys of a device that say nothing that is needed. */
const PASSED = new Set([
  'error information handle',
  'set',
  'asset tag',
  'minimum voltage',
  'maximum voltage',
  'memory technology',
  'memory operating mode capability',
  'firmware version',
  'module manufacturer id',
  'module product id',
  'memory subsystem controller manufacturer id',
  'memory subsystem controller product id',
  'non-volatile size',
  'volatile size',
  'cache size',
  'logical size',
  'pmic0 manufacturer id',
  'pmic0 revision number',
  'rcd manufacturer id',
  'rcd revision number',
])

/** The block a line without a colon begins, or null where it begins none. */
function blockOf(row: string): Block | null {
  const match = HEADER.exec(row)
  if (!match) return null
  if (match[1]) return match[1] === '16' ? 'array' : match[1] === '17' ? 'device' : 'other'
  const name = (match[2] ?? match[3] ?? '').toLowerCase()
  if (name === 'physical memory array') return 'array'
  return name === 'memory device' ? 'device' : 'other'
}

const DEVICE_KEYS: Record<string, DeviceField> = {
  'total width': 'totalWidth',
  'data width': 'dataWidth',
  size: 'capacityGiB',
  'form factor': 'form',
  locator: 'locator',
  'bank locator': 'bank',
  type: 'generation',
  'type detail': 'buffering',
  speed: 'rated',
  manufacturer: 'maker',
  'serial number': 'serial',
  'part number': 'partNumber',
  rank: 'ranks',
  'configured memory speed': 'configured',
  'configured clock speed': 'configured',
  'configured voltage': 'millivolts',
}

/** Keys a device begins with: where one comes again, a header has been lost. */
const STARTERS = new Set(['total width', 'size', 'locator'])

function takeDeviceKey(
  field: DeviceField,
  value: string,
  line: number,
  { device, lines }: Open,
  problems: Problem[],
): void {
  lines[field] = line
  const fields = device as unknown as Record<DeviceField, unknown>
  if (
    field === 'maker' ||
    field === 'serial' ||
    field === 'partNumber' ||
    field === 'locator' ||
    field === 'bank'
  ) {
    fields[field] = value
    return
  }
  const parsed = PARSERS[field](value)
  if (parsed === undefined) problems.push({ code: 'FIELD_NOT_UNDERSTOOD', where: { line } })
  else fields[field] = parsed
}

const PARSERS: Record<
  Exclude<DeviceField, 'maker' | 'serial' | 'partNumber' | 'locator' | 'bank'>,
  (value: string) => unknown
> = {
  capacityGiB: capacityIn,
  totalWidth: bitsIn,
  dataWidth: bitsIn,
  form: formIn,
  generation: generationIn,
  buffering: bufferingInWords,
  rated: rateIn,
  configured: rateIn,
  ranks: (value) => {
    const ranks = Number(/^\d{1,2}/.exec(value)?.[0])
    return ranks >= 1 && ranks <= 16 ? ranks : null
  },
  millivolts: (value) => {
    const match = /^(\d+(?:[.,]\d+)?) ?(mv|v)?/i.exec(value)
    if (!match) return null
    const figure = Number(match[1]?.replace(',', '.'))
    return match[2]?.toLowerCase() === 'mv' || figure > 100 ? figure : Math.round(figure * 1000)
  },
}

/** `8 GB`, `8192 MB`, `16384 kB`; 0 for an empty slot, null where nothing is said, undefined where it is no size. */
function capacityIn(value: string): number | null | undefined {
  if (/no module|not installed|^empty|^\[empty\]|^none$/i.test(value)) return 0
  const match = /^(\d+(?:[.,]\d+)?) ?(k|m|g|t)i?b(?:ytes)?/i.exec(value)
  if (!match) return meaningful(value) === null ? null : undefined
  return inGiB(Number(match[1]?.replace(',', '.')), match[2])
}

function bitsIn(value: string): number | null {
  const bits = Number(/^(\d{1,4})/.exec(value)?.[1])
  return bits > 0 ? bits : null
}

function formIn(value: string): Device['form'] | null {
  const name = value.toUpperCase().replace(/[^A-Z0-9]/g, '')
  if (name.startsWith('SODIMM')) return 'SODIMM'
  if (name.startsWith('CAMM')) return 'CAMM2'
  if (name === 'ROWOFCHIPS' || name === 'DIE' || name === 'CHIP') return 'soldered'
  return name === 'DIMM' || name === 'UDIMM' || name === 'RDIMM' ? 'DIMM' : null
}

function generationIn(value: string): Generation | null {
  const name = value
    .toUpperCase()
    .replace(/[^A-Z0-9]/g, '')
    .replace(/^DDR3L$/, 'DDR3')
  return GENERATIONS.find((one) => one === name) ?? null
}

function rateIn(value: string): Printed | null | undefined {
  const match = /^(\d{2,5}) ?(mt\/?s|mhz)?/i.exec(value)
  if (!match) return meaningful(value) === null ? null : undefined
  const unit = match[2]?.toLowerCase()
  return {
    figure: Number(match[1]),
    unit: unit === undefined ? null : unit === 'mhz' ? 'MHz' : 'MT/s',
  }
}

const ECC_WORDS: [RegExp, EccKind][] = [
  [/^none/i, 'none'],
  [/parity/i, 'parity'],
  [/single/i, 'single-bit'],
  [/multi/i, 'multi-bit'],
  [/crc/i, 'crc'],
]

function takeArrayKey(
  key: string,
  value: string,
  where: Where,
  machine: Subject,
  problems: Problem[],
): void {
  const once = <What extends 'slotCount' | 'maximumGiB'>(what: What, figure: number) => {
    if (!(figure > 0)) problems.push({ code: 'FIELD_NOT_UNDERSTOOD', where })
    else learn(machine, what, (machine.said[what] ?? 0) + figure, where)
  }
  if (key === 'number of devices') once('slotCount', Number(/^\d{1,3}/.exec(value)?.[0]))
  else if (key === 'maximum capacity') once('maximumGiB', capacityIn(value) ?? Number.NaN)
  else if (key === 'error correction type') {
    const kind = ECC_WORDS.find(([word]) => word.test(value))?.[1]
    learn(machine, 'errorCorrection', kind, where)
  }
}
