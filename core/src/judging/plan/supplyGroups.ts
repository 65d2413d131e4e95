import { grouped, type Module } from '../../things/model'
import type { Bundle } from './supply'

/** One purchase, or one piece the customer has. */
export interface Unit {
  bundle: Bundle
  group: SupplyGroup
}

/** Bundles alike in everything a plan's figures depend on; they differ in price only. */
export interface SupplyGroup {
  module: Module
  pieces: number
  /** The cheapest, as many as could fit into the machine; rising in price. */
  units: Unit[]
}

/** Gathers bundles into groups; none holds more units than fill `slots`. */
export function supplyGroups(bundles: readonly Bundle[], slots: number): SupplyGroup[] {
  const fitting = bundles.filter(({ pieces }) => pieces <= slots)
  return [...grouped(fitting, supplyGroupKey).values()].map((alike) => {
    const { module, pieces } = alike[0] as Bundle
    const group: SupplyGroup = { module, pieces, units: [] }
    const most = Math.floor(slots / pieces)
    for (const bundle of alike.sort(byPrice)) {
      for (let n = 0; n < bundle.stock && group.units.length < most; n += 1) {
        group.units.push({ bundle, group })
      }
    }
    return group
  })
}

/** What is at hand goes before what must be bought at the same price. */
function byPrice(a: Bundle, b: Bundle): number {
  return a.price - b.price || Number(a.source === 'offer') - Number(b.source === 'offer')
}

/** The same for bundles whose figures are the same in every plan. */
export function supplyGroupKey({ module, pieces }: Bundle): string {
  const { capacityGiB, ranks, buffering, speeds } = module
  const rates = speeds.map(({ kind, dataRate, cl }) => `${kind} ${dataRate} ${cl}`).sort()
  return [pieces, capacityGiB, ranks, buffering, ...rates].join('|')
}
