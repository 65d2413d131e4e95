import { STARTING_MACHINES } from '@tembrix/core/machines'
import type { Machine } from '@tembrix/core/model'

/** A general machine with a name of its own, and what else differs. */
export function machine(id: string, changes: Partial<Machine> & Pick<Machine, 'name'>): Machine {
  const start = STARTING_MACHINES.find((one) => one.id === id)
  if (!start) throw new Error(`no starting machine ${id}`)
  return { ...start.machine, ...changes }
}
