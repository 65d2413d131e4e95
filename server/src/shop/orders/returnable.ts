import { type Returnable, returnable } from '@tembrix/core/shop/orders'
import { and, eq, isNotNull, isNull, or, sql } from 'drizzle-orm'
import { type Database, modules, orders, reservations, returns } from '../../base/database'

/** Parts that a supplier may take back, and that no return has. */
export async function returnableNow(db: Database): Promise<Returnable[]> {
  const lying = await db
    .select({ piece: modules, keptFor: reservations.jobId })
    .from(modules)
    .leftJoin(reservations, eq(reservations.moduleId, modules.id))
    .where(
      and(
        eq(modules.source, 'shelf'),
        isNull(modules.fittedJobId),
        isNull(modules.returnId),
        or(isNotNull(modules.bad), isNotNull(modules.orderedFor)),
      ),
    )
  const wrong = await db
    .select()
    .from(orders)
    .where(sql`${orders.arrived} @? '$[*] ? (@.wrong != "")'`)
  const known = await db.select({ lines: returns.lines }).from(returns)
  const pieces = lying.map(({ piece, keptFor }) => ({
    ...piece,
    keptFor: keptFor === null ? null : { jobId: keptFor, number: 0 },
  }))
  return returnable(pieces, wrong, known)
}
