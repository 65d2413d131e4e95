import { useMemo, useRef, useSyncExternalStore } from 'react'

/** A value that is replaced as a whole, and read in parts. */
export interface TrackedSource<T extends object> {
  get: () => T
  subscribe: (heard: () => void) => () => void
}

/** One that stays as it is; another takes its place. */
export const constantSource = <T extends object>(value: T): TrackedSource<T> => ({
  get: () => value,
  subscribe: () => () => {},
})

/** Reads a watched value. The component is rendered again only when a part that it has read changes. */
export function useTrackedSelector<T extends object>(source: TrackedSource<T>): T {
  const parts = useRef(new Set<keyof T>())
  const last = useRef(source.get())
  const read = () => {
    const next = source.get()
    const isSame = [...parts.current].every((part) => Object.is(last.current[part], next[part]))
    if (!isSame) last.current = next
    return last.current
  }
  const seen = useSyncExternalStore(source.subscribe, read)
  return useMemo(
    () =>
      new Proxy(seen, {
        get: (_, part) => {
          parts.current.add(part as keyof T)
          return source.get()[part as keyof T]
        },
      }),
    [seen, source],
  )
}
