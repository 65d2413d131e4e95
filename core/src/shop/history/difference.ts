import { clone, create, type Delta as Found } from 'jsondiffpatch'
import { deepEqual } from '../../things/model'
import type { Delta } from '../../things/records'

/** The most letters of a text that are kept. */
export const KEPT_TEXT = 500
/** The most letters of what differs in a field, as JSON, that are kept. */
const KEPT_CHANGE = 4000

const comparer = create({
  // Items stay, come or go whole: a list of which some changed inside is not led back rightly.
  objectHash: (item) => JSON.stringify(item),
  arrays: { detectMove: false },
  cloneDiffValues: true,
})

/**
 * What differs between two JSON values, long texts cut; undefined where nothing does, null where it is too much to
 * keep or has keys that a difference cannot have.
 */
export function differenceOf(was: unknown, is: unknown): Delta | null | undefined {
  if (hasReserved(was) || hasReserved(is)) return deepEqual(was, is) ? undefined : null
  const found = comparer.diff(was, is)
  if (found === undefined) return undefined
  const kept = JSON.stringify(found, (_, value) => (isLong(value) ? cut(value) : value))
  return kept.length > KEPT_CHANGE ? null : JSON.parse(kept)
}

/** Whether a key, however deep, is one that every object has, or the sign of a list in differences. */
function hasReserved(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false
  return Object.entries(value).some(
    ([key, one]) => key === '_t' || key in Object.prototype || hasReserved(one),
  )
}

/**
 * What `is` was before this difference came to it; undefined where a text of it was cut, or it cannot have come to
 * that. A difference that came to something else may give something: `differenceOf` tells.
 */
export function valueBefore(is: unknown, difference: Delta): unknown {
  if (lacksText(difference)) return undefined
  try {
    return comparer.unpatch(clone(is), clone(difference) as Found)
  } catch {
    return undefined
  }
}

/** Whether a text that went is not kept whole. */
function lacksText(difference: Delta): boolean {
  if (Array.isArray(difference)) return difference.length > 1 && hasLong(difference[0])
  if (typeof difference !== 'object' || difference === null) return false
  return Object.entries(difference).some(([key, one]) => key !== '_t' && lacksText(one))
}

const hasLong = (value: unknown): boolean =>
  typeof value === 'object' && value !== null ? Object.values(value).some(hasLong) : isLong(value)

const isLong = (value: unknown): value is string =>
  typeof value === 'string' && value.length > KEPT_TEXT

const cut = (text: string) => `${text.slice(0, KEPT_TEXT)}…`
