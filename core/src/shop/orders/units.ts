import type { Order, OrderLine } from '../../things/records'

/** The units of a job's plan that a line buys, kits whole: `purchase × pieces of the kit` and on. */
export function unitsOf(
  { module, purchases }: Pick<OrderLine, 'module' | 'purchases'>,
  times = purchases.length,
): number[] {
  const size = module.kit?.size ?? 1
  return purchases
    .slice(0, times)
    .flatMap((purchase) => Array.from({ length: size }, (_, at) => purchase * size + at))
}

/** How many purchases of a line the supplier sends: all of them until it has said otherwise. */
export const confirmedTimes = (
  { confirmation }: Pick<Order, 'confirmation'>,
  { id, purchases }: OrderLine,
): number =>
  confirmation === null
    ? purchases.length
    : (confirmation.lines.find(({ lineId }) => lineId === id)?.times ?? 0)

/** A unit of a job's plan that is on order or has come. */
export interface OrderedUnit {
  lineId: string
  jobId: string
  moduleId: string
  unit: number
  pieceId: string | null
  /** When it comes (ISO date); null where the supplier has not said. */
  dueOn: string | null
}

/** What an order stands for: every unit that came, and while it is not cancelled those still to come. */
export function orderedUnits(
  order: Pick<Order, 'lines' | 'confirmation' | 'arrived' | 'cancelled'>,
): OrderedUnit[] {
  return order.lines.flatMap((line) => {
    const { id: lineId, jobId, moduleId } = line
    const came = new Map(
      order.arrived.flatMap(({ lineId, unit, pieceId }) =>
        lineId === line.id && unit !== null && pieceId !== null ? [[unit, pieceId] as const] : [],
      ),
    )
    const dueOn = order.confirmation?.lines.find((one) => one.lineId === lineId)?.dueOn ?? null
    const open = order.cancelled ? [] : unitsOf(line, confirmedTimes(order, line))
    return [...new Set([...came.keys(), ...open])].map((unit) => ({
      lineId,
      jobId,
      moduleId,
      unit,
      pieceId: came.get(unit) ?? null,
      dueOn,
    }))
  })
}
