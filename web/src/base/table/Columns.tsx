import { SlidersHorizontal } from 'lucide-react'
import { Popover } from 'radix-ui'
import { Check } from '../ui'
import type { Column } from './column'

interface Props<Row> {
  columns: readonly Column<Row>[]
  hidden: ReadonlySet<string>
  onHidden: (hidden: ReadonlySet<string>) => void
}

/** Chooses which columns are shown. */
export function Columns<Row>({ columns, hidden, onHidden }: Props<Row>) {
  const choices = columns.filter(({ name, fixed }) => name !== '' && !fixed)
  if (choices.length === 0) return null
  const toggle = (id: string, show: boolean) => {
    const next = new Set(hidden)
    if (show) next.delete(id)
    else next.add(id)
    onHidden(next)
  }
  return (
    <Popover.Root>
      <Popover.Trigger className="flex min-h-9 items-center gap-1.5 rounded-sm px-2 hover:bg-sheet">
        <SlidersHorizontal size={15} aria-hidden /> Columns
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          className="z-30 flex flex-col rounded-sm border-2 border-ink bg-sheet p-2 text-ink"
        >
          {choices.map(({ id, name }) => (
            <Check
              key={id}
              label={name}
              checked={!hidden.has(id)}
              onChecked={(show) => toggle(id, show)}
            />
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
