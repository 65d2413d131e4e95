import { useSyncExternalStore } from 'react'
import { WHO_KEY } from '../data'

const listeners = new Set<() => void>()

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Who works at this screen, as they typed it; kept in this browser and noted with what they say. */
export function useTechnician(): [string, (name: string) => void] {
  const name = useSyncExternalStore(subscribe, () => localStorage.getItem(WHO_KEY) ?? '')
  return [
    name,
    (typed) => {
      localStorage.setItem(WHO_KEY, typed.trim().slice(0, 80))
      for (const listener of listeners) listener()
    },
  ]
}
