import {
  type ColumnMapping,
  VALIDATED_COLUMNS,
  type ValidatedColumn,
  ValidatedEntry,
} from '../records'
import { numberIn, type Table } from '../tables'

/** Words that headings of such lists have in them, most telling first. */
const WORDS: Record<ValidatedColumn, RegExp[]> = {
  article: [/article|part ?(no|number)|order ?code|^module$|^model$/i, /part|code|name/i],
  kitSize: [/kit|pieces|pcs|pack/i],
  capacityGiB: [/capacity|^size|module size|\bgi?b\b/i],
  slotsTested: [/slots?|sockets?|dimm support|tested/i],
  dataRate: [/rate|speed|mt\/?s|mhz/i],
}

/** The columns that headings suggest; each heading stands for one. */
export function guessColumns(headings: readonly string[]): ColumnMapping['columns'] {
  const columns: ColumnMapping['columns'] = {}
  const taken = new Set<string>()
  for (const column of VALIDATED_COLUMNS) {
    for (const word of WORDS[column]) {
      const heading = headings.find((one) => one !== '' && word.test(one) && !taken.has(one))
      if (heading === undefined) continue
      columns[column] = heading
      taken.add(heading)
      break
    }
  }
  return columns
}

export interface ImportFault {
  line: number
  message: string
}

export interface Imported {
  entries: ValidatedEntry[]
  faults: ImportFault[]
}

/** The entries of a table, and the rows that make none, with their lines and what is wrong. */
export function importValidated(table: Table, columns: ColumnMapping['columns']): Imported {
  const at = (column: ValidatedColumn) => {
    const heading = columns[column]
    return heading === undefined ? -1 : table.headings.indexOf(heading)
  }
  const places = Object.fromEntries(VALIDATED_COLUMNS.map((column) => [column, at(column)]))
  const entries: ValidatedEntry[] = []
  const faults: ImportFault[] = []
  for (const { line, cells } of table.rows) {
    const cell = (column: ValidatedColumn) => cells[places[column] as number] ?? ''
    const parsed = ValidatedEntry.safeParse({
      article: cell('article'),
      kitSize: countIn(cell('kitSize')),
      capacityGiB: capacityIn(cell('capacityGiB')),
      slotsTested: countIn(cell('slotsTested')),
      dataRate: rateIn(cell('dataRate')),
    })
    if (parsed.success) entries.push(parsed.data)
    else {
      const [issue] = parsed.error.issues
      faults.push({ line, message: `${String(issue?.path[0] ?? 'row')}: ${issue?.message}` })
    }
  }
  return { entries, faults }
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
