/** Currencies a shop can calculate in (ISO 4217), with the decimals of their minor unit. */
export const CURRENCIES = {
  AUD: 2,
  CAD: 2,
  CHF: 2,
  CZK: 2,
  DKK: 2,
  EUR: 2,
  GBP: 2,
  HUF: 2,
  ISK: 0,
  JPY: 0,
  NOK: 2,
  NZD: 2,
  PLN: 2,
  SEK: 2,
  USD: 2,
} as const
export type Currency = keyof typeof CURRENCIES
