import { SlidersHorizontal } from 'lucide-react'
import { lazy } from 'react'
import { OnDemand } from '../ui'
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
export function ColumnsButton<Row>({ columns, hidden, onHidden }: Props<Row>) {
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
  return (
    <OnDemand
      className="flex min-h-11 items-center gap-1.5 rounded-sm px-2 hover:bg-sheet"
      face={
        <>
          <SlidersHorizontal size={15} aria-hidden /> Columns
        </>
      }
    >
      {(trigger) => <ColumnChoice trigger={trigger} choices={choices} onShow={show} />}
    </OnDemand>
  )
}
