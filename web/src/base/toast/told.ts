import { useSyncExternalStore } from 'react'

export interface Told {
  id: number
  text: string
}

/** The most that are on the screen at once; older ones make room. */
const AT_ONCE = 3

let told: readonly Told[] = []
let last = 0
const heard = new Set<() => void>()

function set(next: readonly Told[]): void {
  told = next
  for (const hear of heard) hear()
}

/** Says for a few seconds that something is done which the screen does not show by itself. */
export function tell(text: string): void {
  last += 1
  set([...told, { id: last, text }].slice(-AT_ONCE))
}

/** Takes one away. */
export function forget(id: number): void {
  set(told.filter((one) => one.id !== id))
}

function hear(listener: () => void): () => void {
  heard.add(listener)
  return () => heard.delete(listener)
}

export const useTold = (): readonly Told[] => useSyncExternalStore(hear, () => told)
