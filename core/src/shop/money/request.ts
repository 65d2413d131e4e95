import { z } from 'zod'
import { CurrencyCode } from '../../things/records'

const Amount = z.int('Whole minor units.').min(-1_000_000_000).max(1_000_000_000)
const Paid = z.int('Whole minor units.').min(0, 'Not below 0.').max(1_000_000_000)
const Percent = z.number('Per cent.').min(0, 'Not below 0.').max(100, 'Not over 100.')

/** The shape of `POST /api/v1/quote/price`: amounts in minor units. */
export const PriceShape = z.object({
  currency: CurrencyCode,
  parts: z.array(Paid).max(200).default([]),
  minutes: z.number('Minutes.').min(0, 'Not below 0.').max(100_000).default(0),
  hourlyRate: Paid.default(0),
  extras: z.array(Amount).max(200).default([]),
  credits: z.array(Paid).max(200).default([]),
  taxPercent: Percent.default(0),
  pricesIncludeTax: z.boolean().default(true),
  depositPercent: Percent.default(0),
})
