import { z } from 'zod'
import { columnMapping } from '../tables'
import { Offered } from './offered'
import { OwnId, ShortText, Stored } from './stored'

export const PRICE_COLUMNS = [
  'article',
  'label',
  'generation',
  'form',
  'capacityGiB',
  'pieces',
  'dataRate',
  'cl',
  'ranks',
  'width',
  'ecc',
  'price',
  'stock',
  'leadDays',
] as const
export type PriceColumn = (typeof PRICE_COLUMNS)[number]

/** The most rows a price list may have. */
export const PRICE_LIST_LIMIT = 20_000

const fields = {
  supplier: z.string().trim().min(1, 'Name the supplier.').max(200),
  name: ShortText,
  mapping: columnMapping(PRICE_COLUMNS),
  /** Whether the list is all they sell: what it leaves out is then out of stock. */
  complete: z.boolean(),
}

export const NewPriceList = OwnId.extend({
  ...fields,
  offers: z.array(Offered).min(1, 'The list has no offer.').max(PRICE_LIST_LIMIT),
})
export type NewPriceList = z.input<typeof NewPriceList>

/** A price list that was taken in, and what came of it. */
export const PriceList = Stored.extend({
  ...fields,
  added: z.int(),
  changed: z.int(),
  unchanged: z.int(),
  dropped: z.int(),
})
export type PriceList = z.infer<typeof PriceList>
