import type { Plain } from '@tembrix/core/records'
import { day, dayAndTime, money } from '../../base/format'

const DAY = /^\d{4}-\d\d-\d\d$/
const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:[\d.]+Z$/
/** The most letters shown of a text. */
const SHOWN = 120

/** What a field was or is, as it is read; `amount` is one in minor units. */
export function valueWords(value: Plain, amount: boolean): string {
  if (value === null || value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return amount ? money(value) : String(value)
  if (value.startsWith('data:image/')) return 'a picture'
  if (DAY.test(value)) return day(value)
  if (MOMENT.test(value)) return dayAndTime(value)
  return `“${value.length > SHOWN ? `${value.slice(0, SHOWN)}…` : value}”`
}
