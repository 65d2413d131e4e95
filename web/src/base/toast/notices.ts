import { useSyncExternalStore } from 'react'

export interface Notice {
  id: number
  text: string
}

/** The most that are on the screen at once; older ones make room. */
const AT_ONCE = 3

let notices: readonly Notice[] = []
let lastId = 0
const listeners = new Set<() => void>()

function set(next: readonly Notice[]): void {
  notices = next
  for (const listener of listeners) listener()
}

/** Says for a few seconds that something is done which the screen does not show by itself. */
export function notify(text: string): void {
  lastId += 1
  set([...notices, { id: lastId, text }].slice(-AT_ONCE))
}

/** Takes one away. */
export function dismiss(id: number): void {
  set(notices.filter((one) => one.id !== id))
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

export const useNotices = (): readonly Notice[] => useSyncExternalStore(subscribe, () => notices)
