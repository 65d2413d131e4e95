import { useSyncExternalStore } from 'react'

/** As Tailwind’s `lg`: from here two things fit side by side. */
const WIDE = '(min-width: 64rem)'

function subscribe(hear: () => void): () => void {
  const query = matchMedia(WIDE)
  query.addEventListener('change', hear)
  return () => query.removeEventListener('change', hear)
}

/** Whether the window is wide enough for two things side by side. */
export function useWide(): boolean {
  return useSyncExternalStore(subscribe, () => matchMedia(WIDE).matches)
}
