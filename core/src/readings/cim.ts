import { dsvFormat } from 'd3-dsv'
import { type Device, GENERATION_CODES, joinSubChannels, NO_DEVICE, takeDevice } from './device'
import type { Problem, Where } from './facts'
import type { Printed } from './observed'
import { emptyMachine, type Format, type ModuleReading, nothingRead, type Reading } from './reading'

/** FormFactor values of CIM_PhysicalMemory. */
const FORMS: Readonly<Record<number, Device['form']>> = { 8: 'DIMM', 12: 'SODIMM' }

type Instance = Record<string, unknown>

/** The properties that are read; others may be there in any number. */
const FIELDS = [
  'devicelocator',
  'banklabel',
  'capacity',
  'datawidth',
  'totalwidth',
  'formfactor',
  'smbiosmemorytype',
  'speed',
  'configuredclockspeed',
  'configuredvoltage',
  'manufacturer',
  'partnumber',
  'serialnumber',
]

const SEPARATORS = [',', ';', '\t']

/** Whether a text begins like CIM PhysicalMemory instances in CSV. */
export function isCimCsv(text: string): boolean {
  return headOf(text) !== null
}

interface Head {
  /** Where the header line begins, and how many lines are before it. */
  from: number
  skipped: number
  separator: string
}

/** The header: the first line but for blank ones and the type line some tools put before it. */
function headOf(text: string): Head | null {
  let from = 0
  for (let skipped = 0; skipped < 5 && from < text.length; skipped += 1) {
    const end = text.indexOf('\n', from)
    const row = text.slice(from, Math.min(end < 0 ? text.length : end, from + 5000))
    const known = /DeviceLocator|BankLabel|ConfiguredClockSpeed|SMBIOSMemoryType/i.test(row)
    if (known && /Capacity/i.test(row)) {
      const count = (one: string) => row.split(one).length
      const separator = SEPARATORS.reduce((best, one) => (count(one) > count(best) ? one : best))
      return count(separator) > 1 ? { from, skipped, separator } : null
    }
    if (row.trim() !== '' && !row.startsWith('#')) return null
    if (end < 0) return null
    from = end + 1
  }
  return null
}

/** Reads CIM PhysicalMemory instances in CSV: comma, semicolon or tab, in any order of columns. */
export function readCimCsv(text: string): Reading {
  const head = headOf(text)
  if (!head) return nothingRead('unknown', { code: 'NOTHING_READ', where: null })
  const [header = [], ...rows] = dsvFormat(head.separator).parseRows(text.slice(head.from))
  const names = header.map((name) => name.trim().toLowerCase())
  const columns = FIELDS.map((name) => [name, names.indexOf(name)] as const).filter(
    ([, at]) => at >= 0,
  )
  const instances = rows
    .map((row, at) => ({ row, line: head.skipped + at + 2 }))
    .filter(({ row }) => row.some((cell) => cell.trim() !== ''))
    .map(({ row, line }) => ({
      fields: Object.fromEntries(columns.map(([name, at]) => [name, row[at]?.trim()])) as Instance,
      where: { line },
    }))
  return instancesRead('cim-csv', instances)
}

/** Reads CIM PhysicalMemory instances in JSON: a list of them, or one alone. */
export function readCimJson(text: string): Reading {
  let parsed: unknown
  try {
    parsed = JSON.parse(text.trim())
  } catch {
    return nothingRead('unknown', { code: 'MALFORMED_JSON', where: null })
  }
  const list = (Array.isArray(parsed) ? parsed : [parsed]).slice(0, 4096)
  const instances = list.flatMap((one, item) => {
    if (typeof one !== 'object' || one === null || Array.isArray(one)) return []
    const fields = Object.fromEntries(
      Object.entries(one).map(([name, value]) => [name.toLowerCase(), value]),
    )
    return [{ fields, where: { item } }]
  })
  const known = instances.some(
    ({ fields }) =>
      'capacity' in fields &&
      ('devicelocator' in fields ||
        'formfactor' in fields ||
        'smbiosmemorytype' in fields ||
        'banklabel' in fields ||
        'partnumber' in fields),
  )
  return known
    ? instancesRead('cim-json', instances)
    : nothingRead('unknown', { code: 'NOTHING_READ', where: null })
}

function instancesRead(format: Format, instances: { fields: Instance; where: Where }[]): Reading {
  const into = {
    modules: [] as ModuleReading[],
    machine: emptyMachine(),
    problems: [] as Problem[],
  }
  const widths: (number | null)[] = []
  for (const { fields, where } of instances) {
    const capacityGiB = capacityOf(fields)
    if (capacityGiB === undefined) {
      into.problems.push({ code: 'FIELD_NOT_UNDERSTOOD', where })
    }
    const dataWidth = number(fields.datawidth)
    const device: Device = {
      ...NO_DEVICE,
      locator: text(fields.devicelocator),
      bank: text(fields.banklabel),
      capacityGiB: capacityGiB ?? null,
      form: FORMS[number(fields.formfactor) ?? 0] ?? null,
      generation: GENERATION_CODES[number(fields.smbiosmemorytype) ?? 0] ?? null,
      totalWidth: number(fields.totalwidth),
      dataWidth,
      rated: rate(fields.speed),
      configured: rate(fields.configuredclockspeed),
      millivolts: number(fields.configuredvoltage),
      ranks: null,
      maker: text(fields.manufacturer),
      serial: text(fields.serialnumber),
      partNumber: text(fields.partnumber),
    }
    const before = into.modules.length
    takeDevice(device, () => where, into)
    if (into.modules.length > before) widths.push(dataWidth)
  }
  // Only fitted modules are instances, so nothing is known of how many slots there are.
  return {
    format,
    modules: joinSubChannels(into.modules, widths, into.problems),
    machine: null,
    problems: instances.length > 0 ? into.problems : [{ code: 'NO_MEMORY_IN_TABLE', where: null }],
  }
}

/** In bytes; undefined where it is no number. */
function capacityOf({ capacity }: Instance): number | null | undefined {
  if (capacity === undefined || capacity === null || capacity === '') return null
  const bytes = number(capacity)
  return bytes === null ? undefined : bytes / 1024 ** 3
}

function number(value: unknown): number | null {
  if (typeof value === 'number') return Number.isFinite(value) && value >= 0 ? value : null
  return typeof value === 'string' && /^\d{1,18}$/.test(value.trim()) ? Number(value) : null
}

function text(value: unknown): string | null {
  return typeof value === 'string'
    ? value.slice(0, 200)
    : typeof value === 'number'
      ? String(value)
      : null
}

function rate(value: unknown): Printed | null {
  const figure = number(value)
  return figure ? { figure, unit: null } : null
}
