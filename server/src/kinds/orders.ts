import { randomUUID } from 'node:crypto'
import { arrivals, isOpen, orderRefusal } from '@tembrix/core/shop/orders'
import type { NewOrder, Order, OrderPatch } from '@tembrix/core/things/records'
import { and, eq, inArray, sql } from 'drizzle-orm'
import { z } from 'zod'
import { modules, orders, type Transaction } from '../base/database'
import { HttpError, invalid, whoAsks } from '../base/http'
import { keepOrdered, orderRows, receive, takeBack } from '../shop/orders'
import { readShop } from '../shop/settings'
import type { Rules } from '../things/records'
import { Paging } from '../things/store'

type Lines = z.output<typeof NewOrder>['lines']

const Listed = Paging.extend({
  open: z.literal('1').optional(),
  rows: z.literal('1').optional(),
  today: z.iso.date().optional(),
})

/** What is ordered of suppliers, from what jobs need to the pieces on the shelf. */
export const orderRules: Rules<'orders'> = {
  making: async (tx, { lines, ...order }) => ({
    ...order,
    lines: await linesOf(tx, order.supplier, lines),
    currency: (await readShop(tx)).terms.currency,
  }),
  changing: async (tx, order, { version: _, ...asked }) => {
    const refusal = orderRefusal(order, asked)
    if (refusal) {
      const { code, message, field } = refusal
      throw field ? invalid([{ path: field, message }]) : new HttpError(409, code, message)
    }
    const { arriving, takenBack, lines, ...patch } = asked
    if (arriving) await refuseKnown(tx, order, arriving)
    const left = takenBack
      ? order.arrived.filter(({ id }) => !takenBack.includes(id))
      : order.arrived
    const now = { at: new Date().toISOString(), by: whoAsks(), newId: randomUUID }
    const arrived = [...left, ...arrivals({ ...order, arrived: left }, arriving ?? [], now)]
    const changed = {
      ...patch,
      ...(lines ? { lines: await linesOf(tx, order.supplier, lines) } : {}),
      ...(arriving || takenBack ? { arrived } : {}),
    }
    return { ...changed, open: isOpen({ ...order, ...changed }) }
  },
  written: async (tx, order, patch) => {
    if (patch?.takenBack) await takeBack(tx, order)
    if (patch?.arriving) {
      await receive(
        tx,
        order,
        patch.arriving.map(({ id }) => id),
      )
    }
    await keepOrdered(tx, order)
  },
  removing: async (_, { sent, number }) => {
    if (sent) throw new HttpError(409, 'sent', `Order ${number} is sent; it can be cancelled.`)
  },
  listing: (query) => {
    const { open } = Listed.parse(query)
    return { where: open ? eq(orders.open, true) : undefined, order: BY_NUMBER }
  },
  list: (db, query) => {
    const { open, rows, today, ...paging } = Listed.parse(query)
    if (!rows) return null
    const on = today ?? new Date().toISOString().slice(0, 10)
    return orderRows(db, { open: open === '1', today: on }, paging)
  },
}

const BY_NUMBER = { by: orders.number, descending: true }

/** Lines with the supplier's modules as they are on record. */
async function linesOf(tx: Transaction, supplier: string, lines: Lines): Promise<Order['lines']> {
  const ids = [...new Set(lines.map(({ moduleId }) => moduleId))]
  const rows = ids.length > 0 ? await tx.select().from(modules).where(inArray(modules.id, ids)) : []
  const known = new Map(rows.map((row) => [row.id, row]))
  return lines.map((line, at) => {
    const sold = known.get(line.moduleId)
    if (sold?.source !== 'supplier') {
      throw invalid([{ path: `lines.${at}.moduleId`, message: 'No supplier sells this module.' }])
    }
    if (sold.supplier !== supplier) {
      const message = `This module is sold by ${sold.supplier || 'nobody named'}, not by ${supplier}.`
      throw invalid([{ path: `lines.${at}.moduleId`, message }])
    }
    return { ...line, module: sold.module }
  })
}

/** Refuses a serial number that a piece of the shop's has already. */
async function refuseKnown(
  tx: Transaction,
  { arrived }: Order,
  arriving: NonNullable<OrderPatch['arriving']>,
): Promise<void> {
  const before = new Set(arrived.map(({ id }) => id))
  const fresh = arriving.filter(({ id, wrong }) => !before.has(id) && wrong === '')
  if (fresh.length === 0) return
  const serials = fresh.map(({ serial }) => serial.toLowerCase())
  const known = await tx
    .select({ serial: modules.serialNumber, module: modules.module, fitted: modules.fittedJobId })
    .from(modules)
    .where(and(eq(modules.source, 'shelf'), inArray(sql`lower(${modules.serialNumber})`, serials)))
  const [first] = known
  if (!first) return
  const at = arriving.findIndex(({ serial }) => serial.toLowerCase() === first.serial.toLowerCase())
  const where = first.fitted ? 'was fitted in a job' : 'is on the shelf'
  const message = `${first.serial} ${where} already: ${first.module.article}.`
  throw invalid([{ path: `arriving.${at}.serial`, message }])
}
