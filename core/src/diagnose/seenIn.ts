import type { Machine } from '../model'
import type { Reading } from '../readings'
import type { Seen } from './expected'

/** What a readout shows of the memory as it is now: GiB in all and by slot, and the rate as printed where it has one. */
export type ReadOut = Pick<Seen, 'totalGiB' | 'slots'> & Partial<Pick<Seen, 'rate'>>

/** Takes it from a readout; null where that shows no memory. Slots go by their names, however they are spelt. */
export function seenIn(
  { format, modules, machine: board }: Reading,
  { slots }: Pick<Machine, 'slots'>,
): ReadOut | null {
  if (format === 'unknown' || modules.length === 0) return null
  const ids = new Map(slots.map(({ id }) => [id.toLowerCase(), id]))
  const shown: Record<string, number> = {}
  for (const { locator } of board?.slots ?? []) {
    const id = ids.get(locator.toLowerCase())
    if (id) shown[id] = 0
  }
  let totalGiB = 0
  let rate: number | null = null
  for (const { slot, module, observed } of modules) {
    const gib = module.capacityGiB ?? 0
    totalGiB += gib
    rate = observed?.printed ?? rate
    const id = ids.get(slot?.locator.toLowerCase() ?? '')
    if (id) shown[id] = gib
  }
  return { totalGiB, slots: shown, ...(rate === null ? {} : { rate }) }
}
