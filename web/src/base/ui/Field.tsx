import { type ReactNode, useId } from 'react'

export const inputLook =
  'w-full min-h-11 rounded-sm border border-rule-2 bg-sheet px-2.5 py-1.5 text-ink placeholder:text-ink-2 aria-invalid:border-2 aria-invalid:border-stop disabled:bg-sheet-2 [&[readonly]]:bg-sheet-2'

export interface FieldControl {
  id: string
  'aria-invalid': boolean
  'aria-describedby': string | undefined
}

interface Props {
  label: string
  hint?: string | undefined
  error?: string | undefined
  /** Something small beneath the control. */
  aside?: ReactNode
  className?: string
  children: (control: FieldControl) => ReactNode
}

/** A label, its control, and beneath it what is wrong with the value or what to know about it. */
export function Field({ label, hint, error, aside, className = '', children }: Props) {
  const id = useId()
  const below = error ?? hint
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="text-sm font-semibold">
        {label}
      </label>
      {children({
        id,
        'aria-invalid': error !== undefined,
        'aria-describedby': below ? `${id}-below` : undefined,
      })}
      {aside}
      {below && (
        <p
          id={`${id}-below`}
          className={`text-sm ${error ? 'font-medium text-stop' : 'text-ink-2'}`}
        >
          {below}
        </p>
      )}
    </div>
  )
}
