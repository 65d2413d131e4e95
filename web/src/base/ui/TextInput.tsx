import { useState } from 'react'
import { type FieldControl, inputLook } from './Field'
import { useLocked } from './locked'

interface Props extends FieldControl {
  value: unknown
  onValue: (value: string) => void
  lines?: number
  type?: 'text' | 'email' | 'tel' | 'search'
  placeholder?: string
  className?: string
  inputMode?: 'decimal' | 'numeric'
  list?: string
  autoFocus?: boolean
}

/** What was typed, and what it came to; null until that is known. */
interface Typed {
  text: string
  given: string | null
}

/** A text control that shows just what was typed while it has the focus, until the value is changed from elsewhere. */
export function TextInput({ value, onValue, lines, type, className = '', ...rest }: Props) {
  const [typed, setTyped] = useState<Typed | null>(null)
  const given = value === null || value === undefined ? '' : String(value)
  if (typed?.given === null) setTyped({ ...typed, given })
  // A value is stored without blanks at its ends.
  else if (typed && typed.given.trim() !== given.trim()) setTyped(null)
  const readOnly = useLocked()
  const shared = {
    ...rest,
    readOnly,
    value: typed?.text ?? given,
    className: `${inputLook} ${className}`,
    onFocus: () => setTyped({ text: given, given }),
    onBlur: () => setTyped(null),
    onChange: ({ target }: { target: { value: string } }) => {
      setTyped({ text: target.value, given: null })
      onValue(target.value)
    },
  }
  return lines ? <textarea rows={lines} {...shared} /> : <input type={type} {...shared} />
}
