import type { SortingState } from '@tanstack/react-table'
import { Select } from '../ui'
import type { Column } from './column'

interface Props<Row> {
  columns: readonly Column<Row>[]
  sorting: SortingState
  onSorting: (sorting: SortingState) => void
}

/** Where rows are cards and there are no headings to press: what they are sorted by, either way round. */
export function SortBy<Row>({ columns, sorting, onSorting }: Props<Row>) {
  const [by] = sorting
  const ways = columns
    .filter(({ sortBy }) => sortBy)
    .flatMap(({ id, name }) => [
      { value: `${id} up`, label: `${name}, rising` },
      { value: `${id} down`, label: `${name}, falling` },
    ])
  return (
    <Select
      aria-label="Sort by"
      className="max-w-44"
      value={by ? `${by.id} ${by.desc ? 'down' : 'up'}` : ''}
      options={[{ value: '', label: 'as they come' }, ...ways]}
      onValue={(value) => {
        const [id, way] = value.split(' ')
        onSorting(id ? [{ id, desc: way === 'down' }] : [])
      }}
    />
  )
}
