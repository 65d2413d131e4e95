import {
  add,
  type Dinero,
  dinero,
  halfAwayFromZero,
  multiply,
  subtract,
  toSnapshot,
  transformScale,
} from 'dinero.js'
import { CURRENCIES, type Currency } from '../../things/records'

export type Amount = Dinero<number>

/** An amount of so many minor units. */
export function amountIn(currency: Currency, minor: number): Amount {
  const exponent = CURRENCIES[currency]
  return dinero({ amount: minor, currency: { code: currency, base: 10, exponent } })
}

/** The amount in whole minor units, a half rounded away from nothing. */
export function inMinorUnits(amount: Amount): number {
  const { currency } = toSnapshot(amount)
  return toSnapshot(transformScale(amount, currency.exponent, halfAwayFromZero)).amount
}

/** This many per cent of an amount, in whole minor units. Per cents count to four decimals. */
export function share(amount: Amount, percent: number): Amount {
  const exact = multiply(amount, { amount: Math.round(percent * 10_000), scale: 6 })
  return transformScale(exact, toSnapshot(amount).currency.exponent, halfAwayFromZero)
}

export { add, subtract }
