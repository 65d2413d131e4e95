import { type Generation, isSolderedCapacity } from '../../things/model'
import {
  type Format,
  type FormRead,
  type ListedSlot,
  learn,
  MACHINE,
  makerCodeIn,
  meaningful,
  moduleAt,
  numbered,
  type Observable,
  type Printed,
  type Problem,
  ratedReadings,
  runningRate,
  type Subject,
  slotName,
  speedKind,
  subjectOf,
  type Where,
} from '../facts'
import { withoutRepetition } from './repeated'

/** A memory device as a readout lists it, before anything is made of it. Null: not said. */
export interface Device {
  locator: string | null
  bank: string | null
  /** 0 where the slot is empty. */
  capacityGiB: number | null
  form: 'DIMM' | 'SODIMM' | 'CAMM2' | 'soldered' | null
  generation: Generation | null
  buffering: 'registered' | 'unbuffered' | 'load-reduced' | null
  totalWidth: number | null
  dataWidth: number | null
  rated: Printed | null
  configured: Printed | null
  millivolts: number | null
  ranks: number | null
  maker: string | null
  serial: string | null
  partNumber: string | null
}

export type DeviceField = keyof Device

/** Whether a module is fixed to the board. */
export const isSoldered = ({ said }: Pick<Subject, 'said'>): boolean =>
  said.formFactor === 'soldered'

/**
 * Whether a reported module may be soldered though the report does not say so: firmware gives soldered banks a form,
 * and then leaves out a number of their own and a slot's name.
 */
export function mayBeSoldered({ said }: Pick<Subject, 'said'>): boolean {
  const { formFactor, serial, partNumber, slot } = said
  if (formFactor === 'soldered') return true
  if (formFactor !== undefined && formFactor !== 'SODIMM') return false
  const isNumbered = serial !== undefined || partNumber !== undefined
  return !isNumbered && !/DIMM|SLOT|SOCKET/i.test(slot?.locator ?? '')
}

/** Type codes of DSP0134, table "Memory Device — Type". */
export const GENERATION_CODES: Readonly<Record<number, Generation>> = {
  18: 'DDR',
  19: 'DDR2',
  24: 'DDR3',
  26: 'DDR4',
  29: 'LPDDR3',
  30: 'LPDDR4',
  34: 'DDR5',
  35: 'LPDDR5',
}

/** How a module is buffered by the bits of its type detail (DSP0134); null where they do not say. */
export function bufferingOf(detail: number): Device['buffering'] {
  if (detail & 0x8000) return 'load-reduced'
  if (detail & 0x2000) return 'registered'
  return detail & 0x4000 ? 'unbuffered' : null
}

export function bufferingInWords(text: string): Device['buffering'] {
  if (/load[- ]?reduced|lrdimm/i.test(text)) return 'load-reduced'
  if (/unregistered|unbuffered/i.test(text)) return 'unbuffered'
  return /\bregistered/i.test(text) ? 'registered' : null
}

export const NO_DEVICE: Device = {
  locator: null,
  bank: null,
  capacityGiB: null,
  form: null,
  generation: null,
  buffering: null,
  totalWidth: null,
  dataWidth: null,
  rated: null,
  configured: null,
  millivolts: null,
  ranks: null,
  maker: null,
  serial: null,
  partNumber: null,
}

/** Names of places that are the board itself, not a slot on it. */
const ON_BOARD = /\bon-?board\b|system ?board|mother ?board|memory down|soldered/i

/** Whether a device is part of the board: it says so by its form, its place, or being low-power memory. */
function isFixed({ form, generation, locator }: Device): boolean {
  if (form === 'soldered') return true
  if (form === null && ON_BOARD.test(locator ?? '')) return true
  return (generation?.startsWith('LP') ?? false) && form !== 'CAMM2'
}

/** What a list of devices gives, device by device. */
export interface Devices {
  machine: Subject
  problems: Problem[]
  /** Number of slots and soldered devices listed. */
  listed: () => number
  /**
   * Takes a device: its slot into the machine's list, and what is fitted as a module. `whereOf` gives
   * the place of a field in the input.
   */
  take: (device: Device, whereOf: (field: DeviceField) => Where) => void
  /** The modules taken, the sub-channels of one joined; asked for once, when all are taken. */
  modules: () => Subject[]
  /** All that was taken, the list of slots too; instead of `modules`. */
  read: (format: Format) => FormRead
}

export function devices(): Devices {
  const into = {
    modules: [] as Subject[],
    slots: [] as ListedSlot[],
    problems: [] as Problem[],
  }
  const { problems } = into
  const machine = subjectOf(MACHINE)
  const widths: (number | null)[] = []
  const slots = () => [...withoutRepetition(into.slots, slotKey)]
  const once = () => [
    ...withoutRepetition(into.modules, moduleKey, ({ said }) => said.serial !== undefined),
  ]
  const modules = () => joinSubChannels(once(), widths, problems)
  return {
    machine,
    problems,
    listed: () => slots().length + once().filter(isSoldered).length,
    modules,
    take(device, whereOf) {
      const before = into.modules.length
      takeDevice(device, whereOf, into)
      if (into.modules.length > before) widths.push(device.dataWidth)
    },
    read(format) {
      learn(machine, 'slots', slots())
      const observations = [...machine.observations, ...numbered(modules())]
      return { format, observations, problems }
    },
  }
}

const slotKey = ({ locator, bank, populated }: ListedSlot): string | null =>
  locator === '' ? null : JSON.stringify([locator, bank, populated])

/** Key of a module among the others of a list: its place and its numbers; null where it has neither. */
function moduleKey({ said }: Subject): string | null {
  const { slot, capacityGiB, serial, partNumber } = said
  if (!slot?.locator && !serial) return null
  return JSON.stringify([slot?.locator, slot?.bank, capacityGiB, serial, partNumber])
}

function takeDevice(
  device: Device,
  whereOf: (field: DeviceField) => Where,
  into: { modules: Subject[]; slots: ListedSlot[]; problems: Problem[] },
): void {
  const slot = slotName(device.locator ?? '', meaningful(device.bank))
  const soldered = isFixed(device)
  const populated = device.capacityGiB !== 0
  if (!soldered) into.slots.push({ ...slot, populated })
  if (!populated) return

  const about = moduleAt('readout', whereOf('locator'))
  learn(about, 'slot', slot)
  const note = <What extends keyof Observable>(
    what: What,
    value: Observable[What] | null | undefined,
    field: DeviceField,
  ) => learn(about, what, value, whereOf(field))

  note('generation', device.generation, 'generation')
  if (device.capacityGiB !== null) {
    if (isSolderedCapacity(device.capacityGiB)) {
      note('capacityGiB', device.capacityGiB, 'capacityGiB')
    } else into.problems.push({ code: 'CAPACITY_NOT_MADE', where: whereOf('capacityGiB') })
  }
  note('formFactor', soldered ? 'soldered' : device.form, 'form')
  note('buffering', device.buffering, 'buffering')
  const { totalWidth, dataWidth } = device
  note('ecc', eccOf(totalWidth, dataWidth), 'totalWidth')
  note('ranks', device.ranks, 'ranks')
  if (device.millivolts !== null && device.millivolts >= 500 && device.millivolts <= 3000) {
    learn(about, 'runsOnVolts', device.millivolts / 1000, whereOf('millivolts'))
  }
  takeRates(device, about, whereOf, into.problems)
  const maker = meaningful(device.maker)
  const code = maker === null ? null : makerCodeIn(maker)
  if (code) note('makerCode', code, 'maker')
  else note('maker', maker, 'maker')
  note('serial', meaningful(device.serial)?.replace(/^0x/i, '').toUpperCase(), 'serial')
  note('partNumber', meaningful(device.partNumber), 'partNumber')
  into.modules.push(about)
}

/** Bits of a module's data, and how many more of them ECC takes. */
const DATA_WIDTHS = [8, 16, 32, 64, 128]
const ECC_BITS = [4, 8, 16]

/** Whether a module has ECC by its widths in bits; null where they are no such widths, as where a figure was cut. */
function eccOf(total: number | null, data: number | null): boolean | null {
  if (total === null || data === null || !DATA_WIDTHS.includes(data)) return null
  if (total === data) return false
  return ECC_BITS.includes(total - data) ? true : null
}

function takeRates(
  { rated, configured, generation, buffering }: Device,
  about: Subject,
  whereOf: (field: DeviceField) => Where,
  problems: Problem[],
): void {
  const own = rated ? ratedReadings(rated, generation) : []
  const [dataRate] = own
  if (own.length > 1) problems.push({ code: 'RATE_AMBIGUOUS', where: whereOf('rated') })
  else if (dataRate !== undefined) {
    const printing = { cl: null, volts: null, buffering, labelForm: false }
    const kind = generation ? speedKind(generation, dataRate, printing) : 'standard'
    if (kind === 'profile') problems.push({ code: 'STANDARD_SPEED_OPEN', where: whereOf('rated') })
    learn(about, 'speeds', [{ kind, dataRate }], whereOf('rated'))
  }
  if (!configured) return
  const running = runningRate(configured, own, generation)
  learn(about, 'runs', running, whereOf('configured'))
  if (running?.clockOrRate === 'ambiguous' && own.length < 2) {
    problems.push({ code: 'RATE_AMBIGUOUS', where: whereOf('configured') })
  }
}

/**
 * Two entries of 32 bits with one serial number are the sub-channels of one DDR5 module: they
 * become one, with the capacity of both.
 */
function joinSubChannels(
  modules: Subject[],
  widths: readonly (number | null)[],
  problems: Problem[],
): Subject[] {
  const bySerial = new Map<string, Subject>()
  return modules.filter((one, at) => {
    const { serial, generation, partNumber } = one.said
    if (widths[at] !== 32 || generation !== 'DDR5' || serial === undefined) return true
    const key = `${serial} ${partNumber ?? ''}`
    const first = bySerial.get(key)
    if (!first) {
      bySerial.set(key, one)
      return true
    }
    const both = (first.said.capacityGiB ?? 0) + (one.said.capacityGiB ?? 0)
    learn(first, 'capacityGiB', both || null)
    problems.push({ code: 'SUBCHANNELS_SEPARATE', where: one.where })
    return false
  })
}
