import type { FormFactor, Source, Trust } from '@tembrix/core/model'
import type { Format, ProblemCode, ReadSpeed, Where } from '@tembrix/core/readings'
import { formOf } from '../board'
import { capacity, plural } from '../ui'

export const FORMAT_NAMES: Record<Format, string> = {
  label: 'labels',
  'spd-ddr3': 'contents of a DDR3 module',
  'spd-ddr4': 'contents of a DDR4 module',
  'spd-ddr5': 'contents of a DDR5 module',
  smbios: 'SMBIOS table',
  'smbios-text': 'SMBIOS listing',
  'cim-csv': 'CIM instances, CSV',
  'cim-json': 'CIM instances, JSON',
  unknown: 'not understood',
}

export const TRUST_NAMES: Record<Trust, string> = {
  guess: 'a guess',
  weak: 'weak',
  fair: 'fair',
  good: 'good',
  sure: 'sure',
}

const FIGURE_NAMES: Record<string, string> = {
  slotCount: 'Slots',
  solderedGiB: 'Soldered',
  maximumGiB: 'Takes at most',
  generation: 'Generation',
  formFactor: 'Form',
  capacityGiB: 'Capacity',
  buffering: 'Buffering',
  ecc: 'ECC',
  ranks: 'Ranks',
  deviceWidth: 'Chip width',
  voltages: 'Voltage',
  speeds: 'Rated speed',
  dieGbit: 'Chip density',
  partNumber: 'Part number',
  serial: 'Serial number',
  makerCode: 'Maker code',
  maker: 'Maker',
  madeWeek: 'Made in',
  heightMm: 'Height',
  configured: 'Runs at',
}

export const figureName = (what: string) => FIGURE_NAMES[what] ?? what

/** A figure's value as people say it. */
export function figureValue(what: string, value: unknown): string {
  if (what === 'speeds') {
    const [speed] = Array.isArray(value) ? (value as ReadSpeed[]) : []
    if (!speed) return `${value} MT/s`
    const { dataRate, cl, trcd, trp, tras } = speed
    const timings = [cl, trcd, trp, tras].filter((one) => one !== undefined)
    return `${dataRate} MT/s${timings.length > 0 ? `, ${timings.join('-')}` : ''}`
  }
  if (what === 'voltages') return `${[value].flat().join(' or ')} V`
  if (what === 'capacityGiB' || what === 'maximumGiB') return capacity(Number(value))
  if (what === 'solderedGiB') return Number(value) === 0 ? 'nothing' : capacity(Number(value))
  if (what === 'formFactor') return formOf({ formFactor: value as FormFactor })
  if (what === 'ecc') return value ? 'with ECC' : 'without ECC'
  if (what === 'deviceWidth') return `×${value}`
  if (what === 'dieGbit') return `${value} Gbit`
  if (what === 'heightMm') return `${value} mm`
  if (what === 'configured') return `${value} MT/s`
  if (what === 'slotCount') return plural(Number(value), 'slot')
  return String(value)
}

/** Where in a reading something stands. */
export function placeOf(where: Where | null): string {
  if (!where) return ''
  if ('line' in where) return `line ${where.line}`
  if ('item' in where) return `entry ${where.item + 1}`
  return where.length > 1
    ? `bytes ${where.byte}–${where.byte + where.length - 1}`
    : `byte ${where.byte}`
}

export const PROBLEMS: Record<ProblemCode, string> = {
  NOTHING_READ: 'Nothing in it could be read. Is it a label, a readout or a module’s contents?',
  NOT_A_LABEL: 'This line is no label.',
  CAPACITY_MISSING: 'The capacity is not on it.',
  ORGANISATION_MISSING: 'Ranks and chip width (such as 1Rx8) are not on it.',
  RATE_MISSING: 'The rate is not on it.',
  FORM_MISSING: 'The letter that tells the module’s form is not on it.',
  RATE_AMBIGUOUS: 'This figure may be the rate or the clock (half of it).',
  RATE_UNKNOWN: 'No rate of this generation is called so.',
  BIN_UNKNOWN: 'The letters behind the rate are no known speed bin; timings are not known.',
  TYPE_UNKNOWN: 'The kind of module is not known.',
  DENSITY_NOT_MADE: 'These figures make a chip density that nobody makes: read the label again.',
  CAPACITY_NOT_MADE: 'No module of this capacity is made.',
  TRUNCATED: 'The file ends too early; what there is of it is not verified.',
  TRAILING_BYTES: 'There are bytes behind the end.',
  CHECKSUM_WRONG: 'The checksum is wrong: what was read is not verified.',
  MEMORY_TYPE_UNKNOWN: 'These bytes are of no memory type known here.',
  FIELD_UNKNOWN: 'This field holds a code that means nothing.',
  TABLE_BROKEN: 'The table breaks off here.',
  NO_MEMORY_IN_TABLE: 'There is no memory in it.',
  FIELD_NOT_UNDERSTOOD: 'This value is not understood.',
  SUBCHANNELS_SEPARATE: 'Two halves of one module were listed apart and taken together.',
  MALFORMED_JSON: 'This is not well-formed JSON.',
}

/** Where a fact comes from, to be read after “by”. */
export const SOURCE_NAMES: Record<Source, string> = {
  opened: 'looking inside',
  contents: 'module contents',
  'unverified-contents': 'unverified contents',
  label: 'the label',
  lettering: 'the lettering',
  manual: 'the manual',
  readout: 'a readout',
  typed: 'being typed in',
  record: 'the shop’s record',
  start: 'a general guess',
  guess: 'a guess',
}
