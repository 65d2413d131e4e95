import {
  MACHINE,
  modulesRead,
  type RunningRate,
  SYSTEM,
  type SystemFigures,
  saidOfSubject,
} from '../../reading/facts'
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
  { format, observations }: Pick<Reading, 'format' | 'observations'>,
  machine: Pick<Machine, 'channels' | 'slots' | 'soldered'>,
): ReadOut | null {
  const modules = modulesRead(observations)
  const shown = clocksIn(saidOfSubject(observations, SYSTEM))
  if (format === 'unknown' || modules.length === 0) {
    return Object.keys(shown).length > 0 ? shown : null
  }
  const { seats, empty } = seatingOf(observations, machine)
  const bySlot: Record<string, number> = Object.fromEntries(empty.map((id) => [id, 0]))
  let totalGiB = 0
  modules.forEach(({ said }, at) => {
    const gib = said.capacityGiB ?? 0
    totalGiB += gib
    const id = seats[at]
    if (id) bySlot[id] = gib
  })
  const [slowest] = modules
    .flatMap(({ said }) => said.runs ?? [])
    .sort((a, b) => a.printed - b.printed)
  return {
    ...shown,
    totalGiB,
    slots: bySlot,
    ...(slowest ? runningAt(slowest) : {}),
    ...(saidOfSubject(observations, MACHINE).errorCorrection === 'none'
      ? { eccActive: false }
      : {}),
  }
}

/** Figures that a setup or a clock tool shows; the rate as it is printed, clock or rate. */
function clocksIn({ shownRate, cl, channels, totalGiB }: Partial<SystemFigures>): ReadOut {
  if (shownRate === undefined && cl === undefined) return {}
  return {
    ...(shownRate === undefined ? {} : { rate: shownRate }),
    ...(cl === undefined ? {} : { cl }),
    ...(channels === undefined ? {} : { ways: channels }),
    ...(totalGiB === undefined ? {} : { totalGiB }),
  }
}

const runningAt = ({ printed, clockOrRate }: RunningRate): Partial<ReadOut> => ({
  rate: printed,
  ...(clockOrRate === 'ambiguous'
    ? {}
    : { memoryClock: Math.round(clockOrRate === 'clock' ? printed : printed / 2) }),
})
