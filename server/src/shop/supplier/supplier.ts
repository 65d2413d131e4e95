import type { PurchaseOrder } from '@tembrix/core/shop/orders'
import type {
  Confirmation,
  DeliveryNote,
  Offered,
  SupplierQuery,
} from '@tembrix/core/things/records'

/** One who sells memory to the shop. Every call may take their time, fail, and be given up by `signal`. */
export interface Supplier {
  name: string
  /** What it sells of this kind, the cheapest first. */
  search: (query: SupplierQuery, signal: AbortSignal) => Promise<Offered[]>
  /** What it says now of these articles; what it does not sell is left out. */
  ask: (articles: readonly string[], signal: AbortSignal) => Promise<Offered[]>
  /** Takes an order; the same one again (by its id) is answered as it was. */
  place: (order: PurchaseOrder, signal: AbortSignal) => Promise<Confirmation>
  /** What it has put on its way of an order it confirmed, `order` with the numbers that it confirmed. */
  deliveries: (order: PurchaseOrder, signal: AbortSignal) => Promise<DeliveryNote[]>
}

/** It answered with an error of its own. */
export class SupplierFailed extends Error {}
