// biome-ignore-all lint/a11y/noRedundantRoles: drawn as a card its parts are no table to the browser any more
// biome-ignore-all lint/a11y/useSemanticElements: the same
import { memo, type ReactNode } from 'react'
import type { Column } from './column'

interface Props<Row> {
  row: Row
  /** Its place among all rows. */
  index: number
  columns: readonly Column<Row>[]
  narrow: boolean
  dense: boolean
  /** More classes of it. */
  look: string
  /** Told of its element, to know how high it is. */
  measure: ((element: HTMLElement | null) => void) | undefined
  onOpen: ((row: Row) => void) | undefined
}

/** A row, or where it is narrow a card; drawn again only when something of it has changed. */
export const DataRow = memo(function DataRow<Row>(props: Props<Row>) {
  const { row, index, columns, narrow, dense, look, measure, onOpen } = props
  const shape = narrow
    ? 'flex flex-wrap items-center gap-x-4 border-t border-rule px-3 py-2 first:border-t-0'
    : `${dense ? 'h-8 align-top' : 'h-12'} *:border-t *:border-rule first:*:border-t-0`
  const padding = narrow ? '' : dense ? 'px-1.5 py-1' : 'px-3 py-1'
  return (
    <tr
      role="row"
      ref={measure}
      data-index={index}
      aria-rowindex={index + 2}
      onClick={onOpen && ((event) => isOnRow(event.target) && onOpen(row))}
      className={`scroll-mt-12 ${shape} ${onOpen ? 'cursor-pointer hover:bg-act-soft' : ''} ${look}`}
    >
      {columns.map((column) => {
        const content = column.cell(row)
        if (narrow && isNothing(content)) return null
        const isHead = narrow && column.narrow === 'head'
        const figures = column.figures ? `whitespace-nowrap ${narrow ? '' : 'text-right'}` : ''
        const act = column.name === '' ? (narrow ? 'ml-auto' : 'w-px') : ''
        return (
          <td
            key={column.id}
            role="cell"
            className={`${padding} ${act} ${figures} ${isHead ? 'basis-full font-semibold' : ''} ${column.look ?? ''}`}
          >
            {narrow && !isHead && column.name !== '' && (
              <span className="mr-1.5 font-sans text-sm text-ink-2">{column.name}</span>
            )}
            {content}
          </td>
        )
      })}
    </tr>
  )
}) as <Row>(props: Props<Row>) => ReactNode

/** What is left out of a card. */
const isNothing = (content: ReactNode): boolean =>
  content === null || content === '' || content === '–'

/** A press on something of its own within the row is not one on the row. */
const isOnRow = (target: EventTarget): boolean =>
  target instanceof Element && target.closest('a, button, input, select, label') === null
