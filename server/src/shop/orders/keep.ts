import { type OrderedUnit, orderedUnits } from '@tembrix/core/shop/orders'
import { and, eq } from 'drizzle-orm'
import { jobs, orders, type Transaction, unitsOnOrder } from '../../base/database'
import { HttpError } from '../../base/http'
import { find, jobKind, type RecordRow } from '../../things/store'

type Order = RecordRow<typeof orders>

/**
 * Notes which units of jobs' plans an order stands for; to be called in the transaction of every write to it; of one that is removed
 * nothing is left.
 * @throws HttpError 409 `ordered` when another order stands for one of them.
 */
export async function keepOrdered(tx: Transaction, order: Order): Promise<void> {
  const [there] = await tx.select({ id: orders.id }).from(orders).where(eq(orders.id, order.id))
  if (!there) return
  const units = orderedUnits(order)
  for (const id of new Set(units.map(({ jobId }) => jobId))) await find(tx, jobKind, id)
  await tx.delete(unitsOnOrder).where(eq(unitsOnOrder.orderId, order.id))
  if (units.length === 0) return
  const kept = await tx
    .insert(unitsOnOrder)
    .values(units.map((unit) => ({ ...unit, orderId: order.id })))
    .onConflictDoNothing()
    .returning()
  const taken = units.find((unit) => !kept.some((one) => isSame(one, unit)))
  if (!taken) return
  const [other] = await tx
    .select({ job: jobs.number, order: orders.number })
    .from(unitsOnOrder)
    .innerJoin(jobs, eq(jobs.id, unitsOnOrder.jobId))
    .innerJoin(orders, eq(orders.id, unitsOnOrder.orderId))
    .where(
      and(
        eq(unitsOnOrder.jobId, taken.jobId),
        eq(unitsOnOrder.moduleId, taken.moduleId),
        eq(unitsOnOrder.unit, taken.unit),
      ),
    )
  const what = order.lines.find(({ id }) => id === taken.lineId)?.module.article
  throw new HttpError(
    409,
    'ordered',
    `${what} for job ${other?.job} is in order ${other?.order} already.`,
  )
}

type Unit = Pick<OrderedUnit, 'jobId' | 'moduleId' | 'unit'>

const isSame = (a: Unit, b: Unit): boolean =>
  a.jobId === b.jobId && a.moduleId === b.moduleId && a.unit === b.unit
