import type { Delta } from '../../things/records'
import { differenceOf } from './difference'

/** One thing that differs: where, and what it was and is; undefined where it was not there, or is not. */
export interface ChangedValue {
  /** From the field to the thing: names, keys of maps, places in lists from 1. */
  path: string[]
  was: unknown
  is: unknown
}

/** What went from a list and what came to it. */
export interface ChangedList {
  path: string[]
  gone: unknown[]
  come: unknown[]
}

export type Changed = ChangedValue | ChangedList

/** A difference as the single things that differ, in its order. */
export function changedIn(difference: Delta, path: string[] = []): Changed[] {
  if (Array.isArray(difference)) {
    const [first, second] = difference
    if (difference.length === 1) return [{ path, was: undefined, is: first }]
    return [{ path, was: first, is: difference.length === 3 ? undefined : second }]
  }
  if (typeof difference !== 'object' || difference === null) return []
  if (difference._t === 'a') return changedInList(difference, path)
  return Object.entries(difference).flatMap(([key, one]) => changedIn(one, [...path, key]))
}

interface Item {
  place: number
  value: unknown
}

/** What went and what came; where a thing of the same `id`, or else at the same place, did both, what differs in it. */
function changedInList(difference: Record<string, Delta>, path: string[]): Changed[] {
  const gone = itemsIn(difference, /^_(\d+)$/)
  const come = itemsIn(difference, /^(\d+)$/)
  const before = new Map(
    come.flatMap((now) => {
      const old = gone.find((one) => isSameThing(one, now))
      return old ? [[now, old] as const] : []
    }),
  )
  const changed = new Set(before.values())
  const whole = {
    path,
    gone: gone.filter((one) => !changed.has(one)).map(({ value }) => value),
    come: come.filter((one) => !before.has(one)).map(({ value }) => value),
  }
  const within = [...before].flatMap(([now, old]) =>
    changedIn(differenceOf(old.value, now.value) ?? null, [...path, String(now.place + 1)]),
  )
  return whole.gone.length + whole.come.length > 0 ? [whole, ...within] : within
}

const itemsIn = (difference: Record<string, Delta>, key: RegExp): Item[] =>
  Object.entries(difference).flatMap(([name, one]) => {
    const [, place] = key.exec(name) ?? []
    return place && Array.isArray(one) ? [{ place: Number(place), value: one[0] }] : []
  })

function isSameThing(a: Item, b: Item): boolean {
  const [one, other] = [idOf(a.value), idOf(b.value)]
  return one !== null && one === other && (one !== '' || a.place === b.place)
}

/** The id of a thing, '' where it has none; null of what is no thing. */
const idOf = (value: unknown): string | null =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? String((value as { id?: unknown }).id ?? '')
    : null
