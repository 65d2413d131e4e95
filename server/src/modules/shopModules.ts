import type { FormFactor, Generation } from '@tembrix/core/model'
import { and, asc, eq, inArray, isNull, or, sql } from 'drizzle-orm'
import { jobs, modules, plans, reservations, type Transaction } from '../database'

/** The most pieces and offers answered at once. */
const MOST = 20_000

export interface Wanted {
  generation?: Generation | undefined
  formFactor?: FormFactor | undefined
  forJob?: string | undefined
}

/**
 * The shelf and what suppliers sell, each with the job it is kept for, the oldest first. What has left
 * the shelf with a job is there for that job only.
 */
export async function shopModules(
  db: Pick<Transaction, 'select'>,
  { generation, formFactor, forJob }: Wanted,
) {
  const figure = (name: string) => sql`${modules.module}->>${sql.raw(`'${name}'`)}`
  const held = forJob ? await heldBy(db, forJob) : []
  const fitting = and(
    generation ? eq(figure('generation'), generation) : undefined,
    formFactor ? eq(figure('formFactor'), formFactor) : undefined,
  )
  const narrowed = or(
    eq(modules.source, 'shelf'),
    fitting,
    held.length > 0 ? inArray(modules.id, held) : undefined,
  )
  const there = forJob
    ? or(isNull(modules.fittedJobId), eq(modules.fittedJobId, forJob))
    : isNull(modules.fittedJobId)
  const rows = await db
    .select({ module: modules, jobId: reservations.jobId, number: jobs.number })
    .from(modules)
    .leftJoin(reservations, eq(reservations.moduleId, modules.id))
    .leftJoin(jobs, eq(jobs.id, reservations.jobId))
    .where(and(isNull(modules.jobId), there, fitting ? narrowed : undefined))
    .orderBy(asc(modules.firstWrite))
    .limit(MOST)
  return rows.map(({ module, jobId, number }) => ({
    ...module,
    keptFor: jobId !== null && number !== null ? { jobId, number } : null,
  }))
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
