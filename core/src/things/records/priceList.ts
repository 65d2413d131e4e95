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

/** Meaning of the prices of a list: with or without tax, paid by whom, and of a module or the kit; null where nobody said. */
export const PricesMeant = z.object({
  tax: z.enum(['with', 'without']).nullable(),
  /** Payer of these prices: the shop, as its cost, or its customers. */
  payer: z.enum(['shop', 'customer']).nullable(),
  kit: z.enum(['each', 'whole']).nullable(),
})
export type PricesMeant = z.infer<typeof PricesMeant>

/** The most rows a price list may have. */
export const PRICE_LIST_LIMIT = 20_000

const fields = {
  supplier: z.string().trim().min(1, 'Name the supplier.').max(200),
  name: ShortText,
  mapping: columnMapping(PRICE_COLUMNS).extend({ prices: PricesMeant.optional() }),
  /** Whether the list is all they sell: what it leaves out is then out of stock. */
  complete: z.boolean(),
}

/** The most offers that are taken in at a time. */
export const PRICE_LIST_PIECE = 50

/** A list to be taken in, piece by piece: `offers` is how many there are in all. */
export const NewPriceList = OwnId.extend({
  ...fields,
  offers: z.int().min(1, 'The list has no offer.').max(PRICE_LIST_LIMIT),
})
export type NewPriceList = z.input<typeof NewPriceList>

/** Some of a list's offers, of which the first is its `at`-th. */
export const PriceListPiece = z.object({
  at: z.int().min(0).max(PRICE_LIST_LIMIT),
  offers: z.array(Offered).min(1).max(PRICE_LIST_PIECE),
})
export type PriceListPiece = z.input<typeof PriceListPiece>

/**
 * A price list, and what came of it by now: `taken` of its `offers` were taken in. `endedAt` is null until
 * all were, and stays so where it was given up; only then is what a complete list leaves out `dropped`.
 */
export const PriceList = Stored.extend({
  ...fields,
  offers: z.int(),
  taken: z.int(),
  added: z.int(),
  changed: z.int(),
  unchanged: z.int(),
  dropped: z.int(),
  endedAt: z.iso.datetime().nullable(),
})
export type PriceList = z.infer<typeof PriceList>
