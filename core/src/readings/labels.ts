import {
  type Buffering,
  type FormFactor,
  GENERATIONS,
  type Generation,
  isModuleCapacity,
  USUAL_VOLTAGE,
} from '../model'
import { isMadeDensity } from './density'
import type { ModuleFigures, Problem, ProblemCode, ReadSpeed } from './facts'
import { rateOfFigure, readRateName } from './rateNames'
import { emptyModule, learn, type ModuleReading, type Reading } from './reading'

/** CL-tRCD-tRP of the speed bins on DDR4 labels: all three equal. */
const DDR4_BINS: Record<number, Record<string, number>> = {
  1600: { J: 10, K: 11, L: 12 },
  1866: { L: 12, M: 13, N: 14 },
  2133: { N: 14, P: 15, R: 16 },
  2400: { P: 15, R: 16, T: 17, U: 18 },
  2666: { T: 17, U: 18, V: 19, W: 20 },
  2933: { V: 19, W: 20, Y: 21, AA: 22 },
  3200: { W: 20, AA: 22, AC: 24 },
}

const DDR5_BINS: Record<number, Record<string, [number, number, number]>> = {
  4800: { B: [40, 39, 39] },
  5600: { B: [46, 45, 45] },
}

interface Kind {
  formFactor: FormFactor
  buffering: Buffering
  ecc: boolean
}

/** The module type letter of a label. Registered and load-reduced modules carry ECC. */
const KINDS: Record<string, Kind> = {
  U: { formFactor: 'DIMM', buffering: 'unbuffered', ecc: false },
  E: { formFactor: 'DIMM', buffering: 'unbuffered', ecc: true },
  S: { formFactor: 'SODIMM', buffering: 'unbuffered', ecc: false },
  T: { formFactor: 'SODIMM', buffering: 'unbuffered', ecc: true },
  R: { formFactor: 'DIMM', buffering: 'registered', ecc: true },
  L: { formFactor: 'DIMM', buffering: 'load-reduced', ecc: true },
}

/** In a kit's `2X8GB` the capacity is that of one piece. */
const CAPACITY = /(?:^|[^\d.A-WYZ])(?:\d ?X ?)?(\d{1,4}) ?(GI?B|MI?B|TI?B|G(?![A-Z0-9]))(?![A-Z])/
const KIT_CAPACITY = /\d ?X ?(\d{1,3}) ?(GI?B?)(?![A-Z0-9])/
const ORGANISATION =
  /(?:^|[^A-Z0-9]|(?<=\d ?[GM]B))([1248IL]) ?(?:D|S ?(\d))? ?R ?X? ?(16|32|4|8)(?![0-9])/
const NUMBERED = /PC([2-5])([LU]?)[- ]?(\d{4,5})/
const UNNUMBERED = /PC[- ]?(\d{4,5})/
const WORDED = /(LP)?DDR([1-5])?([LUX]?)[- ]?(\d{3,5})/
const LATE_REST =
  /^(?:[- ]?(AA|AC|[A-Z])(?=[- ]|$))?(?:[- ]+([A-Z])(?:[A-Z]{1,2}\d?|\d)?(?=[- ]|$))?/
const DDR3_REST = /^[- ]?([A-Z])?(?:[- ]+(\d{1,2})(?=[- ]|$))?/
const DDR2_REST = /^[- ]?([A-Z])?(?:[- ]+(\d)-?(\d)-?(\d)(?=[- ]|$))?/
/** Words people write where the label has a letter. */
const WORDS: [RegExp, string][] = [
  [/SO-?DIMM.*\bECC\b|\bECC\b.*SO-?DIMM/, 'T'],
  [/SO-?DIMM/, 'S'],
  [/\bL-?R-?DIMM/, 'L'],
  [/\bR-?DIMM|REGISTERED/, 'R'],
  [/\bUDIMM.*\bECC\b|\bECC\b.*\bUDIMM/, 'E'],
  [/\bUDIMM/, 'U'],
]
const LATENCY = /\bCL? ?-?(\d{1,2})\b/
const SERIAL = /(?:S\/?N|SERIAL(?: NO)?)[.:# ]+([A-Z0-9]{4,24})/
const PART = /(?:P\/?N|PART NO)[.:# ]+([A-Z0-9][A-Z0-9./-]{2,30})/

/** A line longer than this is no label. */
const LONGEST = 400

/**
 * Reads label lines, one or many: `8GB 1Rx8 PC4-2666V-SA1-11`, `4GB 2Rx8 PC3L-12800S-11-13-B4`,
 * `1GB 2Rx8 PC2-6400S-666-12-A3` and what people make of them. Lines that are none are named.
 * Null where no line is a label. Layouts: the label annexes of the JEDEC module standards.
 */
export function readLabels(text: string): Reading | null {
  const modules: ModuleReading[] = []
  const problems: Problem[] = []
  let line = 0
  for (const row of tidy(text).split('\n')) {
    line += 1
    if (row.trim() === '') continue
    let read = false
    for (const part of row.length > LONGEST ? [] : partsOf(row)) {
      const module = readLabel(part, line, problems)
      if (module) modules.push(module)
      read ||= module !== null
    }
    if (!read) problems.push({ code: 'NOT_A_LABEL', where: { line } })
  }
  return modules.length > 0 ? { format: 'label', modules, machine: null, problems } : null
}

/** The labels on one line: parted by semicolons, bars or tabs, or a new one where a capacity starts over. */
function partsOf(row: string): string[] {
  const single = (part: string) => part.indexOf('PC') === part.lastIndexOf('PC')
  if (!/[;|\t]/.test(row) && single(row)) return [row]
  return row
    .split(/[;|\t]/)
    .flatMap((part) => (single(part) ? [part] : part.split(/(?=(?:^| )\d{1,3} ?GB\b)/)))
    .filter((part) => part.trim() !== '')
}

/** Upper case, one kind of dash and multiplication sign, O for 0 mended, no commas, no doubled spaces. */
function tidy(text: string): string {
  return text
    .toUpperCase()
    .replace(/[\u2010-\u2015\u2212_]/g, '-')
    .replace(/[\u00d7*]/g, 'X')
    .replace(/(?<=\d)O+|O+(?=\d)/g, (letters) => '0'.repeat(letters.length))
    .replace(/[,"'\r\f\v\u00a0]/g, ' ')
    .replace(/ {2,}/g, ' ')
    .replace(/ - ?|- /g, '-')
}

interface Rate {
  generation: Generation
  dataRate: number
  voltages: number[]
  rest: string
  ambiguous: boolean
}

function readLabel(text: string, line: number, problems: Problem[]): ModuleReading | null {
  const where = { line }
  const complain = (code: ProblemCode) => problems.push({ code, where })
  const capacityGiB = capacityIn(text)
  const organisation = ORGANISATION.exec(text)
  const rate = rateIn(text, capacityGiB)
  if (!rate && !organisation) return null

  const suffix = rate && suffixOf(text, rate, complain)
  if (!rate) complain(/PC|DDR/.test(text) ? 'RATE_UNKNOWN' : 'RATE_MISSING')
  else if (rate.ambiguous) complain('RATE_AMBIGUOUS')

  if (capacityGiB === undefined) complain('CAPACITY_MISSING')
  else if (!isModuleCapacity(capacityGiB)) complain('CAPACITY_NOT_MADE')

  const ranks = organisation ? Number(organisation[1]?.replace(/[IL]/, '1')) : undefined
  const deviceWidth = organisation ? Number(organisation[3]) : undefined
  if (!organisation) complain('ORGANISATION_MISSING')
  const ranksInAll = ranks === undefined ? 0 : ranks * Number(organisation?.[2] ?? 1)
  const density =
    capacityGiB && deviceWidth ? (capacityGiB * 8 * deviceWidth) / (ranksInAll * 64) : 0
  const isMade = isMadeDensity(density, rate?.generation)
  if (density > 0 && !isMade) complain('DENSITY_NOT_MADE')

  const named = text.includes('N')
  const about = emptyModule('label', where)
  about.module = known({
    generation: rate?.generation,
    voltages: rate?.voltages,
    speeds: suffix?.speeds,
    formFactor: suffix?.kind?.formFactor,
    buffering: suffix?.kind?.buffering,
    ecc: suffix?.kind?.ecc,
    capacityGiB,
    ranks,
    deviceWidth,
    dieGbit: isMade ? density : undefined,
  })
  if (named) {
    learn(about, 'serial', SERIAL.exec(text)?.[1])
    learn(about, 'partNumber', PART.exec(text)?.[1])
  }
  return about
}

type Figures = { [What in keyof ModuleFigures]?: ModuleFigures[What] | undefined }

/** The figures that are known; most labels have all of them, and are then taken as they stand. */
function known(figures: Figures): Partial<ModuleFigures> {
  for (const what in figures) {
    if (figures[what as keyof Figures] === undefined) {
      const entries = Object.entries(figures).filter(([, value]) => value !== undefined)
      return Object.fromEntries(entries) as Partial<ModuleFigures>
    }
  }
  return figures as Partial<ModuleFigures>
}

function capacityIn(text: string): number | undefined {
  const match = KIT_CAPACITY.exec(text) ?? CAPACITY.exec(text)
  if (!match) return undefined
  const figure = Number(match[1])
  const unit = match[2]?.[0]
  return unit === 'M' ? figure / 1024 : unit === 'T' ? figure * 1024 : figure
}

function rateIn(text: string, capacityGiB: number | undefined): Rate | null {
  const numbered = NUMBERED.exec(text)
  if (numbered) {
    const generation = `DDR${numbered[1]}` as Generation
    const meant = rateOfFigure(generation, Number(numbered[3]))
    if (meant) return rateAt(text, numbered, meant, numbered[2])
  }
  const worded = WORDED.exec(text)
  if (worded) {
    const [, low = '', digit = '', letter = '', figure] = worded
    const name = `${low}DDR${digit === '1' ? '' : digit}${low && letter === 'X' ? 'X' : ''}`
    const generation = GENERATIONS.find((one) => one === name)
    const meant = generation && rateOfFigure(generation, Number(figure))
    if (meant) return rateAt(text, worded, meant, letter)
  }
  const bare = UNNUMBERED.exec(text)
  if (!bare) return null
  const possible = readRateName(`PC-${bare[1]}`).filter(
    ({ generation }) =>
      capacityGiB === undefined || capacityGiB <= (LARGEST[generation] ?? Infinity),
  )
  const [meant] = possible
  return meant ? { ...rateAt(text, bare, meant, ''), ambiguous: possible.length > 1 } : null
}

/** The largest modules of the early generations, GiB: tells a name without its digit apart. */
const LARGEST: Partial<Record<Generation, number>> = { DDR: 2, DDR2: 4 }

function rateAt(
  text: string,
  match: RegExpExecArray,
  { generation, dataRate }: { generation: Generation; dataRate: number },
  letter: string | undefined,
): Rate {
  const rest = text.slice(match.index + match[0].length)
  return { generation, dataRate, voltages: voltagesOf(generation, letter), rest, ambiguous: false }
}

/** The letter behind PC3: L is 1.35 V and runs at 1.5 too, U is 1.25 V. */
function voltagesOf(generation: Generation, letter: string | undefined): number[] {
  if (generation === 'DDR3' && letter === 'L') return LOW_VOLTAGE
  if (generation === 'DDR3' && letter === 'U') return ULTRA_LOW_VOLTAGE
  return VOLTAGES[generation]
}

const LOW_VOLTAGE = [1.35, 1.5]
const ULTRA_LOW_VOLTAGE = [1.25]
const VOLTAGES = Object.fromEntries(
  Object.entries(USUAL_VOLTAGE).map(([generation, volts]) => [generation, [volts]]),
) as Record<Generation, number[]>

interface Suffix {
  speeds: ReadSpeed[]
  kind: Partial<Kind> | undefined
}

/** What stands behind the rate: bin or CAS latency, and the module type, as letters or as words. */
function suffixOf(
  text: string,
  { generation, dataRate, rest }: Rate,
  complain: (code: ProblemCode) => void,
): Suffix {
  let speed: ReadSpeed | undefined
  let type: string | undefined
  if (generation === 'DDR4' || generation === 'DDR5') {
    const [, bin, letter] = LATE_REST.exec(rest) ?? []
    type = letter
    speed = bin ? speedOfBin(generation, dataRate, bin) : undefined
    if (bin && !speed) {
      if (letter === undefined && KINDS[bin]) type = bin
      else complain('BIN_UNKNOWN')
    }
  } else if (generation === 'DDR3') {
    const [, letter, digits] = DDR3_REST.exec(rest) ?? []
    type = letter
    const cl = Number(digits)
    if (cl >= 4 && cl <= 20) speed = { kind: 'standard', dataRate, cl }
  } else {
    const [, letter, cl, trcd, trp] = DDR2_REST.exec(rest) ?? []
    type = letter
    if (generation === 'DDR2' && cl) {
      const [a, b, c] = [Number(cl), Number(trcd), Number(trp)]
      speed = { kind: 'standard', dataRate, cl: a, trcd: b, trp: c }
    }
  }
  type ??= WORDS.find(([word]) => word.test(text))?.[1]
  if (!speed) {
    const cl = Number(LATENCY.exec(text)?.[1])
    speed = cl >= 3 ? { kind: 'standard', dataRate, cl } : { kind: 'standard', dataRate }
  }
  const kind = type === undefined ? undefined : KINDS[type]
  const soldered = generation.startsWith('LP') ? SOLDERED : undefined
  if (!kind && !soldered) complain(type === undefined ? 'FORM_MISSING' : 'TYPE_UNKNOWN')
  return { speeds: [speed], kind: kind ?? soldered }
}

const SOLDERED = { formFactor: 'soldered' } as const

function speedOfBin(generation: Generation, dataRate: number, bin: string): ReadSpeed | undefined {
  const late = generation === 'DDR5' ? DDR5_BINS[dataRate]?.[bin] : undefined
  const equal = generation === 'DDR4' ? DDR4_BINS[dataRate]?.[bin] : undefined
  const cl = late?.[0] ?? equal
  return cl === undefined
    ? undefined
    : { kind: 'standard', dataRate, cl, trcd: late?.[1] ?? cl, trp: late?.[2] ?? cl }
}
