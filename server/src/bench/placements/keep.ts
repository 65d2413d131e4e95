import type { Assigned } from '@tembrix/core/things/records'
import { eq, inArray, sql } from 'drizzle-orm'
import { jobs, modules, plans, reservations, type Transaction } from '../../base/database'
import { HttpError } from '../../base/http'
import { find, jobKind, listed, moduleKind, type RecordRow } from '../../things/store'

/** The pieces that were ordered for a job. */
export const piecesFor = (tx: Transaction, jobId: string): Promise<RecordRow<typeof modules>[]> =>
  listed(tx, moduleKind, sql`${modules.orderedFor}->>'jobId' = ${jobId}`)

const standsIn = (
  { orderedFor }: Pick<RecordRow<typeof modules>, 'orderedFor'>,
  { moduleId, unit }: Assigned,
): boolean => orderedFor?.moduleId === moduleId && orderedFor.unit === unit

/**
 * Keeps for a job the pieces of the shelf that its plans hold, those that came for what they hold too, and lets go of the others; a closed
 * job keeps none, and what has left the shelf with the job need not be kept. To be called in the transaction of every write to a plan or a job's stage.
 * @throws HttpError 409 `kept` when a piece is another job's already.
 */
export async function keepPieces(tx: Transaction, jobId: string): Promise<void> {
  const { stage } = await find(tx, jobKind, jobId)
  const wanted = stage === 'closed' ? [] : await shelfPieces(tx, jobId)
  const held = await tx.select().from(reservations).where(eq(reservations.jobId, jobId))
  const idle = held.map(({ moduleId }) => moduleId).filter((id) => !wanted.includes(id))
  if (idle.length > 0) await tx.delete(reservations).where(inArray(reservations.moduleId, idle))
  if (wanted.length === 0) return
  await tx
    .insert(reservations)
    .values(wanted.map((moduleId) => ({ moduleId, jobId })))
    .onConflictDoNothing()
  const taken = await tx
    .select({ job: jobs.number, owner: reservations.jobId, module: modules.module })
    .from(reservations)
    .innerJoin(jobs, eq(jobs.id, reservations.jobId))
    .innerJoin(modules, eq(modules.id, reservations.moduleId))
    .where(inArray(reservations.moduleId, wanted))
  const other = taken.find(({ owner }) => owner !== jobId)
  if (other) {
    const { article } = other.module
    throw new HttpError(409, 'kept', `${article} from the shelf is kept for job ${other.job}.`)
  }
}

async function shelfPieces(tx: Transaction, jobId: string): Promise<string[]> {
  const rows = await tx
    .select({ placement: plans.placement })
    .from(plans)
    .where(eq(plans.jobId, jobId))
  const placed = rows.flatMap(({ placement }) => Object.values(placement ?? {}))
  const ids = [...new Set(placed.map(({ moduleId }) => moduleId))]
  if (ids.length === 0) return []
  const came = (await piecesFor(tx, jobId)).filter(
    (piece) => piece.fittedJobId === null && placed.some((one) => standsIn(piece, one)),
  )
  const known = await tx
    .select({ id: modules.id, source: modules.source, fitted: modules.fittedJobId })
    .from(modules)
    .where(inArray(modules.id, ids))
  const ofShelf = known.filter(({ source, fitted }) => source === 'shelf' && fitted === null)
  return [...ofShelf, ...came].map(({ id }) => id)
}
