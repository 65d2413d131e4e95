import { textOfBytes } from '@tembrix/core/reading/inputs'
import { commaReadings, parseTable, type Table, tableOfRows } from '@tembrix/core/things/tables'
import { readSheet } from 'read-excel-file/universal'

/** A file's table, and the ways to read decimal commas in it where its rows have more columns than its headings. */
export interface OpenedFile {
  table: Table
  readings: number[][] | null
}

self.onmessage = async ({ data }: MessageEvent<File>) => {
  self.postMessage(await tableIn(data))
}

async function tableIn(file: File): Promise<OpenedFile | null> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  const table = isWorkbook(bytes) ? await sheetOf(bytes) : parseTable(textOfBytes(bytes) ?? '')
  if (!table) return null
  return {
    table,
    readings: commaReadings(
      table,
      table.rows.map(({ cells }) => cells),
    ),
  }
}

/** A workbook (ECMA-376) is a ZIP archive, whatever the file is called. */
const isWorkbook = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b

/** The first sheet as rows of texts; a number with a decimal point, a day as an ISO date. */
async function sheetOf(bytes: Uint8Array): Promise<Table | null> {
  try {
    const rows = await readSheet(bytes.buffer as ArrayBuffer)
    return tableOfRows(rows.map((row) => row.map(textOfCell)))
  } catch {
    return null
  }
}

const textOfCell = (cell: unknown): string =>
  cell instanceof Date ? cell.toISOString().slice(0, 10) : cell === null ? '' : String(cell)
