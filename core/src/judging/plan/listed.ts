import type { PlanRequest } from './request'
import type { Bundle } from './supply'

/** Modules that may be placed together, and the slots that must stay empty. */
export interface Admitted {
  bundles: readonly Bundle[]
  freeSlots: number
}

/**
 * Splits what is to be searched so that only articles of the maker's list are placed, in no more slots than they were
 * tested with. For each number that something was tested with: all that was tested with as many or more, in at most so
 * many slots. A plan that keeps to the list is among those of the smallest of its articles' numbers, so that together
 * they are all there are. Without a list, everything once.
 */
export function admittedBy(
  { machine, need }: Pick<PlanRequest, 'machine' | 'need'>,
  bundles: readonly Bundle[],
): Admitted[] {
  const { listed, freeSlots = 0 } = need
  if (!listed) return [{ bundles, freeSlots }]
  const tested = new Map<string, number>()
  for (const { article, modules } of listed) {
    tested.set(article, Math.max(modules, tested.get(article) ?? 0))
  }
  const slots = machine.slots.length
  const most = ({ module }: Bundle) => Math.min(slots, tested.get(module.article) ?? 0)
  // With none of them, what is soldered may be a plan by itself.
  const counts = new Set([0, ...bundles.map(most)])
  return [...counts].map((count) => ({
    bundles: count === 0 ? [] : bundles.filter((one) => most(one) >= count),
    freeSlots: Math.max(freeSlots, slots - count),
  }))
}
