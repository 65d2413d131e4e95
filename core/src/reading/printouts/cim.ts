import { GENERATIONS, type Generation } from '../../things/model'
import {
  type Format,
  type FormRead,
  learn,
  learnAll,
  MACHINE,
  nothingRead,
  numbered,
  type Printed,
  type Problem,
  type Subject,
  SYSTEM,
  type SystemFigures,
  subjectOf,
} from '../facts'
import { readCsv } from './csv'
import { bufferingOf, type Device, devices, GENERATION_CODES, NO_DEVICE } from './device'
import { type Instance, isCut, PROPERTIES } from './fields'
import type { PrintForm } from './form'
import { JSON_BEGINS, readJson } from './json'
import { readPairs } from './pairs'
import { readTable } from './table'
import { inGiB } from './units'

export const cimCsv: PrintForm = {
  name: 'cimCsv',
  begins: PROPERTIES,
  read(lines, at) {
    const read = readCsv(lines, at)
    return read && { ...instancesRead('cim-csv', read.instances), end: read.end }
  },
}

export const cimList: PrintForm = {
  name: 'cimList',
  begins: PROPERTIES,
  read(lines, at) {
    const read = readPairs(lines, at)
    return read && { ...instancesRead('cim-list', read.instances), end: read.end }
  },
}

export const cimTable: PrintForm = {
  name: 'cimTable',
  begins: PROPERTIES,
  read(lines, at) {
    const read = readTable(lines, at)
    if (!read) return null
    const part = instancesRead('cim-table', read.instances)
    const said = new Set(
      part.problems.flatMap(({ code, where }) =>
        code === 'CUT_SHORT' && where && 'line' in where ? [where.line] : [],
      ),
    )
    const cut = read.cut.filter((line) => !said.has(line))
    part.problems.push(...cut.map((line) => ({ code: 'CUT_SHORT' as const, where: { line } })))
    return { ...part, end: read.end }
  },
}

export const cimJson: PrintForm = {
  name: 'cimJson',
  begins: JSON_BEGINS,
  read(lines, at) {
    const read = readJson(lines, at)
    if (!read) return null
    const { instances, end, whole } = read
    const malformed = { code: 'MALFORMED_JSON', where: { line: at + 1 } } as const
    if (instances.length === 0) return whole ? null : { ...nothingRead('unknown', malformed), end }
    const part = instancesRead('cim-json', instances)
    if (!whole) part.problems.push(malformed)
    return { ...part, end }
  },
}

/** FormFactor values of CIM_PhysicalMemory; others say nothing of what it is. */
const FORMS: Readonly<Record<number, Device['form']>> = { 8: 'DIMM', 12: 'SODIMM' }
/** Older consoles give the type by CIM's own codes. */
const MEMORY_TYPES: Readonly<Record<number, Generation>> = {
  20: 'DDR',
  21: 'DDR2',
  24: 'DDR3',
  26: 'DDR4',
}
/** `Use` of an array that holds the system's memory. */
const SYSTEM_MEMORY = 3

const IDENTIFYING = [
  'devicelocator',
  'banklabel',
  'formfactor',
  'smbiosmemorytype',
  'partnumber',
  'configuredclockspeed',
  'speed',
  'serialnumber',
]

/** Properties of disks, volumes, graphics cards and boards, which have a capacity or a number too. */
const OF_OTHERS = [
  'mediatype',
  'filesystem',
  'driveletter',
  'partitions',
  'bustype',
  'interfacetype',
  'adapterram',
  'maxclockspeed',
  'product',
]

const isModule = ({ fields }: Instance): boolean => {
  if (OF_OTHERS.some((name) => fields.has(name))) return false
  const named = IDENTIFYING.filter((name) => fields.has(name)).length
  return named >= 2 || (named === 1 && fields.has('capacity'))
}
const isArray = ({ fields }: Instance): boolean =>
  fields.has('maxcapacity') || fields.has('maxcapacityex') || fields.has('memorydevices')

/** What the instances of CIM classes say: modules, the array they are in, the system's memory in use. */
export function instancesRead(format: Format, instances: readonly Instance[]): FormRead {
  const found = devices()
  const { problems } = found
  const arrays = instances.filter((one) => isArray(one) && !isModule(one))
  for (const instance of instances.filter(isModule)) {
    found.take(deviceIn(instance, problems), () => ({ line: instance.line }))
  }
  const system = subjectOf(SYSTEM)
  learnAll(system, systemIn(instances.filter((one) => !isModule(one) && !isArray(one))))
  const observations = [
    // Only fitted modules are instances, so of the slots nothing is known but from an array.
    ...(machineIn(arrays)?.observations ?? []),
    ...system.observations,
    ...numbered(found.modules()),
  ]
  if (observations.length === 0) problems.push({ code: 'NO_MEMORY_IN_TABLE', where: null })
  return { format, observations, problems }
}

function deviceIn({ fields }: Instance, problems: Problem[]): Device {
  const text = (name: string): string | null => {
    const field = fields.get(name)
    if (!field || field.value === '') return null
    if (!isCut(field.value)) return field.value.slice(0, 200)
    problems.push({ code: 'CUT_SHORT', where: { line: field.line } })
    return null
  }
  const number = (name: string): number | null => {
    const value = text(name)
    return value !== null && /^\d{1,18}(?:[.,]0+)?$/.test(value.trim())
      ? Number.parseInt(value, 10)
      : null
  }
  const rate = (name: string): Printed | null => {
    const figure = number(name)
    return figure ? { figure, unit: null } : null
  }
  return {
    ...NO_DEVICE,
    locator: text('devicelocator'),
    bank: text('banklabel'),
    capacityGiB: capacityIn(text('capacity'), fields.get('capacity')?.line ?? 0, problems),
    form: formIn(text('formfactor')),
    generation:
      generationIn(text('smbiosmemorytype')) ?? MEMORY_TYPES[number('memorytype') ?? 0] ?? null,
    buffering: bufferingOf(number('typedetail') ?? 0),
    totalWidth: number('totalwidth'),
    dataWidth: number('datawidth'),
    rated: rate('speed'),
    configured: rate('configuredclockspeed'),
    millivolts: number('configuredvoltage'),
    ranks: null,
    maker: text('manufacturer'),
    serial: text('serialnumber'),
    partNumber: text('partnumber'),
  }
}

/** In GiB: bytes, or a figure with its unit. */
function capacityIn(value: string | null, line: number, problems: Problem[]): number | null {
  if (value === null) return null
  const match = /^(\d{1,18})(?:[.,]0+)?(?: ?([KMGT])i?B)?$/i.exec(value.trim())
  if (!match) {
    problems.push({ code: 'FIELD_NOT_UNDERSTOOD', where: { line } })
    return null
  }
  return inGiB(Number(match[1]), match[2])
}

function formIn(value: string | null): Device['form'] {
  if (value === null) return null
  const name = value.toUpperCase().replace(/[^A-Z0-9]/g, '')
  if (/^\d+$/.test(name)) return FORMS[Number(name)] ?? null
  return name === 'SODIMM' ? 'SODIMM' : name === 'DIMM' ? 'DIMM' : null
}

function generationIn(value: string | null): Generation | null {
  if (value === null) return null
  if (/^\d+$/.test(value)) return GENERATION_CODES[Number(value)] ?? null
  return GENERATIONS.find((one) => one === value.toUpperCase()) ?? null
}

/** The arrays of system memory together: slots, and the largest total, of which `MaxCapacityEx` is the surer. */
function machineIn(arrays: readonly Instance[]): Subject | null {
  const own = arrays.filter(({ fields }) => {
    const use = fields.get('use')?.value
    return use === undefined || Number(use) === SYSTEM_MEMORY
  })
  const [first] = own
  if (!first) return null
  const machine = subjectOf(MACHINE)
  learn(machine, 'slots', [])
  const sum = (of: (one: Instance) => number) => own.reduce((all, one) => all + of(one), 0)
  const figure = ({ fields }: Instance, name: string) => {
    const value = fields.get(name)?.value ?? ''
    return /^\d{1,18}$/.test(value) ? Number(value) : 0
  }
  const where = (name: string) => ({ line: first.fields.get(name)?.line ?? first.line })
  const kilobytes = sum(
    (one) => figure(one, 'maxcapacityex') || plainMaximum(figure(one, 'maxcapacity')),
  )
  learn(
    machine,
    'slotCount',
    sum((one) => figure(one, 'memorydevices')) || null,
    where('memorydevices'),
  )
  learn(machine, 'maximumGiB', kilobytes / 1024 ** 2 || null, where('maxcapacity'))
  return machine
}

/** KB in 32 bits; with the highest bit alone it says that the 64-bit figure holds it. */
const plainMaximum = (kilobytes: number): number =>
  kilobytes === 0x80000000 || kilobytes === 0xffffffff ? 0 : kilobytes

/** Sizes in KB, of page files in MB. */
function systemIn(instances: readonly Instance[]): Partial<SystemFigures> {
  const system: Partial<SystemFigures> = {}
  for (const { fields } of instances) {
    const figure = (name: string) => {
      const value = fields.get(name)?.value ?? ''
      return /^\d{1,15}$/.test(value) ? Number(value) : null
    }
    const total = figure('totalvisiblememorysize')
    const free = figure('freephysicalmemory')
    const pages = figure('allocatedbasesize')
    const used = figure('currentusage')
    if (total !== null) system.totalGiB = total / 1024 ** 2
    if (free !== null) system.availableGiB = free / 1024 ** 2
    if (pages !== null) system.pageFileGiB = (system.pageFileGiB ?? 0) + pages / 1024
    if (used !== null) system.pageFileUsedGiB = (system.pageFileUsedGiB ?? 0) + used / 1024
    const automatic = fields.get('automaticmanagedpagefile')?.value
    if (automatic) system.pageFileAutomatic = /^true$/i.test(automatic)
  }
  return system
}
