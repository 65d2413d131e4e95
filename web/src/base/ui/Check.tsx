import { Check as Tick } from 'lucide-react'
import { Checkbox } from 'radix-ui'
import { type ReactNode, useId } from 'react'
import { useLocked } from './locked'

interface Props {
  label: ReactNode
  hint?: string | undefined
  checked: boolean
  disabled?: boolean
  onChecked: (checked: boolean) => void
}

export function Check({ label, hint, checked, disabled, onChecked }: Props) {
  const id = useId()
  const locked = useLocked()
  return (
    <div className="flex min-h-11 items-center gap-2.5">
      <Checkbox.Root
        id={id}
        checked={checked}
        disabled={disabled || locked}
        onCheckedChange={(value) => onChecked(value === true)}
        className="group -m-2.5 grid size-11 shrink-0 place-items-center disabled:opacity-50"
      >
        <span className="grid size-6 place-items-center rounded-sm border-2 border-rule-2 bg-sheet group-data-[state=checked]:border-act group-data-[state=checked]:bg-act group-data-[state=checked]:text-act-ink">
          <Checkbox.Indicator>
            <Tick size={18} strokeWidth={3} aria-hidden />
          </Checkbox.Indicator>
        </span>
      </Checkbox.Root>
      <label htmlFor={id} className="flex min-h-11 flex-col justify-center leading-tight">
        {label}
        {hint && <span className="block text-sm text-ink-2">{hint}</span>}
      </label>
    </div>
  )
}
