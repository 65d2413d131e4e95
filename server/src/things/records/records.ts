import { type Collection, KIND_INFO, KINDS } from '@tembrix/core/things/records'
import { eq, type SQL } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'
import { z } from 'zod'
import type { Transaction } from '../../base/database'
import {
  type Created,
  change,
  create,
  find,
  jobKind,
  type KindOf,
  kindOf,
  type ListOrder,
  listed,
  onePage,
  type Page,
  Paging,
  pageOf,
  type RecordRow,
  remove,
  type StoredTable,
} from '../store'
import { refuseClosed } from './refuseClosed'

type Made<C extends Collection> = z.output<(typeof KINDS)[C]['createSchema']>
type Patch<C extends Collection> = z.output<(typeof KINDS)[C]['updateSchema']>
type Values<T extends StoredTable> = Partial<T['$inferInsert']>

type TableOf<C extends Collection> = KindOf<C>['table']

/** A database or a transaction, to read from. */
export type ReadAccess = Pick<Transaction, 'select'>

/** What is particular to a kind: what has to hold before a write, and what comes with it. */
export interface Rules<C extends Collection, T extends StoredTable = TableOf<C>> {
  /** The longest body of a request; 1 MB where nothing is said. */
  limit?: string
  /** Makes one in a way of its own; null where it is not made of JSON. */
  make?: null | ((tx: Transaction, made: Made<C>) => Promise<Created<RecordRow<T>>>)
  /** What is stored of what came; without it, just that. */
  making?: (tx: Transaction, made: Made<C>) => Promise<Values<T>>
  /** What is set of what came; without it, just that. */
  changing?: (tx: Transaction, row: RecordRow<T>, patch: Patch<C>) => Promise<Values<T>>
  /** Whether one may be removed; without it, one of a job's many is, and no other. */
  removing?: (tx: Transaction, row: RecordRow<T>) => Promise<void>
  /** After each write; `patch` is what a change asked for. */
  written?: (tx: Transaction, row: RecordRow<T>, patch?: Patch<C>) => Promise<void>
  /** What a list is narrowed to and how it is ordered, by the query of its address. */
  listing?: (query: unknown) => Narrowed
  /** A list of another make, by the query of its address; null where it is the usual one. */
  list?: (db: ReadAccess, query: unknown) => Promise<Page<unknown>> | null
}

interface Narrowed {
  where?: SQL | undefined
  order?: ListOrder
}

/** The records of a kind: everything that is done to them, each in a transaction that is given. */
export interface Records {
  collection: Collection
  limit: string
  make: ((tx: Transaction, body: unknown) => Promise<Created<Stamped>>) | null
  change: (tx: Transaction, id: string, body: unknown) => Promise<Stamped>
  remove: ((tx: Transaction, id: string, version: number) => Promise<void>) | null
  find: (tx: Transaction, id: string) => Promise<Stamped>
  /** One job's (`?jobId=`) where jobs have lists of it, all of them; else a page. */
  list: (db: ReadAccess, query: unknown) => Promise<Page<unknown>>
}

export interface Stamped {
  id: string
  version: number
}

const OfJob = z.object({ jobId: z.uuid().optional() })

/** The records of one kind, by its schemas, its table and its own rules. */
export function records<C extends Collection>(
  collection: C,
  rules: Rules<C>,
  kind: KindOf<C> = kindOf(collection),
): Records {
  type T = TableOf<C>
  const { createSchema, updateSchema } = KINDS[collection]
  const inJob: string | null = KIND_INFO[collection].inJob
  const mayGo = rules.removing ?? (inJob === 'many' ? async () => {} : null)
  const isListed = inJob === 'many' || inJob === 'at-most-one'

  const jobOf = (row: object): string | null | undefined =>
    collection === 'jobs' ? (row as Stamped).id : (row as { jobId?: string | null }).jobId

  async function make(tx: Transaction, body: unknown): Promise<Created<Stamped>> {
    const made = createSchema.parse(body) as Made<C>
    await refuseClosed(tx, collection, (made as { jobId?: string }).jobId, made)
    const created = rules.make
      ? await rules.make(tx, made)
      : await create(tx, kind, await valuesOf(tx, made))
    await rules.written?.(tx, created.row)
    return created as Created<Stamped>
  }

  async function valuesOf(tx: Transaction, made: Made<C>): Promise<T['$inferInsert']> {
    const { jobId } = made as { jobId?: string }
    if (jobId) await find(tx, jobKind, jobId)
    const values = rules.making ? await rules.making(tx, made) : made
    // Of what a job has one of, it is under the job's id: begun twice, it is one.
    const own = inJob === 'at-most-one' ? { id: jobId } : {}
    return { ...values, ...own } as T['$inferInsert']
  }

  return {
    collection,
    limit: rules.limit ?? '1mb',
    make: rules.make === null ? null : make,
    change: async (tx, id, body) => {
      const patch = updateSchema.parse(body) as Patch<C>
      const row = await find(tx, kind, id)
      await refuseClosed(tx, collection, jobOf(row), patch)
      const values = rules.changing ? await rules.changing(tx, row, patch) : patch
      const changed = await change(tx, kind, id, {
        ...(values as Values<T>),
        version: patch.version,
      })
      await rules.written?.(tx, changed, patch)
      return changed as Stamped
    },
    remove: mayGo
      ? async (tx, id, version) => {
          const row = await find(tx, kind, id)
          await refuseClosed(tx, collection, jobOf(row), {})
          await mayGo(tx, row)
          await remove(tx, kind, id, version)
          await rules.written?.(tx, row)
        }
      : null,
    find: async (tx, id) => (await find(tx, kind, id)) as Stamped,
    list: async (db, query) => {
      const { jobId } = isListed ? OfJob.parse(query) : {}
      if (jobId) {
        const { jobId: column } = kind.table as unknown as { jobId: PgColumn }
        return onePage(await listed(db, kind, eq(column, jobId)))
      }
      const other = rules.list?.(db, query)
      if (other) return other
      const { where, order } = rules.listing?.(query) ?? {}
      return pageOf(db, kind, Paging.parse(query), where, order)
    },
  }
}
