import {
  type ColumnsWritten,
  importPrices,
  numbersWritten,
  type PriceTerms,
} from '@tembrix/core/reading/lists'
import type { Offered, PriceColumn } from '@tembrix/core/things/records'
import type { ColumnHeadings, Table } from '@tembrix/core/things/tables'
import type { WorkDone } from '../../base/worker'
import type { RowsRead } from '../../parts/tableFile'

export interface PriceQuestion {
  table: Table
  columns: ColumnHeadings<PriceColumn>
  terms: PriceTerms
}

export interface PricesRead extends RowsRead<Offered> {
  written: ColumnsWritten
}

self.onmessage = ({ data: { table, columns, terms } }: MessageEvent<PriceQuestion>) => {
  const rows = importPrices(table, columns, terms, (done) =>
    self.postMessage({ done } satisfies WorkDone),
  )
  const written = numbersWritten(table, columns, terms.markParts)
  self.postMessage({ ...rows, written } satisfies PricesRead)
}
