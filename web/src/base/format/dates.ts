import type { DateFormat } from '@tembrix/core/things/records'
import { formatISO, intlFormatDistance, isPast, parseISO } from 'date-fns'

const MONTH = new Intl.DateTimeFormat('en', { month: 'long', year: 'numeric' })
const SHORT_MONTH = new Intl.DateTimeFormat('en', { month: 'short' })
const TIME = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })

const WRITTEN: Record<DateFormat, (date: Date) => string> = {
  'day first': (date) => `${date.getDate()} ${SHORT_MONTH.format(date)} ${date.getFullYear()}`,
  'month first': (date) => `${SHORT_MONTH.format(date)} ${date.getDate()}, ${date.getFullYear()}`,
  'year first': (date) => isoDay(date),
}

let current: DateFormat = 'day first'

/** The days of a week as this shop’s week goes, from Monday on. */
export const WEEKDAYS = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const

/** Says how the shop writes dates; every date is written so from then on. */
export function writeDates(as: DateFormat): void {
  current = as
}

export const dateFormat = (): DateFormat => current

export const day = (iso: string) => WRITTEN[current](parseISO(iso))
export const dayAndTime = (iso: string) => `${day(iso)}, ${TIME.format(parseISO(iso))}`
export const month = (iso: string) => MONTH.format(parseISO(iso))
export const ago = (iso: string) => intlFormatDistance(parseISO(iso), new Date(), { locale: 'en' })
export const isoDay = (date: Date) => formatISO(date, { representation: 'date' })
export const today = () => isoDay(new Date())
export const overdue = (iso: string) => isPast(parseISO(`${iso}T23:59:59`))
