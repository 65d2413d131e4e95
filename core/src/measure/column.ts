import { dsvFormat } from 'd3-dsv'
import { numberIn } from '../tables'

export interface LogHead {
  separator: string
  headings: string[]
}

const SEPARATORS = [';', '\t', ',']

/** The headings of a log, and what parts its columns; null where there is nothing to read. */
export function logHead(text: string): LogHead | null {
  const end = text.indexOf('\n')
  const first = (end < 0 ? text : text.slice(0, end)).replace(/^\ufeff/, '').trim()
  if (first === '') return null
  const separator = SEPARATORS.reduce((best, one) =>
    first.split(one).length > first.split(best).length ? one : best,
  )
  const [headings] = dsvFormat(separator).parseRows(first)
  return headings ? { separator, headings: headings.map((one) => one.trim()) } : null
}

const UNITS = { ms: 1, s: 1000, µs: 0.001 } as const
export type TimeUnit = keyof typeof UNITS

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
}

/** Lines told of. */
const BAD_SHOWN = 50

/**
 * One column of a large log as figures above 0, without keeping its other cells. A decimal comma is
 * read where the separator is none. `onProgress` is told the share done.
 */
export function readColumn(
  text: string,
  { separator, headings }: LogHead,
  heading: string,
  scale = 1,
  onProgress: (share: number) => void = () => {},
): ReadColumn {
  const at = headings.indexOf(heading)
  const values = new Float64Array(Math.max(16, text.length >> 1))
  const badLines: number[] = []
  let [count, bad, rows] = [0, 0, 0]
  const every = 65_536
  let seen = 0
  dsvFormat(separator).parseRows(text, (cells, line) => {
    if (line === 0 || (cells.length === 1 && cells[0] === '')) return null
    rows += 1
    seen += 1
    if (seen === every) {
      seen = 0
      onProgress(Math.min(1, (rows * 20) / text.length))
    }
    const value = figure(cells[at])
    if (value > 0 && Number.isFinite(value)) {
      values[count] = value * scale
      count += 1
    } else {
      bad += 1
      if (badLines.length < BAD_SHOWN) badLines.push(line + 1)
    }
    return null
  })
  return { values: values.slice(0, count), badLines, bad, rows }
}

function figure(cell: string | undefined): number {
  if (cell === undefined || cell === '') return Number.NaN
  const plain = Number(cell)
  return Number.isNaN(plain) ? (numberIn(cell) ?? Number.NaN) : plain
}

export const scaleOf = (unit: TimeUnit): number => UNITS[unit]
