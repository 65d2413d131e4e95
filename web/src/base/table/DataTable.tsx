// biome-ignore-all lint/a11y/noRedundantRoles: drawn as cards its parts are no table to the browser any more
// biome-ignore-all lint/a11y/useSemanticElements: the same
import {
  createSortedRowModel,
  type RowData,
  rowSortingFeature,
  type SortingState,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { lazy, type ReactNode, Suspense, useCallback, useMemo, useRef, useState } from 'react'
import { useMedia } from '../ui'
import { ColumnHeading } from './ColumnHeading'
import { ColumnsButton } from './ColumnsButton'
import type { Column } from './column'
import { DataRow } from './DataRow'
import { AllRows, type RowsProps } from './rows'
import { SortBy } from './SortBy'
import { byValue } from './sort'
import { useHidden } from './useHidden'

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
})

/** Below so many rem, all in all and for each column, a row is a card. */
const NARROW = 48
const COLUMN = 7

/** So many rows are all drawn. */
const FEW = 60

/** Where what draws only those in sight cannot be read, all are drawn. */
const LongRows = lazy(async () => ({
  default: await import('./LongRows').then(
    (read) => read.LongRows,
    () => AllRows,
  ),
}))

/** What a row is taken to be high until it is drawn, px. */
const ROW = 48
const LOW = 32
const CARD = 132

interface Props<Row> {
  /** What it is a table of; the columns left out are remembered by it. */
  name: string
  rows: readonly Row[]
  columns: readonly Column<Row>[]
  keyOf: (row: Row) => string
  /** Classes of a row, as what belongs together. */
  rowLook?: (row: Row) => string
  /** Opens a row, by a press anywhere on it. */
  onOpen?: (row: Row) => void
  /** Whether more rows are to be read: until all are there they stand in the order they came in. */
  more?: boolean
  /** Small, beside other work: low rows with few columns, and no cards where it is narrow. */
  dense?: boolean
  /** What stands beneath the rows. */
  foot?: ReactNode
}

/**
 * Rows in columns: sorted by a press on a heading, columns chosen and remembered, gone through by arrow keys. Of many
 * only those in sight are drawn. On a narrow screen each row is a card.
 */
export function DataTable<Row extends RowData>(props: Props<Row>) {
  const { name, rows, columns, keyOf, rowLook, onOpen, more = false, dense = false, foot } = props
  const narrow = useMedia(narrowFor(columns.length)) && !dense
  const [sorting, setSorting] = useState<SortingState>([])
  const [hidden, setHidden] = useHidden(name)
  const defs = useMemo(
    () =>
      columns.map(({ id, sortBy }) => ({
        id,
        accessorFn: (row: Row) => sortBy?.(row) ?? undefined,
        enableSorting: sortBy !== undefined && !more,
        sortFn: byValue,
        sortUndefined: 'last' as const,
        sortDescFirst: false,
      })),
    [columns, more],
  )
  const table = useTable({
    features,
    data: rows,
    columns: defs,
    getRowId: keyOf,
    state: { sorting: more ? [] : sorting },
    onSortingChange: setSorting,
  })
  const shown = useMemo(
    () =>
      columns.filter(({ id, narrow: place }) => !hidden.has(id) && !(narrow && place === 'hidden')),
    [columns, hidden, narrow],
  )
  const sorted = table.getRowModel().rows
  const scroller = useRef<HTMLDivElement>(null)
  // The same from one scroll to the next: another would have every row placed again.
  const keyAt = useCallback((at: number) => sorted[at]?.id ?? at, [sorted])
  const draw: RowsProps['draw'] = (at, measure) => {
    const row = sorted[at]
    return (
      row && (
        <DataRow
          key={row.id}
          row={row.original}
          index={at}
          columns={shown}
          narrow={narrow}
          dense={dense}
          look={rowLook?.(row.original) ?? ''}
          measure={measure}
          onOpen={onOpen}
        />
      )
    )
  }
  const height = narrow ? CARD : dense ? LOW : ROW
  const drawn: RowsProps = { count: sorted.length, keyAt, draw, height, narrow, scroller }

  const sortOf = (id: string) => sorting.find((one) => one.id === id)
  return (
    <div className="flex min-h-0 flex-col border border-rule-2 bg-sheet">
      <div className="flex items-center justify-between gap-3 border-b border-rule bg-sheet-2 px-3 text-sm text-ink-2">
        <span>
          {more
            ? `the first ${rows.length}`
            : `${rows.length} ${rows.length === 1 ? 'row' : 'rows'}`}
        </span>
        {narrow && !more && <SortBy columns={shown} sorting={sorting} onSorting={setSorting} />}
        {!dense && <ColumnsButton columns={columns} hidden={hidden} onHidden={setHidden} />}
      </div>
      <div ref={scroller} className="min-h-0 overflow-auto">
        <table
          role="table"
          aria-label={name}
          aria-rowcount={rows.length + 1}
          className={`w-full border-separate border-spacing-0 text-left ${narrow ? 'block' : ''} ${dense ? 'text-[0.85rem]' : ''}`}
        >
          <thead className={narrow ? 'hidden' : 'sticky top-0 z-10 bg-sheet-2 text-sm'}>
            <tr>
              {shown.map((column) => (
                <ColumnHeading
                  key={column.id}
                  column={column}
                  dense={dense}
                  sorted={more ? undefined : sortOf(column.id)}
                  onSort={
                    column.sortBy && !more
                      ? () => table.getColumn(column.id)?.toggleSorting()
                      : undefined
                  }
                />
              ))}
            </tr>
          </thead>
          {drawn.count > FEW ? (
            <Suspense fallback={<AllRows {...drawn} count={FEW} />}>
              <LongRows {...drawn} />
            </Suspense>
          ) : (
            <AllRows {...drawn} />
          )}
        </table>
        {foot}
      </div>
    </div>
  )
}

const narrowFor = (columns: number) =>
  `(max-width: ${Math.max(NARROW, COLUMN * columns) - 0.01}rem)`
