import { type Generation, isModuleCapacity } from '../../things/model'
import {
  emptyModule,
  isMadeDensity,
  learn,
  type ModuleFigures,
  type ModuleReading,
  type Problem,
  type ProblemCode,
  type ReadSpeed,
} from '../facts'
import { speedOfBin } from './bins'
import { type KindFigures, kindInWords, kindOfLetter } from './kinds'
import { type PrintedSize, sizeIn } from './sizes'
import { type PrintedRate, printedRate, speedOf, timingsIn, voltagesOf, voltsIn } from './speeds'

/** What one line says of a module. */
export interface LabelLine {
  line: number
  text: string
  size: PrintedSize
  organisation: { ranks: number; stack: number; deviceWidth: number } | null
  rate: PrintedRate | null
  /** What stands behind the rate in the label form. */
  suffix: Suffix | null
  kind: KindFigures
  serial: string | undefined
  partNumber: string | undefined
}

const ORGANISATION =
  /(?:^|[^A-Z0-9]|(?<=\d ?[GM]B))([1248IL]) ?(?:D|S ?(\d))? ?R ?X? ?(16|32|4|8)(?![0-9])/
const SERIAL = /(?:\bS\/?N|SERIAL(?: (?:NO|NUMBER))?)[.:# ]+([A-Z0-9]{4,24})/
const PART = /(?:\bP\/?N|PART (?:NO|NUMBER))[.:# ]+([A-Z0-9][A-Z0-9./-]{2,30})/

/** Reads one line in upper case (see `tidy`); null where nothing in it belongs to a module's label. */
export function readLine(text: string, line: number): LabelLine | null {
  if (!/\d|DIMM|CAMM|ECC|REGISTERED/.test(text)) return null
  const size = sizeIn(text)
  const organisation = organisationIn(text)
  const rate = printedRate(text, size.capacityGiB)
  const kind = kindInWords(text)
  const named = text.includes('N')
  // `Size: 8 GB` is a report's line, in whatever language, not a label's.
  if (
    !rate &&
    !organisation &&
    /^[^:=]{2,40}[:=] /.test(text) &&
    !/\b[SP]\/?N\b|SERIAL|PART/.test(text)
  ) {
    return null
  }
  const serial = named ? SERIAL.exec(text)?.[1] : undefined
  const partNumber = (named ? PART.exec(text)?.[1] : undefined) ?? partAlone(text)
  const said =
    rate !== null ||
    organisation !== null ||
    size.capacityGiB !== undefined ||
    size.pieces !== null ||
    serial !== undefined ||
    partNumber !== undefined ||
    Object.keys(kind).length > 0 ||
    voltsIn(text).length > 0 ||
    timingsIn(text).cl !== undefined
  if (!said) return null
  const suffix = rate?.dataRate === undefined ? null : suffixOf(rate, rate.dataRate)
  return { line, text, size, organisation, rate, suffix, kind, serial, partNumber }
}

/** A line that is one word of letters, digits and dashes, as part numbers are. */
function partAlone(text: string): string | undefined {
  const word = text.trim()
  return /^[A-Z][A-Z0-9]*[-/.][A-Z0-9/.-]{2,28}$/.test(word) &&
    /\d/.test(word) &&
    !/^PC|DDR/.test(word)
    ? word
    : undefined
}

function organisationIn(text: string): LabelLine['organisation'] {
  if (!text.includes('R')) return null
  const match = ORGANISATION.exec(text)
  if (!match) return null
  const ranks = Number(match[1]?.replace(/[IL]/, '1'))
  return { ranks, stack: Number(match[2] ?? 1), deviceWidth: Number(match[3]) }
}

/** What the label form has behind the rate: a speed by its bin or digits, and the module type. */
interface Suffix {
  speed: ReadSpeed | undefined
  kind: KindFigures | undefined
  /** Letters that stand where a bin or a type letter does, and are none. */
  unknown: 'BIN_UNKNOWN' | 'TYPE_UNKNOWN' | null
}

/** A type letter, with the raw card and its revision: `S`, `SA1`, `UE2`; never the beginning of a word. */
const TYPE = '([A-Z])(?:[A-Z]{0,2}[\\dO])?(?=[- ]|$)'
const LATE_REST = new RegExp(`^(?:[- ]?(AA|AC|[A-Z])(?=[- ]|$))?(?:[- ]+${TYPE})?`)
const DDR3_REST = /^[- ]?(?:([A-Z])(?![A-Z]))?(?:[- ]+(\d{1,2})(?=[- ]|$))?/
const DDR2_REST = /^[- ]?(?:([A-Z])(?![A-Z]))?(?:[- ]+(\d)-?(\d)-?(\d)(?=[- ]|$))?/

function suffixOf({ generation, labelForm, rest }: PrintedRate, dataRate: number): Suffix {
  if (!labelForm) return { speed: undefined, kind: undefined, unknown: null }
  if (generation === 'DDR4' || generation === 'DDR5') return lateSuffix(generation, dataRate, rest)
  if (generation === 'DDR3') {
    const [, letter, digits] = DDR3_REST.exec(rest) ?? []
    const cl = Number(digits)
    const speed: ReadSpeed | undefined =
      cl >= 4 && cl <= 20 ? { kind: 'standard', dataRate, cl } : undefined
    return { speed, ...typed(letter) }
  }
  const [, letter, cl, trcd, trp] = DDR2_REST.exec(rest) ?? []
  const speed: ReadSpeed | undefined =
    generation === 'DDR2' && cl
      ? { kind: 'standard', dataRate, cl: Number(cl), trcd: Number(trcd), trp: Number(trp) }
      : undefined
  return { speed, ...typed(letter) }
}

function lateSuffix(generation: Generation, dataRate: number, rest: string): Suffix {
  const [, bin, letter] = LATE_REST.exec(rest) ?? []
  const speed = bin ? speedOfBin(generation, dataRate, bin) : undefined
  if (!bin || speed) return { speed, ...typed(letter) }
  if (letter === undefined && kindOfLetter(bin)) return { speed, ...typed(bin) }
  return { speed, kind: letter ? kindOfLetter(letter) : undefined, unknown: 'BIN_UNKNOWN' }
}

function typed(letter: string | undefined): Pick<Suffix, 'kind' | 'unknown'> {
  const kind = letter === undefined ? undefined : kindOfLetter(letter)
  return { kind, unknown: letter !== undefined && !kind ? 'TYPE_UNKNOWN' : null }
}

const SOLDERED: KindFigures = { formFactor: 'soldered' }

/**
 * One stick from the lines that describe it; what they leave open is named. Null where they have
 * neither a rate nor ranks and width, nor both a capacity and a form.
 */
export function moduleOnLabel(
  lines: readonly LabelLine[],
  problems: Problem[],
): ModuleReading | null {
  const [first] = lines
  if (!first) return null
  const given = <T>(of: (line: LabelLine) => T | null | undefined): T | undefined => {
    for (const line of lines) {
      const value = of(line)
      if (value !== null && value !== undefined) return value
    }
    return undefined
  }
  // The label form is surer than words.
  const rated =
    lines.find(({ rate }) => rate?.labelForm) ??
    lines.find(({ rate }) => rate?.dataRate !== undefined) ??
    lines.find(({ rate }) => rate)
  const rate = rated?.rate ?? null
  const organisation = given((one) => one.organisation)
  const kind: KindFigures = Object.assign({}, ...lines.map((one) => one.kind))
  const sized = lines.find(({ size }) => size.capacityGiB !== undefined || size.pieces !== null)
  if (!rate && !organisation && !(sized && kind.formFactor)) return null

  const where = { line: (rated ?? sized ?? first).line }
  const complain = (code: ProblemCode) => problems.push({ code, where })
  const text = lines.map((one) => one.text).join(' ')
  const pieces = given((one) => one.size.pieces)
  // Beside a kit's line, another's capacity may be the whole kit's.
  const capacityGiB =
    given(({ size }) => (size.pieces === null ? null : size.capacityGiB)) ??
    given((one) => one.size.capacityGiB)
  if (lines.some(({ size }) => size.unclear) && (pieces === undefined || !capacityGiB))
    complain('KIT_SIZE_UNCLEAR')
  else if (capacityGiB === undefined) complain('CAPACITY_MISSING')
  else if (!isModuleCapacity(capacityGiB)) complain('CAPACITY_NOT_MADE')

  if (!rate) complain(/PC|DDR/.test(text) ? 'RATE_UNKNOWN' : 'RATE_MISSING')
  else if (rate.dataRate === undefined) complain('RATE_MISSING')
  else if (rate.ambiguous) complain('RATE_AMBIGUOUS')

  const { speeds, voltages } = rate ? speedsIn(rate, rated?.suffix ?? null, text, kind) : {}
  if (speeds?.every((speed) => speed.kind === 'profile')) complain('STANDARD_SPEED_OPEN')
  const density = densityOf(capacityGiB, organisation, rate?.generation)
  if (!organisation) complain('ORGANISATION_MISSING')
  else if (density === null) complain('DENSITY_NOT_MADE')

  const soldered = rate?.generation.startsWith('LP') && !kind.formFactor ? SOLDERED : {}
  const all = { ...kind, ...soldered, ...rated?.suffix?.kind }
  if (rated?.suffix?.unknown && rated.suffix.speed === undefined) complain(rated.suffix.unknown)
  else if (rate && !all.formFactor) {
    complain(rated?.suffix?.unknown ? 'TYPE_UNKNOWN' : 'FORM_MISSING')
  }

  const about = emptyModule('label', where)
  const figures: { [What in keyof ModuleFigures]?: ModuleFigures[What] | undefined } = {
    generation: rate?.generation,
    voltages,
    speeds,
    ...all,
    capacityGiB,
    ranks: organisation?.ranks,
    deviceWidth: organisation?.deviceWidth,
    dieGbit: density ?? undefined,
    kit: pieces !== undefined && pieces > 1 ? { size: pieces } : undefined,
    serial: given((one) => one.serial),
    partNumber: given((one) => one.partNumber),
  }
  for (const [what, value] of Object.entries(figures)) {
    learn(about, what as keyof ModuleFigures, value as never)
  }
  return about
}

function speedsIn(rate: PrintedRate, suffix: Suffix | null, text: string, kind: KindFigures) {
  const volts = voltsIn(text)
  const voltages = voltagesOf(rate, volts)
  if (rate.dataRate === undefined) return { voltages }
  if (suffix?.speed) return { voltages, speeds: [suffix.speed] }
  const buffering = suffix?.kind?.buffering ?? kind.buffering ?? null
  // Behind the label form's letters, digits are revisions and dates.
  const timings = timingsIn(rate.labelForm && suffix?.kind ? text.replace(rate.rest, ' ') : text)
  return { voltages, speeds: [speedOf(rate, rate.dataRate, timings, volts, buffering)] }
}

/** Gbit of a die; null where nobody makes it, undefined where it does not follow. */
function densityOf(
  capacityGiB: number | undefined,
  organisation: LabelLine['organisation'] | undefined,
  generation: Generation | undefined,
): number | null | undefined {
  if (capacityGiB === undefined || !organisation) return undefined
  const { ranks, stack, deviceWidth } = organisation
  const density = (capacityGiB * 8 * deviceWidth) / (ranks * stack * 64)
  return isMadeDensity(density, generation) ? density : null
}
