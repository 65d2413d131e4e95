import { ArrowDown, ArrowUp } from 'lucide-react'
import type { Column } from './column'

interface Props<Row> {
  column: Column<Row>
  dense: boolean
  sorted: { desc: boolean } | undefined
  /** Sorts by it, then the other way round, then as it was; none for a column that is not sorted. */
  onSort: (() => void) | undefined
}

export function ColumnHeading<Row>({
  column: { name, figures },
  dense,
  sorted,
  onSort,
}: Props<Row>) {
  const direction = sorted ? (sorted.desc ? 'descending' : 'ascending') : 'none'
  const Arrow = sorted?.desc ? ArrowDown : ArrowUp
  return (
    <th
      scope="col"
      aria-sort={onSort && direction}
      className={`${dense ? 'px-1.5' : 'px-3'} font-semibold ${figures ? 'text-right' : ''}`}
    >
      {onSort ? (
        <button
          type="button"
          onClick={onSort}
          className="inline-flex min-h-11 min-w-11 items-center gap-1"
        >
          {name}
          <Arrow size={14} aria-hidden className={sorted ? '' : 'opacity-0'} />
        </button>
      ) : (
        name
      )}
    </th>
  )
}
