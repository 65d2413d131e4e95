import { CURRENCIES, type Currency } from '@tembrix/core/things/records'
import { numberFrom } from './figures'

const formatter = (currency: Currency) =>
  new Intl.NumberFormat('en-IE', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' })

/** How a currency is written, and its sign. */
function writing(currency: Currency) {
  const format = formatter(currency)
  const parts = format.formatToParts(0)
  return { currency, format, sign: parts.find(({ type }) => type === 'currency')?.value ?? '' }
}

let current = writing('EUR')

/** Says which currency the shop calculates in; every amount is written in it from then on. */
export function calculateIn(currency: Currency): void {
  if (currency !== current.currency) current = writing(currency)
}

/** How many minor units make one of the shop's currency. */
export const minorUnits = (): number => 10 ** CURRENCIES[current.currency]

/** Money from minor units. */
export const money = (minor: number): string =>
  current.format.format(minor / minorUnits()).replace('-', '−')

/** Money of a document, which keeps its own currency whatever the shop’s becomes. */
export function moneyIn(currency: Currency): (minor: number) => string {
  const format = formatter(currency)
  return (minor) => format.format(minor / 10 ** CURRENCIES[currency]).replace('-', '−')
}

/** The currency's sign, for labels. */
export const currencySign = (): string => current.sign

/** An amount as it is typed from minor units, with all its decimals (12.50); anything else stays as it is. */
export function inUnits(minor: unknown): unknown {
  if (typeof minor !== 'number') return minor
  const units = minor / minorUnits()
  return Number.isInteger(minor)
    ? units.toFixed(Math.log10(minorUnits()))
    : Number(units.toFixed(4))
}

/** An amount as typed in minor units; empty is null, and text that is no number stays text. */
export function minorFrom(text: string): number | string | null {
  const typed = numberFrom(text)
  return typeof typed === 'number' ? Number((typed * minorUnits()).toFixed(6)) : typed
}
