import { createRoot } from 'react-dom/client'
import { type Column, DataTable } from '../src/base/table'
import '../src/base/styles/index.css'

/** A table as long as a supplier's whole price list, for measuring how it scrolls. */
const ROWS = Array.from({ length: 20_000 }, (_, at) => ({
  id: String(at),
  part: `Part ${at}`,
  gib: 2 ** (2 + (at % 5)),
  price: (at * 37) % 20_000,
}))

type Part = (typeof ROWS)[number]

const COLUMNS: readonly Column<Part>[] = [
  {
    id: 'part',
    name: 'Part number',
    fixed: true,
    sortBy: (one) => one.part,
    cell: (one) => <a href={`#${one.id}`}>{one.part}</a>,
  },
  {
    id: 'gib',
    name: 'Capacity',
    figures: true,
    sortBy: (one) => one.gib,
    cell: (one) => `${one.gib} GB`,
  },
  { id: 'kind', name: 'Generation', cell: () => 'DDR5' },
  { id: 'speed', name: 'Speed', figures: true, cell: () => '5600 MT/s' },
  {
    id: 'price',
    name: 'Price',
    figures: true,
    sortBy: (one) => one.price,
    cell: (one) => one.price,
  },
  { id: 'lead', name: 'Here in', cell: () => '2 days' },
]

createRoot(document.getElementById('root') as HTMLElement).render(
  <div style={{ height: '100vh', display: 'flex', flexDirection: 'column' }}>
    <DataTable name="Parts" rows={ROWS} columns={COLUMNS} keyOf={({ id }) => id} />
  </div>,
)
