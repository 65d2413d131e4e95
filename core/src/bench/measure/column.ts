import { dsvFormat } from 'd3-dsv'
import { headingOf, joinedCells, numberIn } from '../../things/tables'

export interface LogHead {
  separator: string
  headings: string[]
  /** How many lines stand before the headings: comments, titles, blank ones. */
  skip: number
  /** Columns (from 0) whose figures have a decimal comma though commas part the columns. */
  commas?: readonly number[]
}

const SEPARATORS = [';', '\t', ',']

/** The headings of a log, and what parts its columns; null where there is nothing to read. */
export function logHead(text: string): LogHead | null {
  const lines = text.replace(/^\ufeff/, '').split(/\r?\n/, 40)
  const heading = headingOf(lines, SEPARATORS)
  if (!heading) return null
  const { separator, line } = heading
  const [headings] = dsvFormat(separator).parseRows((lines[line] as string).trim())
  return headings ? { separator, headings: headings.map((one) => one.trim()), skip: line } : null
}

/** Units of a time, as so many ms. */
const UNITS = { ms: 1, s: 1000, µs: 0.001 } as const
export type TimeUnit = keyof typeof UNITS
export const TIME_UNITS = Object.keys(UNITS) as TimeUnit[]

/** What a column that does not change counts for against one that does. */
const STILL = 0.5

/** What the figures of a column are, as far as they show it. */
type Looks = 'counts' | 'grows' | 'still' | 'varies' | 'none'

function looksOf(figures: readonly number[]): Looks {
  if (figures.length < 3) return figures.length === 0 ? 'none' : 'varies'
  const steps = figures.slice(1).map((one, at) => one - (figures[at] as number))
  if (steps.every((step) => step === 0)) return 'still'
  if (steps.every((step) => step === 1)) return 'counts'
  return steps.every((step) => step > 0) ? 'grows' : 'varies'
}

const TIMES = /frame ?time|between.*(present|frame)|ms ?per ?frame|frametime|^ms|time.*ms|render/i
const RATES = /\bfps\b|frames? ?(\/|per) ?s|\brate\b|\bhz\b/i
const OTHERS =
  /index|\bid\b|number|^#|stamp|clock|date|since|elapsed|usage|temp|load|%|watt|mb\b|gb\b/i

/** What frames usually take, by unit: a middle figure within these is told from its size. */
const USUAL: readonly [TimeUnit, number, number][] = [
  ['s', 0.0005, 0.5],
  ['ms', 0.5, 500],
  ['µs', 500, 500_000],
]

/**
 * The column that most likely holds frame times, and its unit, by what its figures are and what it is
 * called: what grows is a clock, what counts by one an identity, what stays the same neither, and a rate is
 * no time. `rows` are some of the log’s rows. Null where no column can be frame times.
 */
export function guessFrameColumn(
  headings: readonly string[],
  rows: readonly (readonly string[])[] = [],
): { heading: string; unit: TimeUnit } | null {
  const scored = headings.map((heading, at) => {
    const figures = rows.flatMap((cells) => {
      const read = figure(cells[at]).value
      return Number.isFinite(read) ? [read] : []
    })
    const looks = rows.length === 0 ? 'varies' : looksOf(figures)
    // Frames that are held to a rate may stand still at first.
    const still = looks === 'still' && (figures[0] as number) > 0 ? STILL : 0
    const could = (looks === 'varies' || still > 0) && !RATES.test(heading)
    const named = (TIMES.test(heading) ? 2 : 0) - (OTHERS.test(heading) ? 2 : 0)
    const unit = unitOf(heading, figures)
    return { heading, unit, score: could && unit !== null ? (still || 1) + named : 0 }
  })
  const best = Math.max(0, ...scored.map(({ score }) => score))
  const found = scored.find(({ score }) => score === best)
  return best > 0 && found?.unit ? { heading: found.heading, unit: found.unit } : null
}

/** The unit a heading names, unless its figures cannot be that; else the one that its figures fit. */
function unitOf(heading: string, figures: readonly number[]): TimeUnit | null {
  const named: TimeUnit | null = /(µs|\bus\b|micro)/i.test(heading)
    ? 'µs'
    : /\(s\)|\bsec|seconds/i.test(heading)
      ? 's'
      : /ms|milli/i.test(heading)
        ? 'ms'
        : null
  const above = figures.filter((one) => one > 0).sort((a, b) => a - b)
  if (above.length === 0) return named ?? 'ms'
  const middle = above[above.length >> 1] as number
  const fits = USUAL.filter(([, low, high]) => middle >= low && middle < high).map(([unit]) => unit)
  if (named && fits.includes(named)) return named
  return fits[0] ?? null
}

/** The first rows beneath the headings, to look at. */
export function firstRows(text: string, { separator, skip }: LogHead, most = 200): string[][] {
  const lines = text.replace(/^\ufeff/, '').split(/\r?\n/, skip + 2 + most)
  const whole = lines.slice(skip + 1, -1).filter((line) => line.trim() !== '')
  return dsvFormat(separator).parseRows(whole.join('\n'))
}

export interface ReadColumn {
  values: Float64Array
  /** Lines (from 1) whose figure is missing, no number, or not above 0; the first of them. */
  badLines: number[]
  bad: number
  rows: number
  /** Figures that brought a unit of their own, which was not the column’s. */
  otherUnits: number
  /** The last line ends before its columns do: the log was cut off, and the line is left out. */
  cutOff: boolean
}

/** Lines told of. */
const BAD_SHOWN = 50

export interface ColumnReader {
  /** Takes the next stretch of the log, cut anywhere. */
  take: (text: string) => void
  /** What was read, once all is taken. */
  end: () => ReadColumn
}

/**
 * Reads one column of a log as figures above 0, stretch by stretch, so that a large log is never held
 * whole. With `unit` the figures are times and come out in ms, one with a unit behind it by that unit;
 * without, they come as they are. A decimal comma is read where the separator is none.
 */
export function columnReader(
  { separator, headings, skip, commas = [] }: LogHead,
  heading: string,
  unit: TimeUnit | null = null,
): ColumnReader {
  const format = dsvFormat(separator)
  const at = headings.indexOf(heading)
  const scale = unit === null ? 1 : UNITS[unit]
  const badLines: number[] = []
  let values = new Float64Array(4096)
  let [count, bad, rows, line, otherUnits] = [0, 0, 0, 0, 0]
  let rest = ''

  function keep(value: number): void {
    if (count === values.length) {
      const larger = new Float64Array(2 * count)
      larger.set(values)
      values = larger
    }
    values[count] = value
    count += 1
  }

  function takeRow(parted: string[]): null {
    line += 1
    if (line <= skip + 1 || (parted.length === 1 && parted[0] === '')) return null
    const cells = commas.length > 0 ? joinedCells(parted, headings.length, commas) : parted
    rows += 1
    const read = figure(cells[at])
    if (read.value > 0 && read.value < Infinity) {
      const own = unit !== null && read.unit !== null
      if (own && read.unit !== unit) otherUnits += 1
      keep(read.value * (own ? UNITS[read.unit as TimeUnit] : scale))
    } else {
      bad += 1
      if (badLines.length < BAD_SHOWN) badLines.push(line)
    }
    return null
  }

  return {
    take(text) {
      const all = rest === '' ? text : rest + text
      const end = all.lastIndexOf('\n')
      // Within quotes a line’s end is none: wait for the closing one.
      if (end < 0 || insideQuotes(all, end)) {
        rest = all
        return
      }
      rest = all.slice(end + 1)
      format.parseRows(all.slice(0, end), takeRow)
    },
    end() {
      const [last = []] = format.parseRows(rest)
      const cutOff = line > 0 && rest !== '' && last.length < headings.length
      if (rest !== '' && !cutOff) format.parseRows(rest, takeRow)
      rest = ''
      return { values: values.slice(0, count), badLines, bad, rows, otherUnits, cutOff }
    },
  }
}

/** One column of a whole log. */
export function readColumn(
  text: string,
  head: LogHead,
  heading: string,
  unit: TimeUnit | null = null,
): ReadColumn {
  const reader = columnReader(head, heading, unit)
  reader.take(text)
  return reader.end()
}

function insideQuotes(text: string, end: number): boolean {
  let inside = false
  for (let at = text.indexOf('"'); at >= 0 && at < end; at = text.indexOf('"', at + 1)) {
    inside = !inside
  }
  return inside
}

const WITH_UNIT = /^(.*\d)\s*(ms|s|µs|μs|us)$/i

function figure(cell: string | undefined): { value: number; unit: TimeUnit | null } {
  if (cell === undefined || cell === '') return { value: Number.NaN, unit: null }
  const plain = Number(cell)
  if (!Number.isNaN(plain)) return { value: plain, unit: null }
  const [, digits = cell, name] = WITH_UNIT.exec(cell.trim()) ?? []
  return { value: numberIn(digits) ?? Number.NaN, unit: name ? unitNamed(name) : null }
}

function unitNamed(name: string): TimeUnit {
  const small = name.toLowerCase()
  return small === 's' || small === 'ms' ? small : 'µs'
}
