import { nextDue, orderState, piecesOf } from '@tembrix/core/shop/orders'
import type { Order, OrderRow } from '@tembrix/core/things/records'
import { eq, inArray } from 'drizzle-orm'
import { jobs, orders, type Transaction } from '../../base/database'
import { orderKind, type Page, type Paging, pageOf } from '../../things/store'

/** A page of the list of orders, the latest first, each as it stands on the day `today` (ISO date). */
export async function orderRows(
  db: Pick<Transaction, 'select'>,
  { open, today }: { open: boolean; today: string },
  paging: Paging,
): Promise<Page<OrderRow>> {
  const where = open ? eq(orders.open, true) : undefined
  const order = { by: orders.number, descending: true }
  const { rows, next } = await pageOf(db, orderKind, paging, where, order)
  const read = rows as Order[]
  const ids = [...new Set(read.flatMap(({ lines }) => lines.map(({ jobId }) => jobId)))]
  const numbers = new Map(
    ids.length === 0
      ? []
      : (
          await db
            .select({ id: jobs.id, number: jobs.number })
            .from(jobs)
            .where(inArray(jobs.id, ids))
        ).map(({ id, number }) => [id, number] as const),
  )
  return {
    next,
    rows: read.map((one) => ({
      id: one.id,
      number: one.number,
      supplier: one.supplier,
      createdAt: one.createdAt,
      sent: one.sent,
      state: orderState(one, today),
      jobs: [...new Set(one.lines.flatMap(({ jobId }) => numbers.get(jobId) ?? []))].sort(
        (a, b) => a - b,
      ),
      ...piecesOf(one),
      dueOn: nextDue(one),
    })),
  }
}
