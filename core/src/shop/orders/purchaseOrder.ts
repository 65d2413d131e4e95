import { z } from 'zod'
import { type Order, ShortText } from '../../things/records'
import { writeCsv } from '../../things/tables'

/** What a supplier is sent: part numbers and numbers of purchases, nothing of customers. */
export const PurchaseOrder = z.object({
  format: z.literal('tembrix-order'),
  version: z.literal(1),
  id: z.uuid(),
  number: z.int().positive(),
  /** The shop that orders, and where to. */
  shop: ShortText,
  address: z.string(),
  supplier: ShortText,
  on: z.iso.date(),
  note: z.string(),
  lines: z.array(
    z.object({
      line: z.uuid(),
      partNumber: ShortText,
      /** In words, for whoever packs it. */
      description: ShortText,
      /** Purchases; a kit is one. */
      quantity: z.int().positive(),
      piecesEach: z.int().positive(),
    }),
  ),
})
export type PurchaseOrder = z.infer<typeof PurchaseOrder>

interface Sender {
  shopName: string
  address: string
}

/** An order as it is sent on the day `on` (ISO date). */
export function purchaseOrder(
  {
    id,
    number,
    supplier,
    note,
    lines,
  }: Pick<Order, 'id' | 'number' | 'supplier' | 'note' | 'lines'>,
  { shopName, address }: Sender,
  on: string,
): PurchaseOrder {
  return {
    format: 'tembrix-order',
    version: 1,
    id,
    number,
    shop: shopName,
    address,
    supplier,
    on,
    note,
    lines: lines.map(({ id, module, purchases }) => ({
      line: id,
      partNumber: module.article,
      description: `${module.capacityGiB} GB ${module.generation} ${module.formFactor}${module.kit ? `, kit of ${module.kit.size}` : ''}`,
      quantity: purchases.length,
      piecesEach: module.kit?.size ?? 1,
    })),
  }
}

/** The same as a sheet: a row for each line. */
export const purchaseSheet = ({ number, on, lines }: PurchaseOrder): string =>
  writeCsv([
    ['order', 'date', 'part number', 'description', 'quantity', 'pieces each'],
    ...lines.map(({ partNumber, description, quantity, piecesEach }) => [
      number,
      on,
      partNumber,
      description,
      quantity,
      piecesEach,
    ]),
  ])
