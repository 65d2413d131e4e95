import { type FieldControl, inputLook } from './Field'
import { useLocked } from './locked'

interface Props<T extends string> extends Partial<FieldControl> {
  value: T
  options: readonly { value: T; label: string }[]
  onValue: (value: T) => void
  className?: string
  'aria-label'?: string
}

export function Select<T extends string>({
  value,
  options,
  onValue,
  className = '',
  ...rest
}: Props<T>) {
  const disabled = useLocked()
  return (
    <select
      {...rest}
      disabled={disabled}
      value={value}
      className={`${inputLook} ${className}`}
      onChange={({ target }) => onValue(target.value as T)}
    >
      {options.map((option) => (
        <option key={option.value} value={option.value}>
          {option.label}
        </option>
      ))}
    </select>
  )
}
