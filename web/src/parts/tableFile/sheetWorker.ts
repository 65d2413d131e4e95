import { readSheet } from 'read-excel-file/universal'

/** The first sheet of a workbook as rows of texts; a number with a decimal point, a day as an ISO date. */
export type SheetAnswer = { ok: true; rows: string[][] } | { ok: false }

self.onmessage = async ({ data }: MessageEvent<File>) => {
  self.postMessage(await sheetOf(data))
}

async function sheetOf(file: File): Promise<SheetAnswer> {
  try {
    const rows = await readSheet(await file.arrayBuffer())
    return { ok: true, rows: rows.map((row) => row.map(textOfCell)) }
  } catch {
    return { ok: false }
  }
}

const textOfCell = (cell: unknown): string =>
  cell instanceof Date ? cell.toISOString().slice(0, 10) : cell === null ? '' : String(cell)
