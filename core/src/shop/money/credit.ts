import type { Module } from '../../things/model'
import type { ModuleRecord } from '../../things/records'

type Sold = Pick<ModuleRecord, 'source' | 'module' | 'price'>

/**
 * What an old module could be taken for, minor units, in whole units of 50: a share of the cheapest
 * price of one like it, on the shelf or else at a supplier; 0 where none is sold or it shares a fault.
 */
export function suggestedCredit(module: Module, shop: readonly Sold[], percent: number): number {
  const priceIn = (source: Sold['source']) =>
    Math.min(
      ...shop.flatMap((one) => {
        const each = one.module.kit && source === 'supplier' ? one.module.kit.size : 1
        return one.source === source && one.price !== null && alike(one.module, module)
          ? [one.price / each]
          : []
      }),
    )
  const shelf = priceIn('shelf')
  const price = Number.isFinite(shelf) ? shelf : priceIn('supplier')
  return Number.isFinite(price) ? Math.floor((price * percent) / 100 / 50) * 50 : 0
}

function alike(a: Module, b: Module): boolean {
  return (
    a.generation === b.generation &&
    a.formFactor === b.formFactor &&
    a.capacityGiB === b.capacityGiB &&
    a.ecc === b.ecc &&
    a.buffering === b.buffering
  )
}
