import { SlidersHorizontal } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import type { Column } from './column'

const ColumnChoice = lazy(async () => ({
  default: (await import('./ColumnChoice')).ColumnChoice,
}))

interface Props<Row> {
  columns: readonly Column<Row>[]
  hidden: ReadonlySet<string>
  onHidden: (hidden: ReadonlySet<string>) => void
}

/** The button that opens the choice of columns. */
export function Columns<Row>({ columns, hidden, onHidden }: Props<Row>) {
  const [wanted, setWanted] = useState(false)
  const choices = columns
    .filter(({ name, fixed }) => name !== '' && !fixed)
    .map(({ id, name }) => ({ id, name, shown: !hidden.has(id) }))
  if (choices.length === 0) return null
  const show = (id: string, shown: boolean) => {
    const next = new Set(hidden)
    if (shown) next.delete(id)
    else next.add(id)
    onHidden(next)
  }
  const button = (onClick?: () => void) => (
    <button
      type="button"
      aria-haspopup="true"
      className="flex min-h-9 items-center gap-1.5 rounded-sm px-2 hover:bg-sheet"
      {...(onClick ? { onClick } : {})}
    >
      <SlidersHorizontal size={15} aria-hidden /> Columns
    </button>
  )
  if (!wanted) return button(() => setWanted(true))
  return (
    <Suspense fallback={button()}>
      <ColumnChoice trigger={button()} choices={choices} onShow={show} />
    </Suspense>
  )
}
