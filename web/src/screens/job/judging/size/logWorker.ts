import { type LogColumns, readMemoryLog, summarise } from '@tembrix/core/judging/sizing'
import { type NumbersWritten, numberWritten, type Table } from '@tembrix/core/things/tables'

export interface LogQuestion {
  table: Table
  columns: LogColumns
  installedGiB: number
  /** The graphics card's own memory; null where nobody said. */
  cardGiB: number | null
}

export interface LogRead {
  summary: ReturnType<typeof summarise>
  badLines: number[]
  /** One figure of memory in use, as written and as read. */
  written: NumbersWritten | null
}

self.onmessage = ({ data }: MessageEvent<LogQuestion>) => {
  const { table, columns, installedGiB, cardGiB } = data
  const { samples, badLines } = readMemoryLog(table, columns, installedGiB, cardGiB ?? 0)
  const at = table.headings.indexOf(columns.used)
  const written = numberWritten(table.rows.map(({ cells }) => cells[at] ?? ''))
  const summary = summarise(samples, installedGiB, cardGiB)
  self.postMessage({ summary, badLines, written } satisfies LogRead)
}
