import { randomUUID } from 'node:crypto'
import type { RecordKind } from '@tembrix/core/records'
import { and, desc, eq, sql } from 'drizzle-orm'
import {
  type customers,
  type fits,
  type frames,
  history,
  type jobs,
  type machines,
  type measurements,
  type models,
  type modules,
  type photos,
  type plans,
  type priceLists,
  type quotes,
  type readings,
  type shops,
  type Transaction,
  type validatedLists,
  type verifications,
} from '../database'
import { notFound, stale } from '../http'
import { tellOf } from './written'

export type StoredTable =
  | typeof customers
  | typeof machines
  | typeof models
  | typeof validatedLists
  | typeof modules
  | typeof jobs
  | typeof plans
  | typeof readings
  | typeof photos
  | typeof shops
  | typeof quotes
  | typeof priceLists
  | typeof fits
  | typeof verifications
  | typeof measurements
  | typeof frames

export interface Kind<T extends StoredTable> {
  table: T
  record: RecordKind
  /** The job whose history a write of this row belongs to. */
  jobOf: (row: T['$inferSelect']) => string | null
}

/** A kind of stored record: its table, its name, and which job its history belongs to. */
export function kind<T extends StoredTable>(
  table: T,
  record: RecordKind,
  jobOf: Kind<T>['jobOf'] = () => null,
): Kind<T> {
  return { table, record, jobOf }
}

export interface Created<Row> {
  row: Row
  /** False where a record with this id was there already, and nothing was written. */
  fresh: boolean
}

export async function find<T extends StoredTable>(
  tx: Transaction,
  { table, record }: Kind<T>,
  id: string,
): Promise<T['$inferSelect']> {
  const [row] = await tx
    .select()
    .from(table as StoredTable)
    .where(eq(table.id, id))
  if (!row) throw notFound(record)
  return row
}

/** Inserts a record; one sent again with its own id is answered as it stands. */
export async function create<T extends StoredTable>(
  tx: Transaction,
  of: Kind<T>,
  values: T['$inferInsert'],
): Promise<Created<T['$inferSelect']>> {
  const id = values.id ?? randomUUID()
  const [row] = await tx
    .insert(of.table as StoredTable)
    .values({ ...values, id } as never)
    .onConflictDoNothing()
    .returning()
  if (!row) return { row: await find(tx, of, id), fresh: false }
  await remember(tx, of, row, 'created', Object.keys(values))
  return { row, fresh: true }
}

/** Changes a record if it is still at the version the change was made against. */
export async function change<T extends StoredTable>(
  tx: Transaction,
  of: Kind<T>,
  id: string,
  { version, ...changes }: Partial<T['$inferInsert']> & { version: number },
): Promise<T['$inferSelect']> {
  const table = of.table as StoredTable
  const [row] = await tx
    .update(table)
    .set({ ...changes, version: sql`${table.version} + 1`, updatedAt: sql`now()` } as never)
    .where(and(eq(table.id, id), eq(table.version, version)))
    .returning()
  if (!row) {
    await find(tx, of, id)
    throw stale(of.record)
  }
  await remember(tx, of, row, 'changed', Object.keys(changes))
  return row
}

/** Removes a record if it is still at this version. */
export async function remove<T extends StoredTable>(
  tx: Transaction,
  of: Kind<T>,
  id: string,
  version: number,
): Promise<void> {
  const row = await find(tx, of, id)
  if (row.version !== version) throw stale(of.record)
  await tx.delete(of.table as StoredTable).where(eq(of.table.id, id))
  await remember(tx, of, row, 'removed', [])
}

/** Every write to a record, newest first. */
export function historyOf(tx: Transaction, recordId: string) {
  return tx
    .select()
    .from(history)
    .where(eq(history.recordId, recordId))
    .orderBy(desc(history.id))
    .limit(500)
}

async function remember<T extends StoredTable>(
  tx: Transaction,
  { record, jobOf }: Kind<T>,
  row: T['$inferSelect'],
  action: 'created' | 'changed' | 'removed',
  fields: string[],
): Promise<void> {
  const line = { jobId: jobOf(row), record, recordId: row.id, action }
  await tx.insert(history).values({ ...line, fields })
  await tellOf(tx, { ...line, version: row.version })
}
