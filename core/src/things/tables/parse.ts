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
