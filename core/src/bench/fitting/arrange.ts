import { fillingOrder } from '../../judging/plan'
import type { Machine } from '../../things/model'
import type { Assignment, Piece } from '../../things/records'

/**
 * The same plan with, on each channel, the larger module in the slot that is filled first: the
 * preferred slots lie best for the signal. No figure of the evaluation changes. Returns the
 * assignment itself where it is so already.
 */
export function largerFirst(
  machine: Machine,
  assignment: Assignment,
  pieces: ReadonlyMap<string, Piece>,
): Assignment {
  const order = fillingOrder(machine)
  const sizeOf = (slot: string) =>
    pieces.get(assignment[slot]?.moduleId ?? '')?.module.capacityGiB ?? 0
  const next = { ...assignment }
  let changed = false
  for (const channel of machine.channels) {
    const slots = order.filter(
      (id) =>
        assignment[id] && machine.slots.some((one) => one.id === id && one.channel === channel),
    )
    const sorted = [...slots].sort((a, b) => sizeOf(b) - sizeOf(a))
    slots.forEach((slot, at) => {
      const from = sorted[at] as string
      if (from === slot) return
      next[slot] = assignment[from] as Assignment[string]
      changed = true
    })
  }
  return changed ? next : assignment
}
