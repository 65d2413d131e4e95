import type { Order, OrderLine } from '../../things/records'
import { confirmedTimes, unitsOf } from './units'

export const ORDER_STATES = [
  'draft',
  'sent',
  'confirmed',
  'late',
  'part',
  'delivered',
  'refused',
  'cancelled',
] as const
/** `part`: some pieces have come; `late`: a day the supplier named is over and pieces are missing. */
export type OrderState = (typeof ORDER_STATES)[number]

/** What has become of a line: pieces ordered, to come by what the supplier says, and here. */
export interface LineStanding {
  ordered: number
  confirmed: number
  here: number
  /** Wrong parts that came for it. */
  wrong: number
}

export function lineStanding(
  order: Pick<Order, 'confirmation' | 'arrived'>,
  line: OrderLine,
): LineStanding {
  const of = order.arrived.filter(({ lineId }) => lineId === line.id)
  return {
    ordered: unitsOf(line).length,
    confirmed: unitsOf(line, confirmedTimes(order, line)).length,
    here: of.filter(({ wrong }) => wrong === '').length,
    wrong: of.filter(({ wrong }) => wrong !== '').length,
  }
}

type Standing = Pick<Order, 'lines' | 'sent' | 'confirmation' | 'arrived' | 'cancelled'>

/** What has become of an order on the day `today` (ISO date). */
export function orderState(order: Standing, today: string): OrderState {
  const lines = order.lines.map((line) => ({ line, ...lineStanding(order, line) }))
  const here = lines.some((one) => one.here > 0)
  if (order.cancelled) return 'cancelled'
  if (!order.sent) return 'draft'
  if (order.confirmation && lines.every(({ confirmed }) => confirmed === 0) && !here)
    return 'refused'
  const open = lines.filter((one) => one.here < one.confirmed)
  if (open.length === 0) return 'delivered'
  const due = open.map(({ line }) => dueOf(order, line))
  if (due.some((on) => on !== null && on < today)) return 'late'
  if (here) return 'part'
  return order.confirmation ? 'confirmed' : 'sent'
}

const dueOf = ({ confirmation }: Pick<Order, 'confirmation'>, { id }: OrderLine): string | null =>
  confirmation?.lines.find(({ lineId }) => lineId === id)?.dueOn ?? null

/** Whether anything of an order is still to be sent or to come. */
export const isOpen = (order: Standing): boolean =>
  !['delivered', 'refused', 'cancelled'].includes(orderState(order, ''))

/** The first day on which something that has not come is due (ISO date); null where nothing is, or nobody has said. */
export function nextDue(order: Standing): string | null {
  if (order.cancelled) return null
  const days = order.lines.flatMap((line) => {
    const { here, confirmed } = lineStanding(order, line)
    return here < confirmed ? (dueOf(order, line) ?? []) : []
  })
  return days.sort()[0] ?? null
}

/** Pieces that came and that are to come in all, wrong parts left out. */
export function piecesOf(order: Standing): { here: number; pieces: number } {
  const lines = order.lines.map((line) => lineStanding(order, line))
  const sum = (of: (line: LineStanding) => number) => lines.reduce((all, one) => all + of(one), 0)
  return { here: sum(({ here }) => here), pieces: sum(({ confirmed }) => confirmed) }
}

/** What an order costs and what customers pay for it, minor units, for what is confirmed; null where a figure is missing. */
export function orderSums(order: Standing): { cost: number | null; price: number | null } {
  const sum = (of: (line: OrderLine) => number | null | undefined): number | null =>
    order.lines.reduce<number | null>((all, line) => {
      const times = confirmedTimes(order, line)
      const each = of(line)
      if (times === 0) return all
      return all === null || each == null ? null : all + each * times
    }, 0)
  const costs = new Map(order.confirmation?.lines.map(({ lineId, cost }) => [lineId, cost]))
  return { cost: sum(({ id }) => costs.get(id)), price: sum(({ price }) => price) }
}
