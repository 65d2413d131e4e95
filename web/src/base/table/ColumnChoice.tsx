import { Popover } from 'radix-ui'
import type { ReactElement } from 'react'
import { Check } from '../ui'

export interface Choice {
  id: string
  name: string
  shown: boolean
}

interface Props {
  trigger: ReactElement
  choices: readonly Choice[]
  onShow: (id: string, show: boolean) => void
}

/** Chooses which columns are shown. */
export function ColumnChoice({ trigger, choices, onShow }: Props) {
  return (
    <Popover.Root defaultOpen>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          className="z-30 flex flex-col rounded-sm border-2 border-ink bg-sheet p-2 text-ink"
        >
          {choices.map(({ id, name, shown }) => (
            <Check key={id} label={name} checked={shown} onChecked={(show) => onShow(id, show)} />
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
