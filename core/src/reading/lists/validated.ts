import { type ValidatedColumn, ValidatedEntry } from '../../things/records'
import {
  type ColumnHeadings,
  type ColumnWords,
  numberIn,
  readRows,
  type Table,
} from '../../things/tables'

/** Words that headings of such lists have in them. */
export const VALIDATED_WORDS: ColumnWords<ValidatedColumn> = {
  article: [/article|part ?\.?(no|num|#)|p\/n|order ?code|^module$|^model$/i, /part|code|name/i],
  maker: [/vendor|maker|brand|manufacturer(?! ?(?:part|p\/?n))/i],
  kitSize: [/kit|pieces|pcs|pack/i],
  capacityGiB: [/capacity|^size|module size|\bgi?b\b/i],
  slotsTested: [/slots?|sockets?|dimm support|tested/i],
  dataRate: [/rate|speed|mt\/?s|mhz/i],
}

/** The entries of a table, and the rows that make none, with their lines and what is wrong. */
export function importValidated(table: Table, columns: ColumnHeadings<ValidatedColumn>) {
  return readRows(table, columns, (cell: (column: ValidatedColumn) => string) => {
    const parsed = ValidatedEntry.safeParse({
      article: cell('article'),
      ...(cell('maker') === '' ? {} : { maker: cell('maker') }),
      kitSize: countIn(cell('kitSize')),
      capacityGiB: capacityIn(cell('capacityGiB')),
      slotsTested: countIn(cell('slotsTested')),
      dataRate: rateIn(cell('dataRate')),
    })
    if (parsed.success) return parsed.data
    const [issue] = parsed.error.issues
    return issue?.message ?? 'This row cannot be read.'
  })
}

/** `2`, `2x8GB` (its first figure), `1/2/4` (its last: tested in as many as four). */
function countIn(cell: string): number | null {
  const figures = cell.match(/\d+/g)
  if (!figures) return null
  return Number(/[/,]/.test(cell) ? figures.at(-1) : figures[0])
}

/** `8`, `8GB`, `2x8GB` (of one module), `8192 MB`. */
function capacityIn(cell: string): number | null {
  const one = /x\s*(\d.*)$/i.exec(cell)?.[1] ?? cell
  const figure = numberIn(one)
  return figure !== null && /mi?b/i.test(one) ? figure / 1024 : figure
}

/** `3200`, `DDR4-3200`, `3200 MT/s`: the last figure of three digits or more. */
function rateIn(cell: string): number | null {
  const figure = cell.match(/\d{3,5}/g)?.at(-1)
  return figure === undefined ? null : Number(figure)
}
