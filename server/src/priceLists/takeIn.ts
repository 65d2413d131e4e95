import { same } from '@tembrix/core/model'
import { type NewPriceList, type Offered, offeredKey, shapeOf } from '@tembrix/core/records'
import { and, eq, inArray, isNull, sql } from 'drizzle-orm'
import type { z } from 'zod'
import { modules, type Transaction } from '../database'
import { create, priceListKind } from '../store'

type List = z.output<typeof NewPriceList>

/** Rows written at a time. */
const BATCH = 500

/**
 * Takes a supplier's price list in: what it sells already gets the list's figures, the rest is added,
 * and where the list is complete, what it leaves out is out of stock. Returns the list's record.
 */
export async function takeIn(tx: Transaction, { offers, ...list }: List) {
  const known = await offersOf(tx, list.supplier)
  const counts = { added: 0, changed: 0, unchanged: 0, dropped: 0 }
  const fresh: Offered[] = []
  const listed = new Set<string>()
  for (const offer of offers) {
    const key = offeredKey(offer)
    if (listed.has(key)) continue
    listed.add(key)
    const row = known.get(key)
    if (!row) fresh.push(offer)
    else if (alike(row, offer)) counts.unchanged += 1
    else {
      await tx.update(modules).set(written(offer)).where(eq(modules.id, row.id))
      counts.changed += 1
    }
  }
  counts.added = fresh.length
  const kept = [...known].filter(([key]) => listed.has(key)).map(([, { id }]) => id)
  await inBatches(kept, (ids) =>
    tx.update(modules).set({ askedAt: sql`now()` }).where(inArray(modules.id, ids)),
  )
  await inBatches(fresh, (some) =>
    tx.insert(modules).values(
      some.map((offer) => ({
        ...offer,
        source: 'supplier' as const,
        shape: shapeOf('module'),
        supplier: list.supplier,
        note: '',
        askedAt: new Date().toISOString(),
      })),
    ),
  )
  if (list.complete) {
    const gone = [...known].filter(([key, row]) => !listed.has(key) && row.stock !== 0)
    counts.dropped = gone.length
    await inBatches(gone, (some) =>
      tx
        .update(modules)
        .set({ stock: 0, version: sql`${modules.version} + 1`, updatedAt: sql`now()` })
        .where(
          inArray(
            modules.id,
            some.map(([, { id }]) => id),
          ),
        ),
    )
  }
  return create(tx, priceListKind, { ...list, ...counts })
}

/** What a supplier is known to sell, by article and pieces. */
export async function offersOf(tx: Transaction, supplier: string) {
  const rows = await tx
    .select()
    .from(modules)
    .where(
      and(eq(modules.source, 'supplier'), eq(modules.supplier, supplier), isNull(modules.jobId)),
    )
  return new Map(rows.map((row) => [offeredKey(row), row]))
}

/** What a supplier said, as it is written over what was known. */
export const written = (offer: Offered) => ({
  ...offer,
  askedAt: sql`now()`,
  version: sql`${modules.version} + 1`,
  updatedAt: sql`now()`,
})

function alike(row: typeof modules.$inferSelect, { module, price, stock, leadDays }: Offered) {
  return (
    row.price === price &&
    row.stock === stock &&
    row.leadDays === leadDays &&
    same(row.module, module)
  )
}

async function inBatches<T>(
  items: readonly T[],
  write: (some: T[]) => Promise<unknown>,
): Promise<void> {
  for (let at = 0; at < items.length; at += BATCH) await write(items.slice(at, at + BATCH))
}
