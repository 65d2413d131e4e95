import { formatISO, intlFormatDistance, isPast, parseISO } from 'date-fns'

/** A capacity in GiB, or MiB where it is less than one. */
export const capacity = (gib: number) =>
  gib > 0 && gib < 1 ? `${gib * 1024} MB` : `${tidy(gib)} GB`

/** A figure with at most this many decimals and no idle zeros. */
export const tidy = (value: number, decimals = 2) => String(Number(value.toFixed(decimals)))

export const ago = (iso: string) => intlFormatDistance(parseISO(iso), new Date(), { locale: 'en' })

const MONTH = new Intl.DateTimeFormat('en', { month: 'long', year: 'numeric' })
const SHORT_MONTH = new Intl.DateTimeFormat('en', { month: 'short' })
const TIME = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })

export const month = (iso: string) => MONTH.format(parseISO(iso))
export const day = (iso: string) => {
  const date = parseISO(iso)
  return `${date.getDate()} ${SHORT_MONTH.format(date)} ${date.getFullYear()}`
}
export const time = (iso: string) => TIME.format(parseISO(iso))
export const dayAndTime = (iso: string) => `${day(iso)}, ${time(iso)}`
export const isoDay = (date: Date) => formatISO(date, { representation: 'date' })
export const today = () => isoDay(new Date())
export const overdue = (iso: string) => isPast(parseISO(`${iso}T23:59:59`))

const joiners = {
  and: new Intl.ListFormat('en', { type: 'conjunction' }),
  or: new Intl.ListFormat('en', { type: 'disjunction' }),
}
export const list = (words: readonly string[], join: keyof typeof joiners = 'and') =>
  joiners[join].format(words)

export const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
export const uncapital = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
