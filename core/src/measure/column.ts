import { dsvFormat } from 'd3-dsv'
import { headingOf, numberIn } from '../tables'

export interface LogHead {
  separator: string
  headings: string[]
  /** How many lines stand before the headings: comments, titles, blank ones. */
  skip: number
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

/** The column of frame times that headings suggest, and its unit. */
export function guessFrameColumn(headings: readonly string[]): { heading: string; unit: TimeUnit } {
  const word = /frame ?time|between.*(present|frame)|ms ?per ?frame|frametime|^ms|time.*ms/i
  const heading = headings.find((one) => word.test(one)) ?? headings.at(-1) ?? ''
  const unit: TimeUnit = /(µs|us\b|micro)/i.test(heading)
    ? 'µs'
    : /\(s\)|\bsec|seconds/i.test(heading)
      ? 's'
      : 'ms'
  return { heading, unit }
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
  { separator, headings, skip }: LogHead,
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

  function takeRow(cells: string[]): null {
    line += 1
    if (line <= skip + 1 || (cells.length === 1 && cells[0] === '')) return null
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
