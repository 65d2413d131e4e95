import { dayAndTime, fieldName } from '../format'

/** What ids stand for, by id. */
export type Names = ReadonlyMap<string, string>

const ID = /^[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}$/
const MOMENT = /^\d{4}-\d\d-\d\dT/

/**
 * A value of a record as somebody would read it; “–” where there is nothing. A text is there as a whole, since it
 * may be what somebody typed; what has parts is cut after so many letters.
 */
export function inWords(value: unknown, names: Names, longest = 400): string {
  const words = said(value, names)
  if (words === '') return '–'
  return typeof value !== 'string' && words.length > longest ? `${words.slice(0, longest)}…` : words
}

function said(value: unknown, names: Names): string {
  if (value === null || value === undefined) return ''
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'string') {
    if (ID.test(value)) return names.get(value) ?? ''
    return MOMENT.test(value) ? dayAndTime(value) : value
  }
  if (Array.isArray(value))
    return value
      .map((one) => said(one, names))
      .filter(Boolean)
      .join(', ')
  if (typeof value !== 'object') return String(value)
  return Object.entries(value)
    .filter(([name]) => name !== 'id' && name !== 'unit')
    .map(([name, one]) => [name, said(one, names)] as const)
    .filter(([, words]) => words !== '')
    .map(([name, words]) => (name === 'moduleId' ? words : `${named(name, names)}: ${words}`))
    .join('; ')
}

const named = (name: string, names: Names): string =>
  ID.test(name) ? (names.get(name) ?? 'one') : fieldName(name)
