import { arrivals, isOpen } from '@tembrix/core/shop/orders'
import type { Confirmation, NeededLine, Order } from '@tembrix/core/things/records'
import { addDays, formatISO, subDays } from 'date-fns'
import type { Transaction } from '../base/database'
import { keepOrdered, neededLines, receive } from '../shop/orders'
import { SUPPLIER_NAME } from '../shop/supplier'
import { change, create, orderKind } from '../things/store'
import { DEMO_SHOP } from './shop'

/** How an order of the demonstration went: days since it was sent, days from today it is due, pieces that came. */
interface Went {
  ago: number
  due: number
  here: number
}

/** Whose parts are on order; those of others are still to be ordered. */
const ORDERED: Record<string, Went> = {
  'Wheelbridge Reading Room': { ago: 3, due: 1, here: 5 },
  'Abel Norcott': { ago: 6, due: -1, here: 0 },
}

/** Orders on their way: one of which a part came, one that is late. */
export async function seedOrders(tx: Transaction): Promise<void> {
  const needed = await neededLines(tx)
  for (const [name, went] of Object.entries(ORDERED)) {
    const lines = needed.filter(({ customerName }) => customerName === name)
    await seedOrder(tx, lines, went)
  }
}

async function seedOrder(
  tx: Transaction,
  needed: readonly NeededLine[],
  { ago, due, here }: Went,
): Promise<void> {
  const today = new Date()
  const at = subDays(today, ago).toISOString()
  const lines = needed.map(({ jobId, moduleId, module, purchases, price }) => ({
    id: crypto.randomUUID(),
    ...{ jobId, moduleId, module, purchases, price },
  }))
  const { currency } = DEMO_SHOP.terms
  const { row } = await create(tx, orderKind, {
    supplier: SUPPLIER_NAME,
    currency,
    lines,
    note: '',
  })
  const confirmation: Confirmation = {
    at,
    reference: `MP-${2200 + row.number}`,
    lines: lines.map(({ id, purchases, price }) => ({
      lineId: id,
      times: purchases.length,
      cost: price && Math.round(price * 0.78),
      dueOn: formatISO(addDays(today, due), { representation: 'date' }),
      why: '',
    })),
  }
  const pieces = lines
    .flatMap(({ id, purchases, module }) =>
      purchases.flatMap(() => Array.from({ length: module.kit?.size ?? 1 }, () => id)),
    )
    .slice(0, here)
    .map((lineId, n) => ({
      id: crypto.randomUUID(),
      lineId,
      serial: `QN-6${row.number}${String(n + 1).padStart(3, '0')}`,
      invoice: `D-${4410 + row.number}`,
      warrantyUntil: formatISO(addDays(today, 730), { representation: 'date' }),
      wrong: '',
    }))
  const by = { at: subDays(today, 1).toISOString(), by: 'Mika', newId: () => crypto.randomUUID() }
  const arrived = arrivals({ ...row, confirmation }, pieces, by)
  const sent = { ...row, sent: { at, by: 'Mika' }, confirmation, arrived } satisfies Order
  const order = await change(tx, orderKind, row.id, {
    ...{ version: row.version, sent: sent.sent, confirmation, arrived },
    open: isOpen(sent),
  })
  await receive(
    tx,
    order,
    arrived.map(({ id }) => id),
  )
  await keepOrdered(tx, order)
}
