import { type Generation, isModuleCapacity } from '../../things/model'
import {
  isLargeEnough,
  isMadeDensity,
  learnAll,
  type ModuleFigures,
  moduleAt,
  OTHER_THINGS,
  type Problem,
  type ProblemCode,
  type ReadSpeed,
  type Subject,
  WISHES,
} from '../facts'
import { speedOfBin } from './bins'
import { type KindFigures, type KindInWords, kindInWords, kindOfLetter } from './kinds'
import { isPartAlone, partNumberIn, serialIn } from './numbers'
import { type PrintedSize, sizeIn } from './sizes'
import {
  contradictionsIn,
  type PrintedRate,
  printedRate,
  type RateNamed,
  ratesNamed,
  speedOf,
  timingsIn,
  voltagesOf,
  voltsIn,
} from './speeds'

/** What one line says of a module. */
export interface LabelLine {
  line: number
  text: string
  size: PrintedSize
  organisation: { ranks: number; stack: number; deviceWidth: number } | null
  rate: PrintedRate | null
  /** What stands behind the rate in the label form. */
  suffix: Suffix | null
  /** Everything it names a generation or a rate by. */
  named: RateNamed[]
  words: KindInWords
  serial: string | undefined
  partNumber: string | undefined
}

const ORGANISATION =
  /(?:^|[^A-Z0-9]|(?<=\d ?[GM]B))([1248IL]) ?(?:D|S ?(\d))? ?R ?X? ?(16|32|4|8)(?![0-9])/
/** Reads one line in upper case (see `tidy`); null where nothing in it belongs to a module's label. */
export function readLine(text: string, line: number): LabelLine | null {
  if (!/\d|DIMM|CAMM|ECC|REGISTERED/.test(text)) return null
  if (OTHER_THINGS.test(text) || WISHES.test(text)) return null
  const size = sizeIn(text)
  const organisation = organisationIn(text)
  const rate = printedRate(text, size.capacityGiB)
  const words = kindInWords(text)
  const hasNumbers = text.includes('N')
  // `Size: 8 GB` is a report's line, in whatever language, not a label's.
  if (
    !rate &&
    !organisation &&
    /^[^:=]{2,40}[:=] /.test(text) &&
    !/\b[SP]\/?N\b|SERIAL|PART/.test(text)
  ) {
    return null
  }
  const serial = hasNumbers ? serialIn(text) : undefined
  const partNumber =
    (hasNumbers ? partNumberIn(text) : undefined) ?? (isPartAlone(text) ? text.trim() : undefined)
  const said =
    rate !== null ||
    organisation !== null ||
    size.capacityGiB !== undefined ||
    size.pieces !== null ||
    serial !== undefined ||
    partNumber !== undefined ||
    Object.keys(words.kind).length > 0 ||
    voltsIn(text).length > 0 ||
    timingsIn(text).cl !== undefined
  if (!said) return null
  const suffix = rate?.dataRate === undefined ? null : suffixOf(rate, rate.dataRate)
  const named = rate ? ratesNamed(text) : []
  return { line, text, size, organisation, rate, named, suffix, words, serial, partNumber }
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

/** The first value that one of the lines gives. */
function given<T>(
  lines: readonly LabelLine[],
  of: (line: LabelLine) => T | null | undefined,
): T | undefined {
  for (const line of lines) {
    const value = of(line)
    if (value !== null && value !== undefined) return value
  }
  return undefined
}

/**
 * One stick from the lines that describe it; what they leave open, or contradict each other on, is named and left out.
 * Null where they have neither a rate nor ranks and width, nor both a capacity and a form.
 */
export function moduleOnLabel(lines: readonly LabelLine[], problems: Problem[]): Subject | null {
  const [first] = lines
  if (!first) return null
  // The label form is surer than words.
  const rated =
    lines.find(({ rate }) => rate?.labelForm) ??
    lines.find(({ rate }) => rate?.dataRate !== undefined) ??
    lines.find(({ rate }) => rate)
  const rate = rated?.rate ?? null
  const organisation = given(lines, (one) => one.organisation)
  const kind: KindFigures = Object.assign({}, ...lines.map(({ words }) => words.kind))
  const sized = lines.find(({ size }) => size.capacityGiB !== undefined || size.pieces !== null)
  if (!rate && !organisation && !(sized && kind.formFactor)) return null

  const where = { line: (rated ?? sized ?? first).line }
  const complain = (code: ProblemCode) => problems.push({ code, where })
  const text = lines.map((one) => one.text).join(' ')
  const clash = contradictionsIn(lines.flatMap(({ named }) => named))
  const generation = clash.generation ? undefined : rate?.generation
  const { capacityGiB, pieces, doubt } = sizeOf(lines, generation)
  if (doubt) complain(doubt)

  if (clash.generation || clash.rate) complain('CONTRADICTS_ITSELF')
  else if (!rate) complain(/PC|DDR/.test(text) ? 'RATE_UNKNOWN' : 'RATE_MISSING')
  else if (rate.dataRate === undefined) complain('RATE_MISSING')
  else if (rate.ambiguous) complain('RATE_AMBIGUOUS')

  const { speeds, voltages } =
    rate && generation ? speedsIn(rate, rated?.suffix ?? null, text, kind) : {}
  if (speeds?.every((speed) => speed.kind === 'profile')) complain('STANDARD_SPEED_OPEN')
  const density = densityOf(capacityGiB, organisation, generation)
  if (!organisation) complain('ORGANISATION_MISSING')
  else if (density === null) complain('DENSITY_NOT_MADE')

  const figures: { [What in keyof ModuleFigures]?: ModuleFigures[What] | undefined } = {
    generation,
    voltages,
    speeds: clash.rate ? undefined : speeds,
    ...kindOf(lines, kind, rated ?? null, complain),
    capacityGiB: density === null ? undefined : capacityGiB,
    ranks: organisation?.ranks,
    deviceWidth: organisation?.deviceWidth,
    dieGbit: density ?? undefined,
    kit: pieces !== undefined && pieces > 1 ? { size: pieces } : undefined,
    serial: given(lines, (one) => one.serial),
    partNumber: given(lines, (one) => one.partNumber),
  }
  const about = moduleAt('label', where)
  learnAll(about, figures)
  return about
}

/** The capacity of one module and how many there are; a capacity that cannot be is left out, and why is said. */
function sizeOf(lines: readonly LabelLine[], generation: Generation | undefined) {
  const pieces = given(lines, (one) => one.size.pieces)
  // Beside a kit's line, another's capacity may be the whole kit's.
  const printed =
    given(lines, ({ size }) => (size.pieces === null ? null : size.capacityGiB)) ??
    given(lines, (one) => one.size.capacityGiB)
  const without = (doubt: ProblemCode | null) => ({ capacityGiB: undefined, pieces, doubt })
  if (lines.some(({ size }) => size.contradicts)) return without('CONTRADICTS_ITSELF')
  if (lines.some(({ size }) => size.unclear) && (pieces === undefined || !printed)) {
    return without('KIT_SIZE_UNCLEAR')
  }
  if (printed === undefined) return without('CAPACITY_MISSING')
  const isMade = isModuleCapacity(printed) && (!generation || isLargeEnough(printed, generation))
  return isMade ? { capacityGiB: printed, pieces, doubt: null } : without('CAPACITY_NOT_MADE')
}

/** The kind by the words and by the letter of the label form; what they contradict each other on is left out. */
function kindOf(
  lines: readonly LabelLine[],
  inWords: KindFigures,
  rated: LabelLine | null,
  complain: (code: ProblemCode) => void,
): KindFigures {
  const { rate = null, suffix = null } = rated ?? {}
  const soldered = rate?.generation.startsWith('LP') && !inWords.formFactor ? SOLDERED : {}
  const kind: KindFigures = { ...inWords, ...soldered, ...suffix?.kind }
  const contradicts = new Set(lines.flatMap(({ words }) => words.contradicts))
  const [word, letter] = [inWords.formFactor, suffix?.kind?.formFactor]
  if (word && letter && word !== letter) contradicts.add('formFactor')
  for (const what of contradicts) delete kind[what]
  const isOther = lines.some(({ words }) => words.isOtherForm)
  if (contradicts.size > 0) complain('CONTRADICTS_ITSELF')
  else if (isOther) complain('FORM_UNSUPPORTED')
  else if (suffix?.unknown && suffix.speed === undefined) complain(suffix.unknown)
  else if (rate && !kind.formFactor) complain(suffix?.unknown ? 'TYPE_UNKNOWN' : 'FORM_MISSING')
  return kind
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
