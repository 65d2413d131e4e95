import { type Machine, type Module, type Placement, slotChannels } from '../../things/model'

/** A module where it sits: `slot` is null for a soldered bank; one may fill several channels. */
export interface Fitted {
  slot: string | null
  channels: readonly string[]
  module: Module
}

/** Everything in the machine: soldered banks first, then the filled slots in the machine's order. */
export function fittedModules(machine: Machine, placement: Placement): Fitted[] {
  const fitted: Fitted[] = machine.soldered.map(({ channel, module }) => ({
    slot: null,
    channels: [channel],
    module,
  }))
  for (const slot of machine.slots) {
    const module = Object.hasOwn(placement, slot.id) ? placement[slot.id] : null
    if (module) fitted.push({ slot: slot.id, channels: slotChannels(slot), module })
  }
  return fitted
}

export function byChannel(fitted: readonly Fitted[]): Map<string, Module[]> {
  const channels = new Map<string, Module[]>()
  for (const { channels: own, module } of fitted) {
    for (const channel of own) {
      const modules = channels.get(channel)
      if (modules) modules.push(module)
      else channels.set(channel, [module])
    }
  }
  return channels
}

/** GiB on each populated channel. */
export function channelCapacities(fitted: readonly Fitted[]): Map<string, number> {
  const capacities = new Map<string, number>()
  for (const { channels, module } of fitted) {
    for (const channel of channels) {
      const part = module.capacityGiB / channels.length
      capacities.set(channel, (capacities.get(channel) ?? 0) + part)
    }
  }
  return capacities
}

export function slotsOf(fitted: readonly Fitted[]): string[] {
  const slots: string[] = []
  for (const { slot } of fitted) if (slot !== null) slots.push(slot)
  return slots
}

export function totalGiB(fitted: readonly Fitted[]): number {
  let sum = 0
  for (const { module } of fitted) sum += module.capacityGiB
  return sum
}

/** Whether two of these differ in something. */
export function differ(fitted: readonly Fitted[], of: (module: Module) => unknown): boolean {
  const [first] = fitted
  if (!first) return false
  const value = of(first.module)
  return fitted.some(({ module }) => of(module) !== value)
}
