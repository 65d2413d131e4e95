import { z } from 'zod'
import type { Table } from './parse'

/** Which column of a table holds what, by the column's heading, for tables with these headings. */
export const columnMapping = <Column extends string>(columns: readonly Column[]) =>
  z.object({
    headings: z.array(z.string().max(200)).max(200),
    columns: z.partialRecord(z.enum(columns), z.string().max(200)),
  })

export type ColumnHeadings<Column extends string> = Partial<Record<Column, string>>

/** Words that headings have in them, by column, most telling first; without accents. */
export type ColumnWords<Column extends string> = Record<Column, readonly RegExp[]>

/** The columns that headings suggest; each heading stands for one. */
export function guessColumns<Column extends string>(
  headings: readonly string[],
  words: ColumnWords<Column>,
): ColumnHeadings<Column> {
  const columns: ColumnHeadings<Column> = {}
  const taken = new Set<string>()
  for (const column of Object.keys(words) as Column[]) {
    for (const word of words[column]) {
      const heading = headings.find(
        (one) => one !== '' && word.test(withoutAccents(one)) && !taken.has(one),
      )
      if (heading === undefined) continue
      columns[column] = heading
      taken.add(heading)
      break
    }
  }
  return columns
}

const withoutAccents = (text: string): string => text.normalize('NFD').replace(/\p{M}+/gu, '')

/** A row that makes nothing, by its line in the file (from 1), and why. */
export interface RowFault {
  line: number
  message: string
}

/** Rows between two words on how many are done. */
const ROWS_A_WORD = 250

/** What each row of a table makes, and the rows that make nothing. `read` answers a text to say why. */
export function readRows<Column extends string, Made extends object>(
  { headings, rows }: Table,
  columns: ColumnHeadings<Column>,
  read: (cell: (column: Column) => string) => Made | string,
  onRows?: (done: number) => void,
): { made: Made[]; faults: RowFault[] } {
  const places = new Map(
    Object.entries(columns).map(([column, heading]) => [column, headings.indexOf(String(heading))]),
  )
  const made: Made[] = []
  const faults: RowFault[] = []
  for (const [at, { line, cells }] of rows.entries()) {
    if (at % ROWS_A_WORD === 0) onRows?.(at)
    const one = read((column) => cells[places.get(column) ?? -1] ?? '')
    if (typeof one === 'string') faults.push({ line, message: one })
    else made.push(one)
  }
  return { made, faults }
}
