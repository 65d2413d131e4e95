import type { Delta } from '../records'

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
  const { _t: list, ...parts } = difference
  if (list !== 'a')
    return Object.entries(difference).flatMap(([key, one]) => changedIn(one, [...path, key]))
  const all = Object.entries(parts)
  const gone = all.flatMap(([key, one]) => (key.startsWith('_') ? [(one as Delta[])[0]] : []))
  const come = all.flatMap(([, one]) => (isCome(one) ? [one[0]] : []))
  const changed = all.filter(([key, one]) => !key.startsWith('_') && !isCome(one))
  return [
    ...(gone.length + come.length > 0 ? [{ path, gone, come }] : []),
    ...changed.flatMap(([key, one]) => changedIn(one, [...path, String(Number(key) + 1)])),
  ]
}

const isCome = (one: Delta): one is Delta[] => Array.isArray(one) && one.length === 1
