import { capacity, day, dayAndTime, fieldName, list, money, plural, speed } from '../../base/format'

/** What a record is called, by its id; undefined of one that is not at hand. */
export type NameOf = (id: string) => string | undefined

const DAY = /^\d{4}-\d\d-\d\d$/
const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:[\d.]+Z$/
export const ID = /[\da-f]{8}-(?:[\da-f]{4}-){3}[\da-f]{12}/i
/** The most letters shown of a text, and the most things of a list. */
const SHOWN = 120
const LISTED = 6

/** Fields that are amounts in minor units. */
const MONEY = new Set(['budget', 'price', 'amount', 'cost', 'credits'])
const SPEEDS = new Set(['dataRate', 'rate', 'firmwareDataRate', 'syncCeiling'])
/** What says when, by whom and of which record something else is, and nothing by itself. */
const ASIDE = new Set(['id', 'at', 'by', 'unit', 'figure'])

export const isAside = (field: string): boolean => ASIDE.has(field)

/** What a field was or is, as it is read. */
export function valueWords(value: unknown, field: string, nameOf: NameOf): string {
  if (value === undefined || value === null || value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return numberWords(value, field)
  if (typeof value === 'string') return textWords(value, nameOf)
  return Array.isArray(value)
    ? listWords(value, field, nameOf)
    : thingWords(value as Record<string, unknown>, nameOf)
}

function numberWords(value: number, field: string): string {
  if (MONEY.has(field)) return money(value)
  if (field.endsWith('GiB')) return capacity(value)
  if (SPEEDS.has(field)) return speed(value)
  if (/minutes$/i.test(field)) return plural(value, 'minute')
  if (field.endsWith('Percent')) return `${value} %`
  if (field === 'lengthMm') return `${value} mm`
  return String(value)
}

function textWords(value: string, nameOf: NameOf): string {
  if (value.startsWith('data:image/')) return 'a picture'
  if (DAY.test(value)) return day(value)
  if (MOMENT.test(value)) return dayAndTime(value)
  if (ID.test(value)) return nameOf(value) ?? 'one that is not in this job'
  return `“${value.length > SHOWN ? `${value.slice(0, SHOWN)}…` : value}”`
}

function listWords(values: readonly unknown[], field: string, nameOf: NameOf): string {
  if (values.length === 0) return 'nothing'
  const words = values.slice(0, LISTED).map((one) => valueWords(one, field, nameOf))
  const more = values.length - words.length
  return list(more > 0 ? [...words, `${more} more`] : words)
}

/** A thing by the module it is, or by what else it says; of what says only when, the moment. */
function thingWords(thing: Record<string, unknown>, nameOf: NameOf): string {
  if (typeof thing.moduleId === 'string') return textWords(thing.moduleId, nameOf)
  const said = Object.entries(thing).filter(([key, value]) => !isAside(key) && !isEmpty(value))
  const [only] = said
  if (!only) return valueWords(thing.at, 'at', nameOf)
  if (said.length === 1) return valueWords(only[1], only[0], nameOf)
  const words = said.map(([key, value]) => {
    if (value === true) return fieldName(key)
    const read = valueWords(value, key, nameOf)
    return NAMES.has(key) ? read : `${fieldName(key)} ${read}`
  })
  const text = words.join(', ')
  return text.length > SHOWN ? `${text.slice(0, SHOWN)}…` : text
}

/** Fields that hold what the whole thing is called. */
const NAMES = new Set(['name', 'title', 'text', 'test'])

/** Whether there is nothing to read in a value. */
const isEmpty = (value: unknown): boolean =>
  value === null ||
  value === '' ||
  value === false ||
  (typeof value === 'object' && Object.keys(value).length === 0)
