import { useCallback, useSyncExternalStore } from 'react'

/** Whether the window is as a media query asks. */
export function useMedia(query: string): boolean {
  const subscribe = useCallback(
    (hear: () => void) => {
      const list = matchMedia(query)
      list.addEventListener('change', hear)
      return () => list.removeEventListener('change', hear)
    },
    [query],
  )
  return useSyncExternalStore(subscribe, () => matchMedia(query).matches)
}
