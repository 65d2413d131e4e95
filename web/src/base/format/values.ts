import { choiceWords } from './choices'
import { day, dayAndTime } from './dates'
import { fieldName } from './fields'
import { capacity, speed } from './figures'
import { money } from './money'
import { list, plural } from './words'

/** What a record is called, by its id; undefined of one that is not at hand. */
export type NameOf = (id: string) => string | undefined

/** How values are read out: in passing, or as a whole, to be compared or typed again. */
interface Style {
  /** Where there is nothing. */
  none: string
  /** A record that is not at hand. */
  unknown: string
  text: (text: string) => string
  /** The most letters of a thing that has parts, and the most things of a list. */
  longest: number
  listed: number
  /** Whether a field of a thing is to be read at all. */
  says: (field: string, value: unknown) => boolean
  /** Whether what a thing says goes without the field's name where it is clear by itself. */
  bare: boolean
  /** What stands between a field and what it says, and between two fields. */
  is: string
  and: string
}

const SHOWN = 120

/** One line of many: what is long is cut. */
const IN_PASSING: Style = {
  none: 'nothing',
  unknown: 'one that is not in this job',
  text: (text) => `“${cut(text, SHOWN)}”`,
  longest: SHOWN,
  listed: 6,
  says: (field, value) => !isAside(field) && value !== false && !isEmpty(value),
  bare: true,
  is: ' ',
  and: ', ',
}

/** As somebody typed it, who may want to type it once more. */
export const AS_A_WHOLE: Style = {
  none: '–',
  unknown: 'one that is not at hand here',
  text: (text) => text,
  longest: 400,
  listed: Number.POSITIVE_INFINITY,
  // One who differs in nothing else may differ in who and when.
  says: (field, value) => field !== 'id' && field !== 'unit' && !isEmpty(value),
  bare: false,
  is: ': ',
  and: '; ',
}

const DAY = /^\d{4}-\d\d-\d\d$/
const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:[\d.]+Z?$/
const ID = /^[\da-f]{8}-(?:[\da-f]{4}-){3}[\da-f]{12}$/i

/** Fields that are amounts in minor units. */
const MONEY = new Set([
  'budget',
  'price',
  'amount',
  'cost',
  'credit',
  'credits',
  'hourlyRate',
  'fee',
])
const SPEEDS = new Set(['dataRate', 'rate', 'firmwareDataRate', 'syncCeiling'])
/** What says when, by whom and of which record something else is, and nothing by itself. */
const ASIDE = new Set(['id', 'at', 'by', 'unit', 'figure'])

export const isAside = (field: string): boolean => ASIDE.has(field)

/** What a field of a record was or is, as it is read. */
export function valueWords(
  value: unknown,
  field: string,
  nameOf: NameOf,
  style: Style = IN_PASSING,
): string {
  if (value === undefined || value === null || value === '') return style.none
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return numberWords(value, field)
  if (typeof value === 'string') {
    return choiceWords(field, value) ?? textWords(value, nameOf, style)
  }
  return Array.isArray(value)
    ? listWords(value, field, nameOf, style)
    : thingWords(value as Record<string, unknown>, field, nameOf, style)
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

function textWords(value: string, nameOf: NameOf, { text, unknown }: Style): string {
  if (value.startsWith('data:image/')) return 'a picture'
  if (DAY.test(value)) return day(value)
  if (MOMENT.test(value)) return dayAndTime(value)
  return ID.test(value) ? (nameOf(value) ?? unknown) : text(value)
}

function listWords(
  values: readonly unknown[],
  field: string,
  nameOf: NameOf,
  style: Style,
): string {
  if (values.length === 0) return style.none
  const words = values.slice(0, style.listed).map((one) => valueWords(one, field, nameOf, style))
  const more = values.length - words.length
  const text = list(more > 0 ? [...words, `${more} more`] : words)
  return style.bare ? text : cut(text, style.longest)
}

/**
 * A thing by the module it is, or by what else it says; of what says only when, the moment. By the id of a record
 * stands what the field holds for it.
 */
function thingWords(
  thing: Record<string, unknown>,
  field: string,
  nameOf: NameOf,
  style: Style,
): string {
  if (typeof thing.moduleId === 'string') return textWords(thing.moduleId, nameOf, style)
  const said = Object.entries(thing).filter(([key, value]) => style.says(key, value))
  const [only] = said
  if (!only) return valueWords(thing.at, 'at', nameOf, style)
  const read = ([key, value]: [string, unknown]) =>
    valueWords(value, ID.test(key) ? field : key, nameOf, style)
  if (said.length === 1 && style.bare) return read(only)
  const words = said.map(([key, value]) => {
    const name = ID.test(key) ? (nameOf(key) ?? style.unknown) : fieldName(key)
    if (value === true && style.bare) return name
    const said = read([key, value])
    const isClear = (NAMES.has(key) && style.bare) || goesSomewhere(key, value)
    return isClear ? said : `${name}${style.is}${said}`
  })
  return cut(words.join(style.and), style.longest)
}

/** Fields that hold what the whole thing is called. */
const NAMES = new Set(['name', 'title', 'text', 'test'])

/** Where something goes says so itself. */
const goesSomewhere = (key: string, value: unknown) =>
  key === 'to' && typeof value === 'string' && choiceWords(key, value) !== undefined

function cut(text: string, longest: number): string {
  return text.length > longest ? `${text.slice(0, longest)}…` : text
}

/** Whether there is nothing to read in a value. */
const isEmpty = (value: unknown): boolean =>
  value === null || value === '' || (typeof value === 'object' && Object.keys(value).length === 0)
