import type { Currency } from '../../things/records'
import { add, amountIn, inMinorUnits, share, subtract } from './amount'

export interface PricedInput {
  currency: Currency
  /** Amounts in minor units, each for the whole line. */
  parts: readonly number[]
  minutes: number
  /** Minor units an hour. */
  hourlyRate: number
  extras: readonly number[]
  /** What old modules are taken for, minor units. */
  credits: readonly number[]
  taxPercent: number
  pricesIncludeTax: boolean
  depositPercent: number
}

/** All in minor units. */
export interface Priced {
  labour: number
  net: number
  tax: number
  total: number
  credit: number
  toPay: number
  deposit: number
}

/**
 * Adds an option up. With prices that include the tax, what it holds of it is total × t ÷ (100 + t);
 * otherwise it comes on top. Tax is rounded once, on the sum. Old modules are set off against the
 * total with its tax, like a payment. A deposit is a share of what is left to pay.
 */
export function priced(input: PricedInput): Priced {
  const { currency, taxPercent, pricesIncludeTax } = input
  const of = (minor: number) => amountIn(currency, minor)
  const sum = (amounts: readonly number[]) => amounts.reduce((all, one) => add(all, of(one)), of(0))
  const labour = of(Math.round((input.hourlyRate * input.minutes) / 60))
  const goods = add(add(sum(input.parts), sum(input.extras)), labour)
  const tax = pricesIncludeTax
    ? of(Math.round((inMinorUnits(goods) * taxPercent) / (100 + taxPercent)))
    : share(goods, taxPercent)
  const total = pricesIncludeTax ? goods : add(goods, tax)
  const credit = sum(input.credits)
  const toPay = subtract(total, credit)
  const deposit = share(of(Math.max(0, inMinorUnits(toPay))), input.depositPercent)
  return {
    labour: inMinorUnits(labour),
    net: inMinorUnits(subtract(total, tax)),
    tax: inMinorUnits(tax),
    total: inMinorUnits(total),
    credit: inMinorUnits(credit),
    toPay: inMinorUnits(toPay),
    deposit: inMinorUnits(deposit),
  }
}
