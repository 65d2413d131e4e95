import type { Observed } from '../../reading/facts'
import type { Reading } from '../../reading/inputs'
import { seatingOf } from '../../reading/seats'
import type { Machine } from '../../things/model'
import type { ShownFigures } from './expected'

/** What a readout shows of the memory as it is now: GiB in all and by slot, and what else it has figures for. */
export type ReadOut = Partial<
  Pick<ShownFigures, 'totalGiB' | 'slots' | 'rate' | 'memoryClock' | 'eccActive' | 'cl' | 'ways'>
>

/**
 * Takes it from a readout; null where that shows no memory. Of slots that it does not tell, nothing is
 * said; nor of the memory clock (MHz) where the printed figure may be clock or rate. A table that says
 * the memory has no error correction says that none is at work; one that names a way of it says only
 * what could be.
 */
export function seenIn(
  reading: Reading,
  machine: Pick<Machine, 'channels' | 'slots' | 'soldered'>,
): ReadOut | null {
  const { format, modules, machine: told, system } = reading
  const shown = clocksIn(system)
  if (format === 'unknown' || modules.length === 0) {
    return Object.keys(shown).length > 0 ? shown : null
  }
  const { seats, empty } = seatingOf(reading, machine)
  const bySlot: Record<string, number> = Object.fromEntries(empty.map((id) => [id, 0]))
  let totalGiB = 0
  modules.forEach(({ module }, at) => {
    const gib = module.capacityGiB ?? 0
    totalGiB += gib
    const id = seats[at]
    if (id) bySlot[id] = gib
  })
  const [slowest] = modules
    .flatMap(({ observed }) => observed ?? [])
    .sort((a, b) => a.printed - b.printed)
  return {
    ...shown,
    totalGiB,
    slots: bySlot,
    ...(slowest ? runningAt(slowest) : {}),
    ...(told?.errorCorrection === 'none' ? { eccActive: false } : {}),
  }
}

/** Figures that a setup or a clock tool shows; the rate as it is printed, clock or rate. */
function clocksIn(system: Reading['system']): ReadOut {
  const { shownRate, cl, channels, totalGiB } = system ?? {}
  if (shownRate === undefined && cl === undefined) return {}
  return {
    ...(shownRate === undefined ? {} : { rate: shownRate }),
    ...(cl === undefined ? {} : { cl }),
    ...(channels === undefined ? {} : { ways: channels }),
    ...(totalGiB === undefined ? {} : { totalGiB }),
  }
}

const runningAt = ({ printed, clockOrRate }: Observed): Partial<ReadOut> => ({
  rate: printed,
  ...(clockOrRate === 'ambiguous'
    ? {}
    : { memoryClock: Math.round(clockOrRate === 'clock' ? printed : printed / 2) }),
})
