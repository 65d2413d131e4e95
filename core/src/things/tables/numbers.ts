/** Blanks and apostrophes that part thousands, straight and curly, narrow and not to be broken. */
const APART = /['\u2019\u02bc \u00a0\u202f\u2009]/g
const FIGURE = /-?\d[\d.,'\u2019\u02bc \u00a0\u202f\u2009]*/
/** `21.-`, `21,--`: no decimals. */
const NO_DECIMALS = /[.,](?=\s*-)/

type Mark = ',' | '.'

/** A figure as it is written, without blanks: its last mark, and what that tells. */
interface Written {
  digits: string
  mark: Mark | null
  /** Known from the figure alone: that its last mark parts decimals, or thousands; null where it may be either. */
  decimal: boolean | null
}

function written(cell: string): Written | null {
  const match = FIGURE.exec(cell.replace(NO_DECIMALS, ' '))
  if (!match) return null
  const text = match[0].trim()
  const digits = text.replace(APART, '').replace(/[.,]+$/, '')
  const [comma, point] = [digits.lastIndexOf(','), digits.lastIndexOf('.')]
  const at = Math.max(comma, point)
  if (at < 0) return { digits, mark: null, decimal: null }
  const mark: Mark = comma > point ? ',' : '.'
  const isRepeated = digits.indexOf(mark) !== at
  const hasBoth = comma >= 0 && point >= 0
  const isApart = text.length > text.replace(APART, '').length
  const behind = digits.length - at - 1
  const isWhole = /^-?0?$/.test(digits.slice(0, at))
  const decimal = isRepeated ? false : hasBoth || isApart || isWhole || behind !== 3 ? true : null
  return { digits, mark, decimal }
}

/** The number of a figure whose last mark parts decimals, or thousands; null where its groups are none. */
function figureValue({ digits, mark }: Written, isDecimal: boolean): number | null {
  if (!mark) return Number(digits)
  const at = digits.lastIndexOf(mark)
  const whole = isDecimal ? digits.slice(0, at) : digits
  const decimals = isDecimal ? digits.slice(at + 1) : ''
  if (/[.,]/.test(whole) && !/^-?\d{1,3}(?:([.,])\d{3})(?:\1\d{3})*$/.test(whole)) return null
  const value = Number(`${whole.replace(/[.,]/g, '')}.${decimals}`)
  return Number.isFinite(value) ? value : null
}

/** A number as tables write it: with a decimal comma or point, thousands apart, a unit behind; null for what is none, as `12.5.3`. */
export function numberIn(cell: string): number | null {
  const figure = written(cell)
  return figure && figureValue(figure, figure.decimal ?? false)
}

/** Notation of the numbers in a column, told from all of them. */
export interface ColumnStyle {
  /** The mark of decimals; null where none is seen. */
  decimal: Mark | null
  /** A mark that may part decimals or thousands, and nothing in the column tells which. */
  doubtful: Mark | null
}

/**
 * How a column's numbers are written. A figure that can be read in one way only tells for all of them; a mark with
 * three digits behind it in the large figures only parts thousands, in every figure it parts decimals.
 */
export function columnStyle(cells: readonly string[]): ColumnStyle {
  const figures = cells.flatMap((cell) => written(cell) ?? [])
  const told = figures.find(({ decimal, mark }) => decimal === true && mark)
  if (told) return { decimal: told.mark, doubtful: null }
  const open = figures.filter(({ decimal, mark }) => mark && decimal === null)
  const mark = open[0]?.mark ?? null
  if (!mark) return { decimal: null, doubtful: null }
  const isThousands = figures.some((one) => one.mark === mark && one.decimal === false)
  const plain = figures.filter((one) => !one.mark)
  const areSmall = plain.length > 0 && plain.every(({ digits }) => Math.abs(Number(digits)) < 1000)
  if (isThousands || areSmall) return { decimal: null, doubtful: null }
  return { decimal: mark, doubtful: mark }
}

/** A cell's number in a column written so. */
export function numberOf(cell: string, { decimal }: ColumnStyle): number | null {
  const figure = written(cell)
  if (!figure) return null
  return figureValue(figure, figure.decimal ?? (figure.mark !== null && figure.mark === decimal))
}

/** A column of numbers, read alike (see `columnStyle`). */
export function columnNumbers(cells: readonly string[]): (number | null)[] {
  const style = columnStyle(cells)
  return cells.map((cell) => numberOf(cell, style))
}

/** How the numbers of a column are written. */
export interface NumbersWritten {
  /** One of them with a mark or a blank in it, and what it is read as. */
  example: string
  value: number | null
  /** The mark of which nothing tells whether it parts decimals or thousands; null where it is known. */
  doubtful: Mark | null
}

/** One number of a column, as it is written and as `read` takes it; null where none has a mark. */
export function numberWritten(
  cells: readonly string[],
  read: (cell: string) => number | null = (cell) => numberOf(cell, columnStyle(cells)),
): NumbersWritten | null {
  const example = cells.find((cell) => /\d[.,'\u2019\u02bc \u00a0\u202f\u2009]\d/.test(cell))
  if (example === undefined) return null
  return { example, value: read(example), doubtful: columnStyle(cells).doubtful }
}
