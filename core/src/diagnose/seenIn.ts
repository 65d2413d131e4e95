import type { Machine } from '../model'
import type { Reading } from '../readings'
import { seatingOf } from '../seats'
import type { Seen } from './expected'

/** What a readout shows of the memory as it is now: GiB in all and by slot, and the rate as printed where it has one. */
export type ReadOut = Pick<Seen, 'totalGiB' | 'slots'> & Partial<Pick<Seen, 'rate'>>

/** Takes it from a readout; null where that shows no memory. Of slots that it does not tell, nothing is said. */
export function seenIn(
  reading: Reading,
  machine: Pick<Machine, 'channels' | 'slots' | 'soldered'>,
): ReadOut | null {
  const { format, modules } = reading
  if (format === 'unknown' || modules.length === 0) return null
  const { seats, empty } = seatingOf(reading, machine)
  const shown: Record<string, number> = Object.fromEntries(empty.map((id) => [id, 0]))
  let totalGiB = 0
  let rate: number | null = null
  modules.forEach(({ module, observed }, at) => {
    const gib = module.capacityGiB ?? 0
    totalGiB += gib
    rate = observed?.printed ?? rate
    const id = seats[at]
    if (id) shown[id] = gib
  })
  return { totalGiB, slots: shown, ...(rate === null ? {} : { rate }) }
}
