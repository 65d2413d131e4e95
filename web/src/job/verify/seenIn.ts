import type { Machine } from '@tembrix/core/model'
import type { Reading } from '@tembrix/core/readings'
import type { Verification } from '@tembrix/core/records'

type Seen = Verification['seen']

/** What a readout of the machine as it is now shows of its memory; null where it shows none. */
export function seenIn(
  { format, modules, machine: board }: Reading,
  { slots }: Machine,
): (Pick<Seen, 'totalGiB' | 'slots'> & Partial<Pick<Seen, 'rate'>>) | null {
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
