import { deepEqual, type Machine } from '../model'
import { SOURCED, type Sourced, type Sources } from '../records'

/** A machine's figures and where each comes from. */
export interface Recorded {
  machine: Machine
  sources: Sources
}

const LIMITS = ['totalGiB', 'slotGiB', 'dieGbit', 'osGiB', 'dataRates', 'firmwareDataRate'] as const
type LimitPart = (typeof LIMITS)[number]

const isLimit = (part: Sourced): part is LimitPart => (LIMITS as readonly string[]).includes(part)

/** The part of a machine that a source is kept for; the filling order apart from the slots themselves. */
export function recordPart(machine: Machine, part: Sourced): unknown {
  if (isLimit(part)) return machine.limits[part]
  if (part === 'slots') {
    return {
      channels: machine.channels,
      slots: machine.slots.map(({ order: _, ...slot }) => slot),
    }
  }
  if (part === 'order') return machine.slots.map(({ id, order }) => ({ id, order }))
  return machine[part]
}

/** A machine with one part taken from another. */
export function withPart(machine: Machine, from: Machine, part: Sourced): Machine {
  if (isLimit(part)) {
    return { ...machine, limits: { ...machine.limits, [part]: from.limits[part] } }
  }
  const orders = (of: Machine) => new Map(of.slots.map(({ id, order }) => [id, order]))
  if (part === 'slots') {
    const own = orders(machine)
    const slots = from.slots.map((slot) => ({ ...slot, order: own.get(slot.id) ?? slot.order }))
    return { ...machine, channels: from.channels, slots }
  }
  if (part === 'order') {
    const theirs = orders(from)
    const slots = machine.slots.map((slot) => ({
      ...slot,
      order: theirs.get(slot.id) ?? slot.order,
    }))
    return { ...machine, slots }
  }
  return { ...machine, [part]: from[part] }
}

/** The parts in which two records of a machine differ. */
export function differingParts(a: Machine, b: Machine): Sourced[] {
  return SOURCED.filter((part) => !deepEqual(recordPart(a, part), recordPart(b, part)))
}

/** A record with these parts, and their sources, taken over from what a job found. */
export function merged(record: Recorded, found: Recorded, parts: readonly Sourced[]): Recorded {
  return parts.reduce<Recorded>(
    ({ machine, sources }, part) => ({
      machine: withPart(machine, found.machine, part),
      sources: found.sources[part] ? { ...sources, [part]: found.sources[part] } : sources,
    }),
    record,
  )
}
