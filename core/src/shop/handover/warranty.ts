import type { Warranty, WarrantyTerm } from '../../things/records'

const isLeap = (year: number) => year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0)
const daysIn = (year: number, month: number): number => {
  if (month === 2) return isLeap(year) ? 29 : 28
  return [4, 6, 9, 11].includes(month) ? 30 : 31
}

/**
 * The day so many months after `day` (ISO dates, Gregorian): the same day of that month, or its last where
 * it has none such. `months` 0 or more.
 */
export function monthsAfter(day: string, months: number): string {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number)
  const all = year * 12 + month - 1 + months
  const [inYear, inMonth] = [Math.floor(all / 12), (all % 12) + 1]
  const on = Math.min(date, daysIn(inYear, inMonth))
  return isoDay(inYear, inMonth, on)
}

/** The day so many days after `day` (ISO dates, Gregorian). `days` 0 or more. */
export function daysAfter(day: string, days: number): string {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number)
  const left = daysIn(year, month) - date
  if (days <= left) return isoDay(year, month, date + days)
  const next = month === 12 ? isoDay(year + 1, 1, 1) : isoDay(year, month + 1, 1)
  return daysAfter(next, days - left - 1)
}

const isoDay = (year: number, month: number, date: number): string => {
  const two = (part: number) => String(part).padStart(2, '0')
  return `${String(year).padStart(4, '0')}-${two(month)}-${two(date)}`
}

/** How long the shop stands by something from `day` on; null where it says nothing. */
export const termFrom = (day: string, months: number | null): WarrantyTerm | null =>
  months === null ? null : { months, from: day, until: monthsAfter(day, months) }

/** The shop's months for a part of this state; null for what is not the shop's, or where it says nothing. */
export function monthsFor(state: 'new' | 'used' | 'own' | 'stayed' | null, terms: Warranty) {
  if (state === 'new') return terms.newParts
  return state === 'used' ? terms.usedParts : null
}
