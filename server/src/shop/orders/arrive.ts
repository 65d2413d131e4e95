import { pieceOf } from '@tembrix/core/shop/orders'
import { eq } from 'drizzle-orm'
import {
  modules,
  type orders,
  reservations,
  type Transaction,
  unitsOnOrder,
} from '../../base/database'
import { HttpError } from '../../base/http'
import { keepPieces } from '../../bench/placements'
import { create, moduleKind, type RecordRow, remove } from '../../things/store'

type Order = RecordRow<typeof orders>

/** Puts what came with an order, by the ids of its arrivals, on the shelf, kept for the jobs it was ordered for. */
export async function receive(
  tx: Transaction,
  order: Order,
  ids: readonly string[],
): Promise<void> {
  const jobs = new Set<string>()
  for (const arrived of order.arrived.filter(({ id }) => ids.includes(id))) {
    const { lineId, unit, pieceId } = arrived
    const line = order.lines.find(({ id }) => id === lineId)
    if (!line || unit === null || pieceId === null) continue
    const { jobId, moduleId } = line
    const { fresh } = await create(tx, moduleKind, {
      id: pieceId,
      source: 'shelf',
      note: '',
      ...pieceOf(order, line, arrived),
      orderedFor: { jobId, moduleId, unit },
    })
    if (fresh) jobs.add(jobId)
  }
  for (const jobId of jobs) await keepPieces(tx, jobId)
}

/**
 * Takes from the shelf what an order no longer says has come.
 * @throws HttpError 409 `gone` when such a piece has left the shelf with a job, or another job's plans hold it.
 */
export async function takeBack(tx: Transaction, order: Order): Promise<void> {
  const kept = new Set(order.arrived.flatMap(({ pieceId }) => pieceId ?? []))
  const came = await tx
    .select({ piece: modules, keptFor: reservations.jobId })
    .from(unitsOnOrder)
    .innerJoin(modules, eq(modules.id, unitsOnOrder.pieceId))
    .leftJoin(reservations, eq(reservations.moduleId, modules.id))
    .where(eq(unitsOnOrder.orderId, order.id))
  for (const { piece, keptFor } of came) {
    if (kept.has(piece.id)) continue
    if (piece.fittedJobId || (keptFor && keptFor !== piece.orderedFor?.jobId)) {
      throw new HttpError(409, 'gone', `${piece.serialNumber} is in use already.`)
    }
    await remove(tx, moduleKind, piece.id, piece.version)
  }
}
