import { inWorker } from '../../base/worker'
import type { OpenedFile } from './tableWorker'

/** The table in a file of separated values or in the first sheet of a workbook; null where there is none. */
export const readTableFile = (file: File, signal?: AbortSignal): Promise<OpenedFile | null> =>
  inWorker<File, OpenedFile | null>(
    () => new Worker(new URL('./tableWorker.ts', import.meta.url), { type: 'module' }),
    file,
    { signal },
  )
