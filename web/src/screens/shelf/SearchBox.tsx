import { Search } from 'lucide-react'
import { inputLook } from '../../base/ui'

interface Props {
  label: string
  placeholder: string
  value: string
  onValue: (value: string) => void
}

export function SearchBox({ label, placeholder, value, onValue }: Props) {
  return (
    <label className="relative min-w-64 flex-1">
      <span className="sr-only">{label}</span>
      <Search size={18} aria-hidden className="absolute top-3.5 left-3 text-ink-2" />
      <input
        type="search"
        value={value}
        onChange={({ target }) => onValue(target.value)}
        placeholder={placeholder}
        className={`${inputLook} pl-10`}
      />
    </label>
  )
}
