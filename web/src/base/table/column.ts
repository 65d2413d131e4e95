import type { ReactNode } from 'react'

/** A column of a table: what stands in it, and what it is sorted by. */
export interface Column<Row> {
  id: string
  /** Its heading, and its label where a row is drawn as a card; none for what is done with a row. */
  name: string
  cell: (row: Row) => ReactNode
  /** What it is sorted by; a column without is not sorted. Unknown comes last. */
  sortBy?: (row: Row) => string | number | null
  /** Figures stand to the right. */
  figures?: boolean
  /** More classes of its cells. */
  look?: string
  /** On a narrow screen: the head of the card, a line with its name, or not shown. */
  narrow?: 'head' | 'line' | 'hidden'
  /** Always shown: what the row is. */
  fixed?: boolean
}
