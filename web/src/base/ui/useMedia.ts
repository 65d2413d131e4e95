import { useMemo, useSyncExternalStore } from 'react'

/** Whether the window is as a media query asks. */
export function useMedia(query: string): boolean {
  const [subscribe, isSo] = useMemo(() => {
    const list = matchMedia(query)
    const subscribe = (hear: () => void) => {
      list.addEventListener('change', hear)
      return () => list.removeEventListener('change', hear)
    }
    return [subscribe, () => list.matches] as const
  }, [query])
  return useSyncExternalStore(subscribe, isSo)
}
