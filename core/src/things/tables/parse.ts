import { dsvFormat } from 'd3-dsv'
import { headingOf } from './heading'

/** A table of text: its headings, and its rows with the line each begins on (from 1). */
export interface Table {
  separator: string
  headings: string[]
  rows: { line: number; cells: string[] }[]
}

/**
 * Reads separated values: comma, semicolon, tab or bar, whichever its headings have most of, quoted or
 * not; comments and titles before the headings are passed over. Null where there is no heading and no row.
 */
export function parseTable(text: string): Table | null {
  const plain = (text.charCodeAt(0) === 0xfeff ? text.slice(1) : text).replace(/\r\n/g, '\n')
  const heading = headingOf(plain.split('\n', 40))
  if (!heading) return null
  const { separator } = heading
  let line = 1 + heading.line
  let from = 0
  for (let n = 0; n < heading.line; n += 1) from = plain.indexOf('\n', from) + 1
  const [headings, ...rows] = dsvFormat(separator)
    .parseRows(plain.slice(from))
    .map((cells) => {
      const at = line
      line += 1 + cells.reduce((lines, cell) => lines + (cell.split('\n').length - 1), 0)
      return { line: at, cells: cells.map((cell) => cell.trim()) }
    })
    .filter(({ cells }) => cells.some((cell) => cell !== ''))
  return headings && rows.length > 0 ? { separator, headings: headings.cells, rows } : null
}

/**
 * The table in the rows of a sheet: the first row that is as wide as most are has the headings; titles before it are
 * passed over. Null where there is no heading and no row.
 */
export function tableOfRows(rows: readonly (readonly string[])[]): Table | null {
  const filled = (row: readonly string[]) => row.filter((cell) => cell.trim() !== '').length
  const widest = Math.max(0, ...rows.slice(0, 40).map(filled))
  const at = rows.findIndex((row) => widest > 1 && filled(row) >= widest / 2)
  const headings = rows[at]?.map((cell) => cell.trim())
  if (!headings) return null
  const read = rows.slice(at + 1).flatMap((row, n) => {
    const cells = row.map((cell) => cell.trim())
    return cells.some((cell) => cell !== '') ? [{ line: at + n + 2, cells }] : []
  })
  return read.length > 0 ? { separator: '', headings, rows: read } : null
}
