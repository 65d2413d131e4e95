import type { JobUnit } from '@tembrix/core/shop/orders'
import type { Order } from '@tembrix/core/things/records'
import { asc, eq } from 'drizzle-orm'
import { orders, type Transaction, unitsOnOrder } from '../../base/database'

/** Units of a job's plans that orders stand for, each with its order, by the orders' numbers. */
export async function jobUnits(db: Pick<Transaction, 'select'>, jobId: string): Promise<JobUnit[]> {
  const rows = await db
    .select({
      unit: unitsOnOrder,
      id: orders.id,
      number: orders.number,
      supplier: orders.supplier,
      sent: orders.sent,
      arrived: orders.arrived,
    })
    .from(unitsOnOrder)
    .innerJoin(orders, eq(orders.id, unitsOnOrder.orderId))
    .where(eq(unitsOnOrder.jobId, jobId))
    .orderBy(asc(orders.number), asc(unitsOnOrder.unit))
  return rows.map(({ unit: { moduleId, unit, pieceId, dueOn, lineId }, ...order }) => ({
    moduleId,
    unit,
    pieceId,
    dueOn,
    order: {
      id: order.id,
      number: order.number,
      supplier: order.supplier,
      sent: order.sent !== null,
    },
    wrong: wrongOf(order.arrived, lineId),
  }))
}

const wrongOf = (arrived: Order['arrived'], lineId: string): string[] =>
  arrived.flatMap((one) => (one.lineId === lineId && one.wrong !== '' ? [one.wrong] : []))
