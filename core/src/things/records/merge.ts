import { deepEqual } from '../model'

/** What two screens made of one value. */
export interface Merged {
  value: unknown
  /** Whether both changed the same thing to something else; the value is then mine. */
  clash: boolean
}

/**
 * Puts together what two made of the same value: what only one of them changed is taken from that one.
 * Maps are merged by their keys, lists by the ids of their entries, lists of words as sets, and lists that
 * both only added to by adding both; what both noted at their own times was done by whoever was stored
 * first. Anything else that both changed clashes.
 */
export function merge(base: unknown, mine: unknown, theirs: unknown): Merged {
  if (equalIgnoringWhitespace(mine, theirs) || equalIgnoringWhitespace(base, theirs))
    return { value: mine, clash: false }
  if (equalIgnoringWhitespace(base, mine)) return { value: theirs, clash: false }
  if ((base ?? null) === null && sameDeed(mine, theirs)) return { value: theirs, clash: false }
  if (isMap(mine) && isMap(theirs)) return mergeMaps(isMap(base) ? base : {}, mine, theirs)
  if (Array.isArray(mine) && Array.isArray(theirs)) {
    return mergeLists(Array.isArray(base) ? base : [], mine, theirs)
  }
  return { value: mine, clash: true }
}

/** Whether two values are the same but for blanks at the ends of texts, which are not stored. */
export const equalIgnoringWhitespace = (a: unknown, b: unknown): boolean =>
  deepEqual(trimmed(a), trimmed(b))

function trimmed(value: unknown): unknown {
  if (typeof value === 'string') return value.trim()
  if (Array.isArray(value)) return value.map(trimmed)
  if (!isMap(value)) return value
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, trimmed(one)]))
}

const MOMENT = /^\d{4}-\d\d-\d\dT[\d:.]+Z$/

/**
 * Whether both noted the same, each in their own name and at their own time, or only the moment: it was
 * done once.
 */
function sameDeed(mine: unknown, theirs: unknown): boolean {
  if ([mine, theirs].every((one) => typeof one === 'string' && MOMENT.test(one))) return true
  if (!isMap(mine) || !isMap(theirs)) return false
  const deed = ({ at: _at, by: _by, ...rest }: Map) => rest
  return 'at' in mine && equalIgnoringWhitespace(deed(mine), deed(theirs))
}

type Map = Readonly<Record<string, unknown>>

const isMap = (value: unknown): value is Map =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function mergeMaps(base: Map, mine: Map, theirs: Map): Merged {
  const value: Record<string, unknown> = {}
  let clash = false
  for (const key of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
    const merged = merge(base[key], mine[key], theirs[key])
    clash ||= merged.clash
    if (merged.value !== undefined) value[key] = merged.value
  }
  return { value, clash }
}

type List = readonly unknown[]

function mergeLists(base: List, mine: List, theirs: List): Merged {
  const all = [base, mine, theirs]
  if (all.every((list) => list.every(hasId))) {
    return listed(theirs, mine, mergeMaps(...(all.map(byId) as [Map, Map, Map])), idOf)
  }
  if (all.every(areWords)) {
    return listed(theirs, mine, mergeMaps(...(all.map(asSet) as [Map, Map, Map])), String)
  }
  const added = (list: List) =>
    deepEqual(list.slice(0, base.length), base) ? list.slice(base.length) : null
  const [own, other] = [added(mine), added(theirs)]
  if (own && other) return { value: [...base, ...other, ...own], clash: false }
  return { value: mine, clash: true }
}

/** Merged entries as a list again: theirs in their order, then mine. */
function listed(
  theirs: List,
  mine: List,
  merged: Merged,
  nameOf: (one: unknown) => string,
): Merged {
  const left = merged.value as Map
  const names = [...new Set([...theirs, ...mine].map(nameOf))].filter((name) => name in left)
  const isWord = theirs.concat(mine).some((one) => typeof one === 'string')
  return { ...merged, value: names.map((name) => (isWord ? name : left[name])) }
}

const hasId = (one: unknown): boolean => isMap(one) && typeof one.id === 'string'
const idOf = (one: unknown): string => (one as { id: string }).id
const byId = (list: List): Map => Object.fromEntries(list.map((one) => [idOf(one), one]))
const areWords = (list: List): boolean =>
  list.every((one) => typeof one === 'string') && new Set(list).size === list.length
const asSet = (list: List): Map => Object.fromEntries(list.map((one) => [String(one), true]))

/**
 * Fields to write to a record that others changed meanwhile: `base` holds what they were when `mine` were
 * set, `theirs` the record as it is; of the fields `inside`, the entries stand for themselves. `clashes`
 * names the fields that both changed to something else; there `prefer` says whose value stands.
 */
export function mergeFields(
  inside: readonly string[],
  base: Map,
  mine: Map,
  theirs: Map,
  prefer: 'mine' | 'theirs' = 'mine',
): { fields: Record<string, unknown>; clashes: string[] } {
  const fields: Record<string, unknown> = {}
  const clashes: string[] = []
  for (const name of Object.keys(mine)) {
    const [was, own, other] = [base[name], mine[name], theirs[name]]
    const isOfEntries = inside.includes(name)
    const once = (was ?? null) === null && sameDeed(own, other)
    const apart =
      isOfEntries ||
      once ||
      equalIgnoringWhitespace(was, other) ||
      equalIgnoringWhitespace(own, other)
    const { value, clash } = apart ? merge(was, own, other) : { value: own, clash: true }
    fields[name] = value
    if (!clash) continue
    clashes.push(name)
    if (prefer === 'theirs') fields[name] = isOfEntries ? merge(was, other, own).value : other
  }
  return { fields, clashes }
}
