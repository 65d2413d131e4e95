import { useState } from 'react'
import { uiStorage } from '../ui'

/** The columns left out of a table, remembered by its name. */
export function useHidden(name: string) {
  const key = `tembrix.columns.${name}`
  const [hidden, setHidden] = useState<ReadonlySet<string>>(
    () => new Set(uiStorage.getItem(key)?.split(',').filter(Boolean)),
  )
  const keep = (next: ReadonlySet<string>): void => {
    setHidden(next)
    uiStorage.setItem(key, [...next].join(','))
  }
  return [hidden, keep] as const
}
