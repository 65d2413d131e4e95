import { formatISO, isValid, parse } from 'date-fns'

/** How days are written here; a year left out is this one. */
const FORMATS = [
  'yyyy-MM-dd',
  'd MMM yyyy',
  'd MMMM yyyy',
  'd.M.yyyy',
  'd/M/yyyy',
  'd MMM',
  'd MMMM',
  'd.M.',
  'd/M',
]

/** A day as it is typed, as an ISO date; null where it is none. The day comes before the month. */
export function dateFrom(text: string, now: Date): string | null {
  for (const format of FORMATS) {
    const date = parse(text.trim(), format, now)
    if (isValid(date) && date.getFullYear() >= 2000 && date.getFullYear() < 2100)
      return formatISO(date, { representation: 'date' })
  }
  return null
}
