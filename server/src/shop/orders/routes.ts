import { confirmedTimes, purchaseOrder, purchaseSheet } from '@tembrix/core/shop/orders'
import { type Order, Versioned } from '@tembrix/core/things/records'
import { eq, inArray } from 'drizzle-orm'
import { Router } from 'express'
import { z } from 'zod'
import { customers, type Database, jobs } from '../../base/database'
import { HttpError, whoAsks } from '../../base/http'
import type { Records } from '../../things/records'
import { find, idOf, orderKind } from '../../things/store'
import { readShop } from '../settings'
import { answered, type Supplier } from '../supplier'
import { neededLines } from './needed'
import { returnableNow } from './returnable'

/** What is to be ordered, an order as a file, and the supplier whom this program can ask itself. */
export function orderRoutes(db: Database, records: Records, supplier: Supplier): Router {
  const routes = Router()
  const read = (id: string) => db.transaction((tx) => find(tx, orderKind, id)) as Promise<Order>

  routes.get('/needed', async (_request, response) => {
    response.json(await neededLines(db))
  })

  /** Parts that a supplier may take back, and that no return has. */
  routes.get('/returnable', async (_request, response) => {
    response.json(await returnableNow(db))
  })

  routes.get('/:id/jobs', async (request, response) => {
    const { lines } = await read(idOf(request.params))
    const ids = [...new Set(lines.map(({ jobId }) => jobId))]
    const { id, number } = jobs
    response.json(
      await db
        .select({ id, number, customerName: customers.name, phone: customers.phone })
        .from(jobs)
        .innerJoin(customers, eq(customers.id, jobs.customerId))
        .where(inArray(id, ids))
        .orderBy(number),
    )
  })

  routes.get('/:id/file', async (request, response) => {
    const { form } = z
      .object({ form: z.enum(['csv', 'json']).default('json') })
      .parse(request.query)
    const order = await read(idOf(request.params))
    const sheet = await asSent(order)
    response.attachment(`order-${order.number}.${form}`)
    if (form === 'json') response.json(sheet)
    else response.type('text/csv; charset=utf-8').send(`${purchaseSheet(sheet)}\r\n`)
  })

  /**
   * Sends an order to the supplier and takes in what it confirms. It is noted as sent before it is asked, so that
   * its lines stay what they were; asked again after no answer, the supplier takes it for the same order.
   */
  routes.post('/:id/send', async (request, response) => {
    const id = idOf(request.params)
    const { version } = Versioned.parse(request.body)
    const before = await read(id)
    ours(before)
    const sent = before.sent
      ? before
      : ((await db.transaction((tx) =>
          records.change(tx, id, {
            version,
            sent: { at: new Date().toISOString(), by: whoAsks() },
          }),
        )) as unknown as Order)
    await answered(response, async (signal) => {
      const confirmation = await supplier.place(await asSent(sent), signal)
      return db.transaction((tx) => records.change(tx, id, { version: sent.version, confirmation }))
    })
  })

  /** What the supplier says it has put on its way. */
  routes.get('/:id/deliveries', async (request, response) => {
    const order = await read(idOf(request.params))
    ours(order)
    await answered(response, async (signal) => {
      const placed = await asSent(order)
      const lines = placed.lines.map((line, at) => {
        const of = order.lines[at]
        return { ...line, quantity: of ? confirmedTimes(order, of) : line.quantity }
      })
      return order.confirmation
        ? supplier.deliveries(
            { ...placed, lines: lines.filter(({ quantity }) => quantity > 0) },
            signal,
          )
        : []
    })
  })

  function ours({ supplier: name, number }: Order): void {
    if (name === supplier.name) return
    const message = `${name} is not asked by this program: send order ${number} as a file, and enter what they confirm.`
    throw new HttpError(409, 'not_connected', message)
  }

  async function asSent(order: Order) {
    const { terms } = await db.transaction(readShop)
    return purchaseOrder(order, terms, (order.sent?.at ?? new Date().toISOString()).slice(0, 10))
  }

  return routes
}
