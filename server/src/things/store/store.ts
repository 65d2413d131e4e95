import { randomUUID } from 'node:crypto'
import { differenceOf } from '@tembrix/core/shop/history'
import {
  type Collection,
  type Delta,
  type HistoryLine,
  type RecordKind,
  shapeOf,
  upgraded,
} from '@tembrix/core/things/records'
import { and, asc, desc, eq, getTableColumns, lt, type SQL, sql } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'
import type { z } from 'zod'
import type * as database from '../../base/database'
import { history, type Transaction } from '../../base/database'
import { HttpError, notFound, versionConflict, whoAsks } from '../../base/http'
import { publishChange } from './changeFeed'
import { afterCursor, cutPage, type ListOrder, ordering, type Page, type Paging } from './pages'

type Tables = typeof database
/** Tables of what screens write have the name of its kind. */
export type StoredTable = Tables[Collection] | Tables['validatedLists' | 'shops' | 'priceLists']

/** A record as it is read: its columns but for those that only the store knows. */
export type RecordRow<T extends StoredTable> = Omit<
  T['$inferSelect'],
  'firstWrite' | 'lastWrite' | 'shape' | 'searchText' | 'listId'
>

/** What it takes to read records of a kind. */
export interface Readable<T extends StoredTable> {
  table: T
  record: RecordKind
  /** What a row is read by; nothing else is answered. */
  stored: z.ZodType
}

export interface StoredKind<T extends StoredTable> extends Readable<T> {
  /** The job whose history a write of this row belongs to. */
  jobOf: (row: RecordRow<T>) => string | null
}

/** A kind of stored record: its table, its name and shape, and which job its history belongs to. */
export function kind<T extends StoredTable>(
  table: T,
  { record, stored }: Pick<StoredKind<T>, 'record' | 'stored'>,
  jobOf: StoredKind<T>['jobOf'] = () => null,
): StoredKind<T> {
  return { table, record, stored, jobOf }
}

export interface Created<Row> {
  row: Row
  /** False where a record with this id was there already, and nothing was written. */
  fresh: boolean
}

/**
 * A row as its kind's schema has it, from whichever shape it was written in.
 * @throws HttpError 500 `damaged` where it is of no such shape.
 */
export function asStored<T extends StoredTable>(
  { record, stored }: Readable<T>,
  row: StoredTable['$inferSelect'],
): RecordRow<T> {
  const { success, data, error } = stored.safeParse(upgraded(record, row, row.shape))
  if (success) return data as RecordRow<T>
  const [issue] = error.issues
  const where = `${issue?.path.join('.')}: ${issue?.message}`
  throw new HttpError(500, 'damaged', `The ${record} ${row.id} is damaged. ${where}`)
}

export async function find<T extends StoredTable>(
  tx: Transaction,
  of: StoredKind<T>,
  id: string,
): Promise<RecordRow<T>> {
  const [row] = await listed(tx, of, eq(of.table.id, id))
  if (!row) throw notFound(of.record)
  return row
}

/** Records in the order they were made, or another. */
export async function listed<T extends StoredTable>(
  db: Pick<Transaction, 'select'>,
  of: StoredKind<T>,
  where?: SQL,
  order: SQL = asc(of.table.firstWrite),
): Promise<RecordRow<T>[]> {
  const rows = await db
    .select()
    .from(of.table as StoredTable)
    .where(where)
    .orderBy(order)
  return rows.map((row) => asStored(of, row))
}

/** A page of records in an order of their own; by default that in which they were made. */
export async function pageOf<T extends StoredTable>(
  db: Pick<Transaction, 'select'>,
  of: StoredKind<T>,
  paging: Paging,
  where?: SQL,
  order: ListOrder = { by: of.table.firstWrite },
): Promise<Page<RecordRow<T>>> {
  const table = of.table as StoredTable
  const rows = await db
    .select({ row: table, by: sql<string | number>`${order.by}` })
    .from(table)
    .where(and(where, afterCursor(order, table.id, paging)))
    .orderBy(...ordering(order, table.id))
    .limit(paging.limit + 1)
  return cutPage(
    rows.map(({ row, by }) => ({ row: asStored(of, row), cursor: [by, row.id] as const })),
    paging,
  )
}

/** Inserts a record; one sent again with its own id is answered as it stands. */
export async function create<T extends StoredTable>(
  tx: Transaction,
  of: StoredKind<T>,
  values: T['$inferInsert'],
): Promise<Created<RecordRow<T>>> {
  const id = values.id ?? randomUUID()
  const [inserted] = await tx
    .insert(of.table as StoredTable)
    .values({ ...values, id, shape: shapeOf(of.record) } as never)
    .onConflictDoNothing()
    .returning()
  if (!inserted) return { row: await find(tx, of, id), fresh: false }
  const row = asStored(of, inserted)
  await remember(tx, of, row, 'created', Object.keys(values))
  return { row, fresh: true }
}

/** Changes a record if it is still at the version the change was made against. */
export async function change<T extends StoredTable>(
  tx: Transaction,
  of: StoredKind<T>,
  id: string,
  { version, ...changes }: Partial<T['$inferInsert']> & { version: number },
): Promise<RecordRow<T>> {
  const table = of.table as StoredTable
  await bringUp(tx, of, id)
  const [updated] = await tx
    .update(table)
    .set({ ...changes, ...nextOf(table) } as never)
    .where(and(eq(table.id, id), eq(table.version, version)))
    .returning({ ...getTableColumns(table), before: beforeOf(table, Object.keys(changes)) })
  if (!updated) {
    await find(tx, of, id)
    throw versionConflict(of.record)
  }
  const { before, ...now } = updated
  const row = asStored(of, now as StoredTable['$inferSelect'])
  const differences = differencesOf(table, before, now)
  const changed = Object.keys(changes).filter((name) => differences.has(name))
  await remember(tx, of, row, 'changed', changed, Object.fromEntries(kept(differences)))
  return row
}

/** What these fields were before an update, as JSON by their names. */
function beforeOf(table: StoredTable, fields: readonly string[]): SQL<Record<string, unknown>> {
  const columns = Object.entries(getTableColumns(table) as Record<string, PgColumn>)
  const pairs = columns
    .filter(([name]) => fields.includes(name))
    .map(([name, column]) => sql`${name}::text, old.${sql.identifier(column.name)}`)
  return sql`jsonb_build_object(${sql.join(pairs, sql`, `)})`
}

/** What differs in each field that does. */
function differencesOf(
  table: StoredTable,
  before: Record<string, unknown>,
  now: Record<string, unknown>,
): Map<string, Delta | null> {
  const columns = getTableColumns(table) as Record<string, PgColumn>
  return new Map(
    Object.entries(before).flatMap(([name, read]) => {
      const was = read === null ? null : columns[name]?.mapFromDriverValue(read)
      const difference = differenceOf(was, now[name] ?? null)
      return difference === undefined ? [] : [[name, difference]]
    }),
  )
}

const kept = (differences: ReadonlyMap<string, Delta | null>): [string, Delta][] =>
  [...differences].filter((one) => one[1] !== null)

/** Writes a record of an older shape in today's, so that all of a row is of one. */
async function bringUp<T extends StoredTable>(
  tx: Transaction,
  { table, record }: StoredKind<T>,
  id: string,
): Promise<void> {
  const shape = shapeOf(record)
  if (shape === 0) return
  const [row] = await tx
    .select()
    .from(table as StoredTable)
    .where(and(eq(table.id, id), lt(table.shape, shape)))
  if (!row) return
  await tx
    .update(table as StoredTable)
    .set({ ...upgraded(record, row, row.shape), shape } as never)
    .where(eq(table.id, id))
}

const nextOf = (table: StoredTable) => ({
  version: sql`${table.version} + 1`,
  updatedAt: sql`now()`,
  lastWrite: sql`nextval('writes')`,
})

/** Removes a record if it is still at this version. */
export async function remove<T extends StoredTable>(
  tx: Transaction,
  of: StoredKind<T>,
  id: string,
  version: number,
): Promise<void> {
  const row = await find(tx, of, id)
  if (row.version !== version) throw versionConflict(of.record)
  await tx.delete(of.table as StoredTable).where(eq(of.table.id, id))
  await remember(tx, of, row, 'removed', [])
}

/** Writes to a record, or to what else `where` says, newest first. */
export async function historyPage(
  tx: Pick<Transaction, 'select'>,
  where: SQL | undefined,
  paging: Paging,
): Promise<Page<HistoryLine>> {
  const before = paging.after ? lt(history.id, Number(paging.after[0])) : undefined
  const rows = await tx
    .select()
    .from(history)
    .where(and(where, before))
    .orderBy(desc(history.id))
    .limit(paging.limit + 1)
  return cutPage(
    rows.map((row) => ({ row, cursor: [row.id, row.recordId] as const })),
    paging,
  )
}

export const ofRecord = (id: string): SQL => eq(history.recordId, id)

/** Notes in the history what was done with a record without changing it. */
export const noteOf = <T extends StoredTable>(
  tx: Transaction,
  of: StoredKind<T>,
  row: RecordRow<T>,
  what: string,
): Promise<void> => remember(tx, of, row, 'changed', [what])

async function remember<T extends StoredTable>(
  tx: Transaction,
  { record, jobOf }: StoredKind<T>,
  row: RecordRow<T>,
  action: 'created' | 'changed' | 'removed',
  fields: string[],
  changes: HistoryLine['changes'] = null,
): Promise<void> {
  const line = { jobId: jobOf(row), record, recordId: row.id, action }
  await tx.insert(history).values({ ...line, fields, changes, by: whoAsks() })
  await publishChange(tx, { ...line, version: row.version })
}
