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

/** A number as tables write it: with a decimal comma or point, thousands apart, a unit behind; null for what is none, as `12.5.3`. */
export function numberIn(cell: string): number | null {
  const match = /-?\d[\d.,' \u00a0]*/.exec(cell)
  if (!match) return null
  const digits = match[0].trim().replace(/[' \u00a0]/g, '')
  const comma = digits.lastIndexOf(',')
  const point = digits.lastIndexOf('.')
  const decimal = comma > point ? ',' : '.'
  const parts = digits.split(decimal)
  // One mark with three digits behind it parts thousands; a mark that comes twice does too.
  const last = parts.at(-1) ?? ''
  const isDecimal = parts.length === 2 && (last.length !== 3 || comma >= 0 === point >= 0)
  const whole = isDecimal ? (parts[0] as string) : digits
  if (!/^-?(?:\d+|\d{1,3}(?:[.,]\d{3})+)$/.test(whole) || (isDecimal && !/^\d+$/.test(last))) {
    return null
  }
  const plain = isDecimal
    ? `${parts[0]?.replace(/[.,]/g, '')}.${last}`
    : digits.replace(/[.,]/g, '')
  const number = Number(plain)
  return Number.isFinite(number) ? number : null
}

/**
 * A column of numbers, read alike: whether a mark parts decimals or thousands is told from the whole
 * column. Where every figure has one mark with three digits behind it, the mark is a decimal one;
 * where only the large ones have it, it parts thousands.
 */
export function columnNumbers(cells: readonly string[]): (number | null)[] {
  const figures = cells.map((cell) => /-?\d[\d.,]*/.exec(cell)?.[0] ?? null)
  const marked = figures.filter((figure) => figure !== null && /[.,]/.test(figure))
  const thousands =
    marked.length > 0 &&
    marked.every((figure) => /^-?[1-9]\d{0,2}([.,]\d{3})+$/.test(figure as string)) &&
    figures.some((figure) => figure !== null && !/[.,]/.test(figure))
  return figures.map((figure) => {
    if (figure === null) return null
    if (thousands) return Number(figure.replace(/[.,]/g, ''))
    const mark = Math.max(figure.lastIndexOf(','), figure.lastIndexOf('.'))
    if (mark < 0) return Number(figure)
    const single = figure.indexOf(figure[mark] as string) === mark
    const whole = figure.slice(0, mark).replace(/[.,]/g, '')
    const number = Number(
      single ? `${whole}.${figure.slice(mark + 1)}` : figure.replace(/[.,]/g, ''),
    )
    return Number.isFinite(number) ? number : null
  })
}
