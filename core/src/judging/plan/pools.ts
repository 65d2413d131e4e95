import { grouped, type Machine } from '../../things/model'
import type { Policy } from './request'
import type { Pool } from './search'
import { type Bundle, boughtModule } from './supply'
import { supplyGroupKey } from './supplyGroups'

/**
 * What may be placed together under a policy. Only `matched` has more than one pool: one article each,
 * with no kit or exactly one whole one.
 */
export function poolsOf(machine: Machine, bundles: readonly Bundle[], policy: Policy): Pool[] {
  if (policy !== 'matched') return [{ fixed: [], free: bundles }]
  const soldered = new Map<string, { size: number; count: number }>()
  for (const { module } of machine.soldered) {
    if (!module.kit) continue
    const held = soldered.get(module.kit.id) ?? { size: module.kit.size, count: 0 }
    soldered.set(module.kit.id, { ...held, count: held.count + 1 })
  }
  if (soldered.size > 1) return []
  const slots = machine.slots.length
  const articles = grouped(bundles, ({ module }) => module.article)
  const kept = [...soldered].map(([id, { size, count }]) => ({ id, least: size - count }))
  const nothing: Pool[] = kept.every(({ least }) => least <= 0) ? [{ fixed: [], free: [] }] : []
  return [
    ...nothing,
    ...[...articles.values()].flatMap((alike) => kitPools(alike, kept[0] ?? null, slots)),
  ]
}

/** `soldered` names the kit that soldered banks belong to, and how many of its pieces are missing. */
function kitPools(
  bundles: readonly Bundle[],
  soldered: { id: string; least: number } | null,
  slots: number,
): Pool[] {
  const bought = bundles.filter(({ pieces }) => pieces > 1)
  const single = bundles.filter(({ pieces }) => pieces === 1)
  const free = single.filter(({ module }) => !module.kit)
  const pieces = single
    .filter(({ module }) => module.kit)
    .flatMap((one) => Array<Bundle>(Math.min(one.stock, slots)).fill({ ...one, stock: 1 }))
  const kits = grouped(pieces, ({ module }) => module.kit?.id as string)
  const pools: Pool[] = []
  if (!soldered || soldered.least <= 0) pools.push({ fixed: [], free })
  for (const [id, members] of kits) {
    if (soldered && soldered.id !== id) continue
    const least = soldered ? soldered.least : (members[0]?.module.kit?.size as number)
    for (const fixed of choices(members, Math.max(1, least), slots)) pools.push({ fixed, free })
  }
  if (!soldered) {
    for (const bundle of cheapestAlike(bought)) pools.push({ fixed: [bundle], free })
  }
  return pools
}

/** Of kits alike in everything but price, the first of the cheapest. */
function cheapestAlike(bundles: readonly Bundle[]): Bundle[] {
  const best = new Map<string, Bundle>()
  for (const bundle of bundles) {
    const key = JSON.stringify([bundle.pieces, boughtModule(bundle.module, bundle.pieces, '')])
    const known = best.get(key)
    if (!known || bundle.price < known.price) best.set(key, bundle)
  }
  return [...best.values()]
}

/** Every choice of at least `least` and at most `most` pieces; alike pieces count once. */
function choices(pieces: readonly Bundle[], least: number, most: number): Bundle[][] {
  const alike = grouped(pieces, supplyGroupKey)
  let chosen: Bundle[][] = [[]]
  for (const group of alike.values()) {
    chosen = chosen.flatMap((some) =>
      group.slice(0, most - some.length).reduce<Bundle[][]>(
        (longer, one) => {
          longer.push([...(longer.at(-1) as Bundle[]), one])
          return longer
        },
        [some],
      ),
    )
  }
  return chosen.filter((some) => some.length >= least)
}
