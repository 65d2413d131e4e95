import { deepEqual } from '@tembrix/core/things/model'
import {
  type Offered,
  offeredKey,
  type PriceListPiece,
  shapeOf,
} from '@tembrix/core/things/records'
import { and, eq, isNull, sql } from 'drizzle-orm'
import type { z } from 'zod'
import { modules, OFFER_KEY, priceLists, type Transaction } from '../../base/database'
import { HttpError } from '../../base/http'
import { find, priceListKind, publishChange, type RecordRow } from '../../things/store'

type List = RecordRow<typeof priceLists>

/**
 * Takes in some offers of a price list: what the supplier sells already gets the list's figures, the rest
 * is added. A piece that was taken in before is not taken in again.
 * @throws HttpError 409 `out_of_order` for a piece that does not follow on what was taken in.
 */
export async function takeIn(
  tx: Transaction,
  list: List,
  { at, offers }: z.output<typeof PriceListPiece>,
): Promise<List> {
  if (at + offers.length <= list.taken) return list
  if (at !== list.taken || list.endedAt || at + offers.length > list.offers) {
    throw new HttpError(409, 'out_of_order', `The list goes on at offer ${list.taken + 1}.`)
  }
  // Of an article that a list names twice, the first counts.
  const told = new Map(offers.toReversed().map((offer) => [offeredKey(offer), offer]))
  const known = await offersOf(tx, list.supplier, [...told.keys()])
  const fresh: Offered[] = []
  const changed: Heard[] = []
  const unchanged: string[] = []
  for (const [key, offer] of told) {
    const row = known.get(key)
    if (!row) fresh.push(offer)
    else if (row.listId === list.id) continue
    else if (alike(row, offer)) unchanged.push(row.id)
    else changed.push({ id: row.id, ...offer })
  }
  await markUnchanged(tx, list, unchanged)
  await writeOver(tx, changed, list.id)
  await add(tx, list, fresh)
  return noteOn(tx, list, {
    taken: list.taken + offers.length,
    added: list.added + fresh.length,
    changed: list.changed + changed.length,
    unchanged: list.unchanged + unchanged.length,
  })
}

/**
 * Ends a list of which all was taken in: where it is complete, what it leaves out is out of stock.
 * @throws HttpError 409 `out_of_order` where some is missing.
 */
export async function endList(tx: Transaction, list: List): Promise<List> {
  if (list.endedAt) return list
  if (list.taken < list.offers) {
    throw new HttpError(409, 'out_of_order', `The list goes on at offer ${list.taken + 1}.`)
  }
  const gone = list.complete
    ? await tx
        .update(modules)
        .set({ stock: 0, version: sql`${modules.version} + 1`, updatedAt: sql`now()` })
        .where(
          and(
            eq(modules.source, 'supplier'),
            eq(modules.supplier, list.supplier),
            isNull(modules.jobId),
            sql`${modules.listId} is distinct from ${list.id}`,
            sql`${modules.stock} is distinct from 0`,
          ),
        )
        .returning({ id: modules.id })
    : []
  const ended = await noteOn(tx, list, {
    dropped: gone.length,
    endedAt: new Date().toISOString(),
  })
  const { id: recordId, version } = ended
  await publishChange(tx, {
    record: 'price-list',
    recordId,
    jobId: null,
    action: 'changed',
    version,
  })
  return ended
}

/**
 * What a supplier is known to sell of some articles and pieces, by `offeredKey`. Each is looked up by itself
 * (`offset 0`): how many a supplier has, the database may not know, and would read all of them.
 */
export async function offersOf(
  tx: Transaction,
  supplier: string,
  keys: readonly string[],
): Promise<Map<string, Known>> {
  const { rows } = await tx.execute<Known>(sql`
    select known.* from jsonb_array_elements_text(${JSON.stringify(keys)}::jsonb) as told(key), lateral (
      select id, module, price, stock, lead_days as "leadDays", list_id as "listId", job_id as "jobId"
      from ${modules}
      where source = 'supplier' and supplier = ${supplier} and ${OFFER_KEY} = told.key offset 0
    ) as known where known."jobId" is null`)
  return new Map(rows.map((row) => [offeredKey(row), row]))
}

/** What was heard of an offer that is known; `price` is null where nobody said one. */
type Heard = Omit<Offered, 'price'> & { id: string; price: number | null }

/** Writes what a supplier said over what was known of its offers; `listId` is the list that says so. */
export async function writeOver(
  tx: Transaction,
  offers: readonly Heard[],
  listId: string | null = null,
): Promise<void> {
  if (offers.length === 0) return
  await tx.execute(sql`
    update ${modules} set
      module = told.module, price = told.price, stock = told.stock, lead_days = told.lead_days,
      list_id = coalesce(${listId}::uuid, ${modules.listId}), asked_at = now(),
      version = ${modules.version} + 1, updated_at = now()
    from jsonb_to_recordset(${JSON.stringify(offers.map(inColumns))}::jsonb)
      as told(id uuid, module jsonb, price integer, stock integer, lead_days integer)
    where ${modules.id} = told.id`)
}

const inColumns = ({ leadDays, ...offer }: Pick<Offered, 'leadDays'>) => ({
  ...offer,
  lead_days: leadDays,
})

async function markUnchanged(tx: Transaction, list: List, ids: string[]): Promise<void> {
  if (ids.length === 0) return
  await tx.execute(sql`
    update ${modules} set asked_at = now(), list_id = ${list.id}
    where id in (select jsonb_array_elements_text(${JSON.stringify(ids)}::jsonb)::uuid)`)
}

/** All of them as one value: told one by one, thousands of values would take longer than storing them. */
async function add(tx: Transaction, list: List, offers: readonly Offered[]): Promise<void> {
  if (offers.length === 0) return
  await tx.execute(sql`
    insert into ${modules} (source, supplier, note, shape, list_id, asked_at, module, price, stock, lead_days)
    select 'supplier', ${list.supplier}, '', ${shapeOf('module')}::integer, ${list.id}::uuid, now(),
      told.module, told.price, told.stock, told.lead_days
    from jsonb_to_recordset(${JSON.stringify(offers.map(inColumns))}::jsonb)
      as told(module jsonb, price integer, stock integer, lead_days integer)`)
}

/** Notes on a list what was done by now; screens hear of its end only. */
async function noteOn(tx: Transaction, { id }: List, done: Partial<List>): Promise<List> {
  await tx
    .update(priceLists)
    .set({ ...done, version: sql`${priceLists.version} + 1`, updatedAt: sql`now()` })
    .where(eq(priceLists.id, id))
  return find(tx, priceListKind, id)
}

type Known = Pick<
  typeof modules.$inferSelect,
  'id' | 'module' | 'price' | 'stock' | 'leadDays' | 'listId' | 'jobId'
>

function alike(row: Known, { module, price, stock, leadDays }: Offered) {
  return (
    row.price === price &&
    row.stock === stock &&
    row.leadDays === leadDays &&
    deepEqual(row.module, module)
  )
}
