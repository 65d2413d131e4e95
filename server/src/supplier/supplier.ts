import type { Offered, SupplierQuery } from '@tembrix/core/records'

/** One who sells memory to the shop. Both calls may take their time, fail, and be given up by `signal`. */
export interface Supplier {
  name: string
  /** What it sells of this kind, the cheapest first. */
  search: (query: SupplierQuery, signal: AbortSignal) => Promise<Offered[]>
  /** What it says now of these articles; what it does not sell is left out. */
  ask: (articles: readonly string[], signal: AbortSignal) => Promise<Offered[]>
}

/** It answered with an error of its own. */
export class SupplierFailed extends Error {}
