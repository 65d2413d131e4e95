import type { Arrived, Arriving, Order, OrderLine, ShopModule } from '../../things/records'
import { confirmedTimes, unitsOf } from './units'

/** Pieces as they came, each for the first unit of its line that still waits; those noted before are left out. */
export function arrivals(
  order: Pick<Order, 'lines' | 'confirmation' | 'arrived'>,
  arriving: readonly Arriving[],
  { at, by, newId }: { at: string; by: string; newId: () => string },
): Arrived[] {
  const known = new Set(order.arrived.map(({ id }) => id))
  const taken = new Set(order.arrived.map(({ lineId, unit }) => `${lineId} ${unit}`))
  return arriving
    .filter(({ id }) => !known.has(id))
    .map((one) => {
      const line = order.lines.find(({ id }) => id === one.lineId)
      if (!line || one.wrong !== '') return { ...one, unit: null, pieceId: null, at, by }
      const unit = unitsOf(line, confirmedTimes(order, line)).find(
        (unit) => !taken.has(`${line.id} ${unit}`),
      )
      taken.add(`${line.id} ${unit}`)
      return { ...one, unit: unit ?? null, pieceId: unit === undefined ? null : newId(), at, by }
    })
}

/** What a piece of a purchase is on the shelf: one of a kit of its own, at its share of the price and the cost. */
export function pieceOf(
  order: Pick<Order, 'number' | 'supplier' | 'confirmation'>,
  line: OrderLine,
  {
    unit,
    serial,
    invoice,
    warrantyUntil,
  }: Pick<Arrived, 'unit' | 'serial' | 'invoice' | 'warrantyUntil'>,
): Pick<
  ShopModule,
  | 'module'
  | 'price'
  | 'cost'
  | 'condition'
  | 'serialNumber'
  | 'warrantyUntil'
  | 'supplier'
  | 'invoice'
> {
  const size = line.module.kit?.size ?? 1
  const share = (amount: number | null | undefined) =>
    amount == null ? null : Math.round(amount / size)
  const kit = line.module.kit && {
    id: `${line.module.kit.id} ${order.number}-${Math.floor((unit ?? 0) / size) + 1}`,
    size,
  }
  const confirmed = order.confirmation?.lines.find(({ lineId }) => lineId === line.id)
  return {
    module: { ...line.module, kit },
    price: share(line.price),
    cost: share(confirmed?.cost),
    condition: 'new',
    serialNumber: serial,
    warrantyUntil,
    supplier: order.supplier,
    invoice,
  }
}
