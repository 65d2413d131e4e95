import type { FormFactor, Generation } from '@tembrix/core/things/model'
import type { ModuleSource, ShopModule } from '@tembrix/core/things/records'
import { and, eq, getTableColumns, inArray, isNull, or, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import {
  jobs,
  modules,
  OFFER_KIND,
  plans,
  reservations,
  type Transaction,
} from '../../base/database'
import { textMatches } from '../search'
import { afterCursor, cutPage, ordering, type Page, type Paging } from '../store'

export interface ModuleFilter {
  /** The shop's own pieces, or what suppliers sell; both where nothing is said. */
  source?: Exclude<ModuleSource, 'customer'> | undefined
  generation?: Generation | undefined
  formFactor?: FormFactor | undefined
  /** Its plans' pieces too, whatever else is wanted. */
  forJob?: string | undefined
  search: string
}

const {
  searchText: _,
  listId: __,
  returnId: _____,
  firstWrite,
  lastWrite: ___,
  shape: ____,
  ...shown
} = getTableColumns(modules)
const from = alias(jobs, 'taken_from')

/**
 * A page of the shelf and of what suppliers sell, each with the job it is kept for and the one it was
 * taken out at, the oldest first. What has left the shelf with a job is there for that job only.
 */
export async function shopModules(
  db: Pick<Transaction, 'select'>,
  { source, generation, formFactor, forJob, search }: ModuleFilter,
  paging: Paging,
): Promise<Page<ShopModule>> {
  const held = forJob ? await heldBy(db, forJob) : []
  const wanted = and(
    source ? eq(modules.source, source) : inArray(modules.source, ['shelf', 'supplier']),
    generation && formFactor ? eq(OFFER_KIND, `${generation} ${formFactor}`) : undefined,
    textMatches(modules.searchText, search),
  )
  const there = forJob
    ? or(isNull(modules.fittedJobId), eq(modules.fittedJobId, forJob))
    : isNull(modules.fittedJobId)
  const order = { by: firstWrite }
  const rows = await db
    .select({
      module: shown,
      firstWrite,
      jobId: reservations.jobId,
      number: jobs.number,
      fromJob: from.number,
    })
    .from(modules)
    .leftJoin(reservations, eq(reservations.moduleId, modules.id))
    .leftJoin(jobs, eq(jobs.id, reservations.jobId))
    .leftJoin(from, eq(from.id, modules.fromJobId))
    .where(
      and(
        sql`${modules.jobId} is null`,
        isNull(modules.returnId),
        there,
        held.length > 0 ? or(wanted, inArray(modules.id, held)) : wanted,
        afterCursor(order, modules.id, paging),
      ),
    )
    .orderBy(...ordering(order, modules.id))
    .limit(paging.limit + 1)
  return cutPage(
    rows.map(({ module, firstWrite, jobId, number, fromJob }) => ({
      row: {
        ...module,
        keptFor: jobId !== null && number !== null ? { jobId, number } : null,
        fromJob,
      },
      cursor: [firstWrite, module.id] as const,
    })),
    paging,
  )
}

async function heldBy(db: Pick<Transaction, 'select'>, jobId: string): Promise<string[]> {
  const rows = await db
    .select({ placement: plans.placement })
    .from(plans)
    .where(eq(plans.jobId, jobId))
  return rows.flatMap(({ placement }) =>
    Object.values(placement ?? {}).map(({ moduleId }) => moduleId),
  )
}
