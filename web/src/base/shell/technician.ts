import { useSyncExternalStore } from 'react'

const KEY = 'tembrix.technician'
const listeners = new Set<() => void>()

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Who works at this screen, as they typed it; kept in this browser and noted with what they say. */
export function useTechnician(): [string, (name: string) => void] {
  const name = useSyncExternalStore(subscribe, () => localStorage.getItem(KEY) ?? '')
  return [
    name,
    (typed) => {
      localStorage.setItem(KEY, typed.trim().slice(0, 80))
      for (const listener of listeners) listener()
    },
  ]
}
