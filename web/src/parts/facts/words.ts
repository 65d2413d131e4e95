import type { Format, ProblemCode, ReadSpeed, Where } from '@tembrix/core/reading/inputs'
import type { FormFactor, ModuleTimes, Source, Trust } from '@tembrix/core/things/model'
import { capacity, plural, speed } from '../../base/format'
import { formOf } from '../board'

export const FORMAT_NAMES: Record<Format, string> = {
  label: 'labels',
  'spd-ddr3': 'contents of a DDR3 module',
  'spd-ddr4': 'contents of a DDR4 module',
  'spd-ddr5': 'contents of a DDR5 module',
  smbios: 'SMBIOS table',
  'smbios-text': 'SMBIOS listing',
  'cim-csv': 'CIM instances, CSV',
  'cim-json': 'CIM instances, JSON',
  'cim-list': 'CIM instances, a list',
  'cim-table': 'CIM instances, a table',
  'hardware-tree': 'hardware tree',
  decoded: 'decoded contents',
  page: 'page of specifications',
  clocks: 'clocks as shown',
  system: 'memory in use',
  mixed: 'several reports',
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
  formFactor: 'Form factor',
  capacityGiB: 'Capacity',
  buffering: 'Buffering',
  ecc: 'ECC',
  ranks: 'Ranks',
  deviceWidth: 'Device width',
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
  kit: 'Kit',
  times: 'Times',
  errorCorrection: 'Error correction',
  channelCount: 'Channels',
  fastestRate: 'Fastest memory it takes',
}

const ASSUMED_NAMES: Record<string, string> = {
  standardSpeed: 'the standard speed, assumed low',
  timings: 'timings',
  profileTimings: 'the profile’s tRCD, tRP and tRAS',
}

/** What was taken as usual, to be read in a list. */
export const assumedName = (what: string) => ASSUMED_NAMES[what] ?? figureName(what).toLowerCase()

export const figureName = (what: string) => FIGURE_NAMES[what] ?? what

/** A figure's value as people say it. */
export function figureValue(what: string, value: unknown): string {
  if (what === 'speeds') {
    return Array.isArray(value)
      ? (value as ReadSpeed[]).map(speedValue).join('; ')
      : `${value} MT/s`
  }
  if (what === 'voltages') return `${[value].flat().join(' or ')} V`
  if (what === 'capacityGiB' || what === 'maximumGiB') return capacity(Number(value))
  if (what === 'solderedGiB') return Number(value) === 0 ? 'nothing' : capacity(Number(value))
  if (what === 'formFactor') return formOf({ formFactor: value as FormFactor })
  if (what === 'ecc') return value ? 'with ECC' : 'without ECC'
  if (what === 'deviceWidth') return `×${value}`
  if (what === 'dieGbit') return `${value} Gbit`
  if (what === 'heightMm') return `${value} mm`
  if (what === 'empty') return value ? 'nothing' : 'the module that was read'
  if (what === 'configured' || what === 'fastestRate') return `${value} MT/s`
  if (what === 'slotCount') return plural(Number(value), 'slot')
  if (what === 'kit') return `${(value as { size: number }).size} modules`
  if (what === 'times') {
    const { taa, trcd, trp, tras } = value as ModuleTimes
    return `tAA ${taa}, tRCD ${trcd}, tRP ${trp}, tRAS ${tras} ns`
  }
  return String(value)
}

function speedValue({ kind, dataRate, cl, trcd, trp, tras, voltage }: ReadSpeed): string {
  const timings = [cl, trcd, trp, tras].filter((one) => one !== undefined)
  const figures = [
    speed(dataRate),
    timings.length > 1 ? timings.join('-') : timings.length === 1 ? `CL ${timings[0]}` : '',
    voltage === undefined ? '' : `${voltage} V`,
  ].filter((one) => one !== '')
  return `${kind === 'profile' ? 'memory profile ' : ''}${figures.join(', ')}`
}

/** Where in a reading something stands. */
export function placeOf(where: Where | null): string {
  if (!where) return ''
  if ('line' in where) return `line ${where.line}`
  return where.length > 1
    ? `bytes ${where.byte}–${where.byte + where.length - 1}`
    : `byte ${where.byte}`
}

export const PROBLEMS: Record<ProblemCode, string> = {
  NOTHING_READ:
    'Nothing in it could be read. Is it a label, a system report or a module’s contents?',
  NOT_A_LABEL: 'This line is not a label.',
  CAPACITY_MISSING: 'The capacity is not on it.',
  ORGANISATION_MISSING: 'Ranks and device width (such as 1Rx8) are not on it.',
  RATE_MISSING: 'The speed is not on it.',
  FORM_MISSING: 'The form factor (DIMM, SO-DIMM, CAMM2) is not on it: look at the module.',
  RATE_AMBIGUOUS: 'This figure may be the speed or the clock (half of it).',
  RATE_UNKNOWN: 'Unknown: no speed of this generation has that name.',
  BIN_UNKNOWN: 'The letters after the speed are no known speed bin; timings are unknown.',
  TYPE_UNKNOWN: 'The kind of module is unknown.',
  DENSITY_NOT_MADE: 'These figures make a chip density that nobody makes: read the label again.',
  CAPACITY_NOT_MADE: 'No module of this capacity is made in this generation: read it again.',
  CONTRADICTS_ITSELF: 'This contradicts itself; what is in doubt is left open.',
  FORM_UNSUPPORTED: 'A form of module that is not supported here.',
  TRUNCATED: 'The file ends too early; what there is of it is not verified.',
  TRAILING_BYTES: 'There are bytes behind the end.',
  CHECKSUM_WRONG: 'The checksum is wrong: what was read is not verified.',
  MEMORY_TYPE_UNKNOWN: 'These bytes are of no memory type known here.',
  FIELD_UNKNOWN: 'This field holds a code that means nothing.',
  TABLE_BROKEN: 'The table breaks off here.',
  NO_MEMORY_IN_TABLE: 'There is no memory in it.',
  FIELD_NOT_UNDERSTOOD: 'This value is not understood.',
  SUBCHANNELS_SEPARATE: 'Two halves of one module were listed apart and taken together.',
  MALFORMED_JSON: 'This JSON is cut off or damaged; whole entries in it were read.',
  CUT_SHORT: 'The console cut a value off here: it is left open. A wider window shows it.',
  ROWS_MISSING: 'Rows are missing here; what follows from them is not verified.',
  WELL_FORMED_UNKNOWN:
    'Well-formed, but no form that is known here. A system report, a label or a module’s contents can be read.',
  RIGHTS_MISSING:
    'Made without the rights to see everything: slots and modules that the machine has may be missing. Make it again as root or administrator.',
  LINE_NOT_UNDERSTOOD: 'This line is not understood.',
  STANDARD_SPEED_OPEN:
    'This is the memory profile’s speed. The standard speed is not on it: only the module’s contents tell.',
  KIT_SIZE_UNCLEAR: 'A kit, but whether this is the capacity of one module or of all is not clear.',
  PROFILE_FROM_EXTENSION:
    'The memory profile is from a maker’s extension: compare it with the sticker.',
  PROFILE_UNREADABLE: 'It carries a memory profile that cannot be read: enter it from the sticker.',
  SECOND_CHECKSUM_WRONG: 'The checksum of the second block is wrong: its figures are not verified.',
  UNEVEN_RANKS:
    'The ranks differ from each other, so the capacity does not follow from one of them.',
  LETTERS_MENDED:
    'Letters were taken for digits or the other way round: compare it with the label.',
}

/** Where a fact comes from, to be read after “by”. */
export const SOURCE_NAMES: Record<Source, string> = {
  opened: 'looking inside',
  contents: 'module contents',
  'unverified-contents': 'unverified contents',
  label: 'the label',
  lettering: 'the lettering',
  page: 'a page of specifications',
  manual: 'the manual',
  readout: 'a system report',
  typed: 'being typed in',
  record: 'the shop’s record',
  start: 'a general guess',
  guess: 'a guess',
}
