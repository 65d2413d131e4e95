import { Popover } from 'radix-ui'
import { type ReactElement, useState } from 'react'
import { DayPicker } from 'react-day-picker'

interface Props {
  trigger: ReactElement
  /** The day chosen. */
  chosen: Date | undefined
  onChoose: (date: Date) => void
}

const DAY = 'size-11 rounded-sm hover:bg-sheet-2'

/** A month to pick a day from. */
export function Calendar({ trigger, chosen, onChoose }: Props) {
  const [open, setOpen] = useState(true)
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          className="z-60 rounded-sm border-2 border-ink bg-sheet p-2 text-ink"
        >
          <DayPicker
            mode="single"
            required
            autoFocus
            weekStartsOn={1}
            selected={chosen}
            defaultMonth={chosen ?? new Date()}
            onSelect={(date) => {
              onChoose(date)
              setOpen(false)
            }}
            classNames={{
              months: 'relative',
              month_caption: 'flex h-11 items-center px-2 font-semibold',
              nav: 'absolute top-0 right-0 flex',
              button_previous: 'grid size-11 place-items-center rounded-sm hover:bg-sheet-2',
              button_next: 'grid size-11 place-items-center rounded-sm hover:bg-sheet-2',
              chevron: 'size-4 fill-ink',
              weekday: 'text-sm font-normal text-ink-2',
              day: 'p-0 text-center',
              day_button: DAY,
              today: 'font-bold underline',
              outside: 'text-ink-2',
              selected: '[&>button]:bg-act [&>button]:text-act-ink',
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
