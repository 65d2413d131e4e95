import { useState } from 'react'

/** The columns left out of a table, by its name; where the browser keeps nothing, until the page is loaded again. */
export function useHidden(name: string) {
  const key = `tembrix.columns.${name}`
  const [hidden, setHidden] = useState<ReadonlySet<string>>(() => {
    try {
      return new Set(localStorage.getItem(key)?.split(',').filter(Boolean))
    } catch {
      return new Set()
    }
  })
  const keep = (next: ReadonlySet<string>): void => {
    setHidden(next)
    try {
      localStorage.setItem(key, [...next].join(','))
    } catch {
      // Chosen until the page is loaded again.
    }
  }
  return [hidden, keep] as const
}
