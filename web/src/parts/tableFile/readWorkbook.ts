import { type Table, tableOfRows } from '@tembrix/core/things/tables'
import type { SheetAnswer } from './sheetWorker'

export const isWorkbook = ({ name }: File): boolean => /\.xlsx$/i.test(name)

/** The table in the first sheet of a workbook, read in a worker; null where there is none. */
export function readWorkbook(file: File): Promise<Table | null> {
  const worker = new Worker(new URL('./sheetWorker.ts', import.meta.url), { type: 'module' })
  return new Promise<Table | null>((resolve) => {
    worker.onmessage = ({ data }: MessageEvent<SheetAnswer>) =>
      resolve(data.ok ? tableOfRows(data.rows) : null)
    worker.onerror = () => resolve(null)
    worker.postMessage(file)
  }).finally(() => worker.terminate())
}
