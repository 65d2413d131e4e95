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
import { type Range, useVirtualizer } from '@tanstack/react-virtual'
import { type KeyboardEvent, type ReactNode, useCallback, useMemo, useRef, useState } from 'react'
import { useMedia } from '../ui'
import { Columns } from './Columns'
import type { Column } from './column'
import { DataRow } from './DataRow'
import { Heading } from './Heading'
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
 * Rows in columns: sorted by a press on a heading, columns chosen and remembered, gone through by arrow keys. Only
 * what is in sight is drawn, however many there are. On a narrow screen each row is a card.
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
  const virtual = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => (narrow ? CARD : dense ? LOW : ROW),
    getItemKey: keyAt,
    rangeExtractor: inSteps,
  })
  const drawn = virtual.getVirtualItems()
  const above = drawn[0]?.start ?? 0
  const below = virtual.getTotalSize() - (drawn.at(-1)?.end ?? 0)

  function focusRow(at: number): boolean {
    const row = scroller.current?.querySelector<HTMLElement>(`[data-index="${at}"]`)
    row?.querySelector<HTMLElement>('a, button')?.focus({ preventScroll: true })
    return row !== null && row !== undefined
  }

  /** One that is out of sight is drawn in the next frame or the one after. */
  function go(to: number): void {
    const at = Math.max(0, Math.min(sorted.length - 1, to))
    virtual.scrollToIndex(at)
    if (focusRow(at)) return
    requestAnimationFrame(() => focusRow(at) || requestAnimationFrame(() => focusRow(at)))
  }

  function keyed(event: KeyboardEvent) {
    const row = (event.target as HTMLElement).closest<HTMLElement>('[data-index]')
    if (!row || (event.target as HTMLElement).closest('input, select, textarea')) return
    const at = Number(row.dataset.index)
    const to = {
      ArrowDown: at + 1,
      ArrowUp: at - 1,
      PageDown: at + 10,
      PageUp: at - 10,
      Home: 0,
      End: sorted.length - 1,
    }[event.key]
    if (to === undefined) return
    event.preventDefault()
    go(to)
  }

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
        {!dense && <Columns columns={columns} hidden={hidden} onHidden={setHidden} />}
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
                <Heading
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
          <tbody role="rowgroup" className={narrow ? 'block' : ''} onKeyDown={keyed}>
            <Space height={above} block={narrow} />
            {drawn.map(({ index }) => {
              const row = sorted[index]
              return (
                row && (
                  <DataRow
                    key={row.id}
                    row={row.original}
                    index={index}
                    columns={shown}
                    narrow={narrow}
                    dense={dense}
                    look={rowLook?.(row.original) ?? ''}
                    measure={virtual.measureElement}
                    onOpen={onOpen}
                  />
                )
              )
            })}
            <Space height={below} block={narrow} />
          </tbody>
        </table>
        {foot}
      </div>
    </div>
  )
}

const narrowFor = (columns: number) =>
  `(max-width: ${Math.max(NARROW, COLUMN * columns) - 0.01}rem)`

/** Rows drawn beyond those in sight, and how many come and go at once, so that most frames of a scroll draw nothing. */
const BEYOND = 12
const STEP = 8

function inSteps({ startIndex, endIndex, count }: Range): number[] {
  const from = Math.max(0, Math.floor(startIndex / STEP) * STEP - BEYOND)
  const to = Math.min(count, Math.ceil((endIndex + 1) / STEP) * STEP + BEYOND)
  return Array.from({ length: to - from }, (_, at) => from + at)
}

/** The room of rows that are not drawn. */
function Space({ height, block }: { height: number; block: boolean }) {
  return height > 0 ? <tr aria-hidden style={{ height }} className={block ? 'block' : ''} /> : null
}
