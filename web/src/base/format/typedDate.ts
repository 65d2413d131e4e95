import type { DateFormat } from '@tembrix/core/things/records'
import { isValid, parse } from 'date-fns'
import { dateFormat, day, isoDay } from './dates'

/** How days are typed, whichever way the shop writes them; a year left out is this one. */
const IN_WORDS = [
  'yyyy-MM-dd',
  'd MMM yyyy',
  'd MMMM yyyy',
  'MMM d, yyyy',
  'MMMM d, yyyy',
  'd MMM',
  'd MMMM',
  'MMM d',
  'MMMM d',
  'd.M.yyyy',
  'd.M.',
]

/** Between strokes the day comes before the month, unless the shop writes the month first. */
const IN_STROKES: Record<DateFormat, readonly string[]> = {
  'day first': ['d/M/yyyy', 'd/M'],
  'month first': ['M/d/yyyy', 'M/d'],
  'year first': ['d/M/yyyy', 'd/M'],
}

/** A day as it is typed, as an ISO date; null where it is none. */
export function dateFrom(text: string, now: Date): string | null {
  for (const pattern of [...IN_WORDS, ...IN_STROKES[dateFormat()]]) {
    const date = parse(text.trim(), pattern, now)
    if (isValid(date) && date.getFullYear() >= 2000 && date.getFullYear() < 2100)
      return isoDay(date)
  }
  return null
}

/** What to say of a date that is none. */
export const noDate = () => `Enter a date, such as ${day('2026-11-28')}.`
