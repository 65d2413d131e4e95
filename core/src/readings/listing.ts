import { GENERATIONS, type Generation } from '../model'
import {
  type Device,
  type DeviceField,
  isSoldered,
  joinSubChannels,
  NO_DEVICE,
  takeDevice,
} from './device'
import type { EccKind, Problem, Where } from './facts'
import type { Printed } from './observed'
import {
  emptyMachine,
  learnMachine,
  type MachineReading,
  type ModuleReading,
  type Reading,
} from './reading'
import { meaningful } from './words'

type Block = 'array' | 'device' | 'other'

const HEADER =
  /^(?:handle\b.*\bdmi type (\d+)\b.*|(physical memory array|memory device)|([a-z][\w ./()-]{2,60}))$/i

/** Spaces only, never `\s`: over line ends it would be tried anew at every empty line. */
const TITLE = /^[ \t]*(?:Physical Memory Array|Memory Device)[ \t\r]*$/im
const DMI_TYPE = /\bDMI type 1[67]\b/i
const TELLING = [
  'Locator',
  'Form Factor',
  'Size',
  'Type Detail',
  'Total Width',
  'Part Number',
  'Speed',
].map((key) => new RegExp(`^[ \\t]*${key}[ \\t]*:`, 'im'))

/** Whether a text is a listing of an SMBIOS table. */
export function isListing(text: string): boolean {
  return (
    TITLE.test(text) || DMI_TYPE.test(text) || TELLING.filter((key) => key.test(text)).length >= 3
  )
}

interface Open {
  block: Block
  device: Device
  lines: Partial<Record<DeviceField, number>>
  line: number
}

/**
 * Reads a text listing of an SMBIOS table: blocks of `Key: Value` lines under `Physical Memory Array`
 * and `Memory Device`. Indentation, case and line ends do not matter; a key that comes again begins
 * the next device.
 */
export function readListing(text: string): Reading {
  const into = {
    modules: [] as ModuleReading[],
    machine: emptyMachine(),
    problems: [] as Problem[],
  }
  const widths: (number | null)[] = []
  let open: Open = begin('other', 0)

  function close(): void {
    if (open.block !== 'device' || Object.keys(open.lines).length === 0) return
    const { device, lines, line } = open
    const before = into.modules.length
    takeDevice(device, (field) => ({ line: lines[field] ?? line }), into)
    if (into.modules.length > before) widths.push(device.dataWidth)
  }

  let line = 0
  for (const row of text.split('\n')) {
    line += 1
    const plain = row.slice(0, 400).trim()
    if (plain === '') continue
    const colon = plain.indexOf(':')
    if (colon < 0) {
      const block = blockOf(plain)
      if (block === null || (block === open.block && Object.keys(open.lines).length === 0)) continue
      close()
      open = begin(block, line)
      continue
    }
    const key = plain.slice(0, colon).trim().toLowerCase()
    const value = plain.slice(colon + 1).trim()
    if (key === 'handle') continue
    if (open.block === 'other' && DEVICE_KEYS[key] && STARTERS.has(key)) {
      close()
      open = begin('device', line)
    }
    if (open.block === 'array') takeArrayKey(key, value, { line }, into.machine, into.problems)
    else if (open.block === 'device') {
      const field = DEVICE_KEYS[key]
      if (!field) continue
      if (open.lines[field] !== undefined && key !== 'speed' && STARTERS.has(key)) {
        close()
        open = begin('device', line)
      }
      takeDeviceKey(field, value, line, open, into.problems)
    }
  }
  close()
  const { machine, problems } = into
  const devices = machine.slots.length + into.modules.filter(isSoldered).length
  if (machine.slotCount === undefined && devices > 0) {
    learnMachine(machine, 'slotCount', devices, { line: 1 })
  }
  if (into.modules.length === 0 && machine.slots.length === 0) {
    problems.push({ code: 'NO_MEMORY_IN_TABLE', where: null })
  }
  const modules = joinSubChannels(into.modules, widths, problems)
  return { format: 'smbios-text', modules, machine, problems }
}

function begin(block: Block, line: number): Open {
  return { block, device: { ...NO_DEVICE }, lines: {}, line }
}

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
  buffering: (value) =>
    /load[- ]?reduced|lrdimm/i.test(value)
      ? 'load-reduced'
      : /\bregistered/i.test(value) && !/unregistered|unbuffered/i.test(value)
        ? 'registered'
        : /unbuffered|unregistered/i.test(value)
          ? 'unbuffered'
          : null,
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
  const figure = Number(match[1]?.replace(',', '.'))
  const unit = match[2]?.toLowerCase()
  return unit === 'k'
    ? figure / 1024 ** 2
    : unit === 'm'
      ? figure / 1024
      : unit === 't'
        ? figure * 1024
        : figure
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
  machine: MachineReading,
  problems: Problem[],
): void {
  const once = <What extends 'slotCount' | 'maximumGiB'>(what: What, figure: number) => {
    if (!(figure > 0)) problems.push({ code: 'FIELD_NOT_UNDERSTOOD', where })
    else learnMachine(machine, what, (machine[what] ?? 0) + figure, where)
  }
  if (key === 'number of devices') once('slotCount', Number(/^\d{1,3}/.exec(value)?.[0]))
  else if (key === 'maximum capacity') once('maximumGiB', capacityIn(value) ?? Number.NaN)
  else if (key === 'error correction type') {
    learnMachine(machine, 'ecc', ECC_WORDS.find(([word]) => word.test(value))?.[1], where)
  }
}
