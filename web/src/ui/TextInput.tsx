import { useState } from 'react'
import { type Control, inputLook } from './Field'

interface Props extends Control {
  value: unknown
  onValue: (value: string) => void
  lines?: number
  type?: 'text' | 'date' | 'email' | 'tel' | 'search'
  placeholder?: string
  className?: string
  inputMode?: 'decimal' | 'numeric'
  list?: string
  autoFocus?: boolean
}

/** A text control that shows just what was typed while it has the focus. */
export function TextInput({ value, onValue, lines, type, className = '', ...rest }: Props) {
  const [typed, setTyped] = useState<string | null>(null)
  const given = value === null || value === undefined ? '' : String(value)
  const shared = {
    ...rest,
    value: typed ?? given,
    className: `${inputLook} ${className}`,
    onFocus: () => setTyped(given),
    onBlur: () => setTyped(null),
    onChange: ({ target }: { target: { value: string } }) => {
      setTyped(target.value)
      onValue(target.value)
    },
  }
  return lines ? <textarea rows={lines} {...shared} /> : <input type={type} {...shared} />
}

/** Text as a number where it is one; empty as `null`; anything else as it stands, for the check to refuse. */
export function numberFrom(text: string): number | string | null {
  const plain = text.trim().replace(',', '.')
  if (plain === '') return null
  const number = Number(plain)
  return Number.isFinite(number) ? number : text
}
