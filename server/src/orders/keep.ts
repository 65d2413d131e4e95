import { orderedUnits } from '@tembrix/core/orders'
import { and, eq, inArray, ne } from 'drizzle-orm'
import { jobs, orders, type Transaction, unitsOnOrder } from '../database'
import { HttpError } from '../http'
import { find, jobKind, type Row } from '../store'

type Order = Row<typeof orders>

/**
 * Notes which units of jobs' plans an order stands for; to be called in the transaction of every write to it; of one that is removed
 * nothing is left.
 * @throws HttpError 409 `ordered` when another order stands for one of them.
 */
export async function keepOrdered(tx: Transaction, order: Order): Promise<void> {
  const [there] = await tx.select({ id: orders.id }).from(orders).where(eq(orders.id, order.id))
  if (!there) return
  const units = orderedUnits(order)
  const jobIds = [...new Set(units.map(({ jobId }) => jobId))]
  for (const id of jobIds) await find(tx, jobKind, id)
  await tx.delete(unitsOnOrder).where(eq(unitsOnOrder.orderId, order.id))
  if (units.length === 0) return
  await tx
    .insert(unitsOnOrder)
    .values(units.map((unit) => ({ ...unit, orderId: order.id })))
    .onConflictDoNothing()
  const [other] = await tx
    .select({ unit: unitsOnOrder, job: jobs.number, order: orders.number })
    .from(unitsOnOrder)
    .innerJoin(jobs, eq(jobs.id, unitsOnOrder.jobId))
    .innerJoin(orders, eq(orders.id, unitsOnOrder.orderId))
    .where(
      and(
        inArray(unitsOnOrder.jobId, jobIds),
        ne(unitsOnOrder.orderId, order.id),
        inArray(
          unitsOnOrder.moduleId,
          units.map(({ moduleId }) => moduleId),
        ),
      ),
    )
    .then((rows) =>
      rows.filter(({ unit }) =>
        units.some(
          (one) =>
            one.jobId === unit.jobId && one.moduleId === unit.moduleId && one.unit === unit.unit,
        ),
      ),
    )
  if (!other) return
  const line = order.lines.find(({ moduleId }) => moduleId === other.unit.moduleId)
  const what = line?.module.article ?? 'This'
  throw new HttpError(
    409,
    'ordered',
    `${what} for job ${other.job} is in order ${other.order} already.`,
  )
}
