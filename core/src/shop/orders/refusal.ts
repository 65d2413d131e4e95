import type { Order, OrderPatch } from '../../things/records'
import { lineStanding } from './state'

/** Why a change is refused: a code, a sentence, and the field where one is at fault. */
export interface OrderRefusal {
  code:
    | 'sent'
    | 'not_sent'
    | 'confirmed'
    | 'cancelled'
    | 'delivered'
    | 'line'
    | 'more_than_ordered'
    | 'twice'
  message: string
  field: string | null
}

const refuse = (
  code: OrderRefusal['code'],
  message: string,
  field: string | null = null,
): OrderRefusal => ({ code, message, field })

/**
 * What forbids a change to an order; null where nothing does. Lines change until it is sent. The supplier
 * confirms once, and no more than was ordered. What comes belongs to a line that still waits for a piece; a
 * piece noted before (by the id of its arrival) is no second one.
 */
export function orderRefusal(
  order: Order,
  { sent, confirmation, arriving, takenBack, cancelled, lines, note }: Omit<OrderPatch, 'version'>,
): OrderRefusal | null {
  const name = `Order ${order.number}`
  if (order.cancelled && (sent || confirmation || cancelled || lines || note !== undefined)) {
    return refuse('cancelled', `${name} is cancelled.`)
  }
  if (order.sent && lines) return refuse('sent', `${name} is sent; its lines stay as they are.`)
  if (order.sent && sent) return refuse('sent', `${name} is sent already.`)
  if (sent && (lines ?? order.lines).length === 0) {
    return refuse('line', 'There is nothing to order.', 'lines')
  }
  if (!order.sent && (confirmation || arriving)) {
    return refuse('not_sent', `${name} is not sent yet.`)
  }
  if (confirmation) {
    if (order.confirmation) {
      const { reference } = order.confirmation
      return refuse('confirmed', `${name} is confirmed already${reference && `, as ${reference}`}.`)
    }
    const fault = confirmationFault(order, confirmation)
    if (fault) return fault
  }
  if (cancelled && isAllHere(order)) return refuse('delivered', `Everything of ${name} is here.`)
  const here = new Set(order.arrived.map(({ id }) => id))
  const gone = takenBack?.findIndex((id) => !here.has(id)) ?? -1
  if (gone >= 0) return refuse('line', 'No such piece came with this order.', `takenBack.${gone}`)
  return arriving ? arrivingFault(order, arriving) : null
}

const isAllHere = (order: Order): boolean =>
  order.arrived.length > 0 &&
  order.lines.every((line) => {
    const { here, confirmed } = lineStanding(order, line)
    return here >= confirmed
  })

function confirmationFault(
  { lines }: Order,
  confirmation: NonNullable<OrderPatch['confirmation']>,
): OrderRefusal | null {
  const seen = new Set<string>()
  for (const [at, { lineId, times }] of confirmation.lines.entries()) {
    const field = `confirmation.lines.${at}`
    const line = lines.find(({ id }) => id === lineId)
    if (!line) return refuse('line', 'The order has no such line.', `${field}.lineId`)
    if (seen.has(lineId)) return refuse('twice', 'This line is confirmed twice.', `${field}.lineId`)
    seen.add(lineId)
    if (times > line.purchases.length) {
      const message = `Ordered are ${line.purchases.length}, not ${times}.`
      return refuse('more_than_ordered', message, `${field}.times`)
    }
  }
  return null
}

function arrivingFault(
  order: Order,
  arriving: NonNullable<OrderPatch['arriving']>,
): OrderRefusal | null {
  const known = new Set(order.arrived.map(({ id }) => id))
  const serials = new Set(order.arrived.map(({ serial }) => serial.toLowerCase()))
  const coming = new Map<string, number>()
  for (const [at, { id, lineId, serial, wrong }] of arriving.entries()) {
    if (known.has(id)) continue
    const field = `arriving.${at}`
    const line = order.lines.find((one) => one.id === lineId)
    if (!line) return refuse('line', 'The order has no such line.', `${field}.lineId`)
    if (serials.has(serial.toLowerCase())) {
      return refuse('twice', `${serial} is noted already.`, `${field}.serial`)
    }
    serials.add(serial.toLowerCase())
    if (wrong !== '') continue
    const { here, confirmed, ordered } = lineStanding(order, line)
    const open = (order.confirmation ? confirmed : ordered) - here
    coming.set(lineId, (coming.get(lineId) ?? 0) + 1)
    if ((coming.get(lineId) ?? 0) > open) {
      const message = `${line.module.article}: ${here} of ${here + open} are here; this is one more than was ordered.`
      return refuse('more_than_ordered', message, `${field}.serial`)
    }
  }
  return null
}
