import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import type { Machine } from '@tembrix/core/things/model'

/** A general machine with a name of its own, and what else differs. */
export function machine(id: string, changes: Partial<Machine> & Pick<Machine, 'name'>): Machine {
  const start = STARTING_MACHINES.find((one) => one.id === id)
  if (!start) throw new Error(`no starting machine ${id}`)
  return { ...start.machine, ...changes }
}

/** A laptop of the neighbourhood whose firmware stops below what its processor is rated for. */
export function heron(name: string): Machine {
  const made = machine('laptop-2', { name })
  return { ...made, limits: { ...made.limits, firmwareDataRate: 2666 } }
}

/** The same, of the series that does not start with its first slot empty. */
export function heron15(): Machine {
  const made = heron('Heron 15')
  const slots = made.slots.map((slot, at) => ({ ...slot, mustFill: at === 0 }))
  return { ...made, slots }
}

/** A tower whose controller follows the memory clock up to 6000 MT/s. */
export const kestrel = (): Machine =>
  machine('desktop-4-apart', { name: 'Kestrel Tower', syncCeiling: 6000 })
