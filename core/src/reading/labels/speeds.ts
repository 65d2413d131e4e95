import {
  type Buffering,
  GENERATIONS,
  type Generation,
  USUAL_VOLTAGE,
  usualVoltages,
} from '../../things/model'
import { type RateReading, type ReadSpeed, rateOfFigure, readRateName, speedKind } from '../facts'

/** A rate as printed, and what stands behind it in the line. */
export interface PrintedRate {
  generation: Generation
  /** Undefined where the generation is printed but no rate of it. */
  dataRate: number | undefined
  /** The letter behind the generation: L or U for DDR3's low voltages. */
  low: string
  /** Whether it is printed in the label form (`PC4-3200AA-S…`), where letters behind it have a meaning. */
  labelForm: boolean
  rest: string
  ambiguous: boolean
}

const NUMBERED = /PC([2-5])([LU]?)[- ]?(\d{4,5})/
const UNNUMBERED = /PC[- ]?(\d{4,5})/
const WORDED = /(?<![A-Z])(LP)?DDR([1-5])?([LUX]?)[- ]?(\d{3,5})(?!\d| ?[GM]I?B)/
const GENERATION = /(?<![A-Z])(LP)?DDR([1-5])([LUX]?)(?![0-9])/
const UNIT_RATE = /(?<![\d.])(\d{3,5}) ?(?:MHZ|MT\/?S?)(?![A-Z])/
const BARE_RATE = /(?<![\d.A-Z/-])(\d{3,4})(?![\d.A-Z/-])/g

/** The largest modules of the early generations, GiB: tells a name without its digit apart. */
const LARGEST: Partial<Record<Generation, number>> = { DDR: 2, DDR2: 4 }

/** The rate a line in upper case prints, in whatever form; null where it names no generation. */
export function printedRate(text: string, capacityGiB: number | undefined): PrintedRate | null {
  const pc = text.includes('PC')
  const numbered = pc ? NUMBERED.exec(text) : null
  if (numbered) {
    const generation = `DDR${numbered[1]}` as Generation
    const meant = rateOfFigure(generation, Number(numbered[3]))
    if (meant) return printed(text, numbered, meant, numbered[2], true)
  }
  const ddr = text.includes('DDR')
  const worded = ddr ? WORDED.exec(text) : null
  if (worded) {
    const [, low = '', digit = '', letter = '', figure] = worded
    const generation = generationNamed(low, digit, letter)
    const meant = generation && rateOfFigure(generation, Number(figure))
    if (meant) return printed(text, worded, meant, letter, false)
  }
  const named = ddr ? GENERATION.exec(text) : null
  if (named) {
    const [, low = '', digit = '', letter = ''] = named
    const generation = generationNamed(low, digit, letter)
    if (generation) return apart(text, generation, letter)
  }
  const bare = pc ? UNNUMBERED.exec(text) : null
  if (!bare) return null
  const possible = readRateName(`PC-${bare[1]}`).filter(
    ({ generation }) =>
      capacityGiB === undefined || capacityGiB <= (LARGEST[generation] ?? Number.POSITIVE_INFINITY),
  )
  const [meant] = possible
  return meant ? { ...printed(text, bare, meant, '', true), ambiguous: possible.length > 1 } : null
}

/** A generation that a line names, with the rate (MT/s) beside it where one is printed; or a rate alone. */
export interface RateNamed {
  generation: Generation | null
  dataRate: number | null
}

/** `2400 / 2666`: one of two rates. */
const RATES_APART = /(?<![\d.A-Z])(\d{3,4}) ?\/ ?(\d{3,4})(?!\d|\.| ?[GM]B)/

const EVERY = (pattern: RegExp) => new RegExp(pattern, 'g')

/** Every generation and rate that a line in upper case names, so that a line can be held against itself. */
export function ratesNamed(text: string): RateNamed[] {
  const named: RateNamed[] = []
  const add = (generation: Generation | undefined, figure: string | undefined) => {
    if (!generation) return
    const dataRate = figure ? rateOfFigure(generation, Number(figure))?.dataRate : undefined
    named.push({ generation, dataRate: dataRate ?? null })
  }
  for (const [, digit, , figure] of text.matchAll(EVERY(NUMBERED))) {
    add(`DDR${digit}` as Generation, figure)
  }
  for (const [, low = '', digit = '', letter = '', figure] of text.matchAll(EVERY(WORDED))) {
    add(generationNamed(low, digit, letter), figure)
  }
  for (const [, low = '', digit = '', letter = ''] of text.matchAll(EVERY(GENERATION))) {
    add(generationNamed(low, digit, letter), undefined)
  }
  for (const [, figure] of text.matchAll(EVERY(UNIT_RATE))) {
    named.push({ generation: null, dataRate: Number(figure) })
  }
  for (const figure of RATES_APART.exec(text)?.slice(1) ?? []) {
    if (Number(figure) >= 400) named.push({ generation: null, dataRate: Number(figure) })
  }
  return named
}

/** Contradictions between the names of one module. */
export function contradictionsIn(named: readonly RateNamed[]): {
  generation: boolean
  rate: boolean
} {
  const generations = new Set(named.flatMap(({ generation }) => generation ?? []))
  const printed = named.flatMap(({ generation, dataRate }) => (generation && dataRate) || [])
  const rates = new Set(printed)
  const [first] = printed
  const alone = named.flatMap(({ generation, dataRate }) =>
    generation === null && dataRate !== null ? [dataRate] : [],
  )
  // A figure in MHz may be the clock, half of the rate.
  const isNear = (figure: number, rate: number) => Math.abs(figure - rate) <= rate * 0.01
  const other = alone.some(
    (figure) => first !== undefined && !isNear(figure, first) && !isNear(2 * figure, first),
  )
  return { generation: generations.size > 1, rate: rates.size > 1 || other }
}

function generationNamed(low: string, digit: string, letter: string): Generation | undefined {
  const name = `${low}DDR${digit === '1' ? '' : digit}${low && letter === 'X' ? 'X' : ''}`
  return GENERATIONS.find((one) => one === name)
}

function printed(
  text: string,
  match: RegExpExecArray,
  { generation, dataRate, as }: RateReading,
  low: string | undefined,
  pc: boolean,
): PrintedRate {
  const rest = text.slice(match.index + match[0].length)
  // The label form names DDR4 and later by their rate; a bandwidth is a shop's way to write it.
  const late = generation === 'DDR4' || generation === 'DDR5'
  const labelForm = pc && (!late || as === 'rate')
  return { generation, dataRate, low: low ?? '', labelForm, rest, ambiguous: false }
}

/** The generation in one place, the rate in another: with its unit, or alone where only one figure can be it. */
function apart(text: string, generation: Generation, low: string): PrintedRate {
  const unit = UNIT_RATE.exec(text)?.[1]
  const bare = [...text.matchAll(BARE_RATE)].flatMap(
    ([, figure]) => rateOfFigure(generation, Number(figure))?.dataRate ?? [],
  )
  const dataRate =
    unit !== undefined
      ? rateOfFigure(generation, Number(unit))?.dataRate
      : bare.length === 1
        ? bare[0]
        : undefined
  return { generation, dataRate, low, labelForm: false, rest: '', ambiguous: false }
}

const LATENCY =
  /\b(?:CL|CAS(?: LATENCY)?|C)[ :=-]*(\d{1,2})(?:-(\d{1,3})(?:-(\d{1,3})(?:-(\d{1,3}))?)?)?(?![\d.])/
const CHAIN = /(?<![\d.A-Z-])(\d{1,2})-(\d{1,3})-(\d{1,3})(?:-(\d{1,3}))?(?![\d-])/

type Timings = Partial<Pick<ReadSpeed, 'cl' | 'trcd' | 'trp' | 'tras'>>

/** Timings printed in words: `CL18-22-22-42`, `CL18`, `18-22-22-42`. */
export function timingsIn(text: string): Timings {
  const match = LATENCY.exec(text) ?? (text.includes('-') ? CHAIN.exec(text) : null)
  if (!match) return {}
  const [cl, trcd, trp, tras] = match.slice(1).map((one) => (one === undefined ? 0 : Number(one)))
  if (!cl || cl < 2 || cl > 90) return {}
  const timings: Timings = { cl }
  // Fewer than three are something else's figures.
  if (trcd && trp && trcd <= 120 && trp <= 120) Object.assign(timings, { trcd, trp })
  if (timings.trp && tras && tras >= cl) timings.tras = tras
  return timings
}

const VOLTS = /(?<![\d.])([0-3]\.\d{1,3}) ?V(?![A-Z])/g

/** Every voltage printed, V. */
export function voltsIn(text: string): number[] {
  if (!text.includes('V')) return []
  return [...text.matchAll(VOLTS)].map(([, volts]) => Number(volts)).filter((volts) => volts >= 0.9)
}

/** Voltages of DDR3's names: L is 1.35 V and runs at 1.5 too, U is 1.25 V. */
const LOW_VOLTAGES: Readonly<Record<string, number[]>> = { L: [1.35, 1.5], U: [1.25] }

/**
 * What is printed as the module's own voltages, V: by the generation's standard, where the name says
 * it (DDR3's does only in the label form), else as printed. Undefined where it stays open. A voltage
 * above the standard's is the profile's, not the module's.
 */
export function voltagesOf(
  { generation, dataRate, low, labelForm }: PrintedRate,
  volts: readonly number[],
): number[] | undefined {
  if (generation !== 'DDR3') return usualVoltages(generation, dataRate ?? 0)
  const lower = LOW_VOLTAGES[low]
  if (lower) return lower
  const standard = volts.filter((one) => one <= 1.5)
  if (standard.includes(1.35)) return LOW_VOLTAGES.L
  if (standard.length > 0) return [...standard].sort()
  return labelForm || volts.length > 0 ? [USUAL_VOLTAGE.DDR3] : undefined
}

/** A printed rate with its timings, as the standard speed or the memory profile. */
export function speedOf(
  { generation, labelForm }: PrintedRate,
  dataRate: number,
  timings: Timings,
  volts: readonly number[],
  buffering: Buffering | null,
): ReadSpeed {
  const top = volts.length > 0 ? Math.max(...volts) : null
  const kind = speedKind(generation, dataRate, {
    cl: timings.cl ?? null,
    volts: top,
    buffering,
    labelForm,
  })
  const speed: ReadSpeed = { kind, dataRate, ...timings }
  if (kind === 'profile' && top !== null && top > USUAL_VOLTAGE[generation]) speed.voltage = top
  return speed
}
