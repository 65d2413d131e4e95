import type { Machine, Slot } from '../model'

const LETTERS = 'ABCDEFGHIJKLMNOP'

/** The machine with this many channels; what sat on one that is gone moves to the first. */
export function withChannels(machine: Machine, count: number): Machine {
  const channels = Array.from(
    { length: count },
    (_, at) => machine.channels[at] ?? (LETTERS[at] as string),
  )
  const home = <T extends { channel: string }>(one: T): T =>
    channels.includes(one.channel) ? one : { ...one, channel: channels[0] as string }
  return {
    ...machine,
    channels,
    slots: machine.slots.map(home),
    soldered: machine.soldered.map(home),
  }
}

/** A further slot, on the channel with the fewest, named after it. */
export function nextSlot({ channels, slots }: Machine): Slot {
  const count = (channel: string) => slots.filter((slot) => slot.channel === channel).length
  const channel = channels.reduce((least, one) => (count(one) < count(least) ? one : least))
  const taken = new Set(slots.map(({ id }) => id))
  let position = count(channel) + 1
  while (taken.has(`${channel}${position}`)) position += 1
  return {
    id: `${channel}${position}`,
    channel,
    position,
    order: null,
    mustFill: false,
    color: null,
  }
}

/**
 * The machine with this many slots: the last that `keep` does not name go first, further ones are
 * added, and they lie as most boards have them, one channel's beside each other. Which to fill first is
 * not known of a board whose slots were counted otherwise, so the order is open.
 */
export function withSlotCount(
  machine: Machine,
  count: number,
  keep: ReadonlySet<string> = new Set(),
): Machine {
  let slots = [...machine.slots]
  if (slots.length === count) return machine
  while (slots.length > count) {
    const gone = slots.findLast(({ id }) => !keep.has(id)) ?? slots.at(-1)
    slots = slots.filter((one) => one !== gone)
  }
  while (slots.length < count) slots.push(nextSlot({ ...machine, slots }))
  return { ...machine, slots: openOrder(inRows(machine, slots)) }
}

/** The machine with slots lettered as they are printed, `A2` on channel A and so on; null where a letter is no channel. */
export function withLettering(machine: Machine, names: readonly string[]): Machine | null {
  const slots = names.flatMap((id): Slot[] => {
    const channel = id[0] as string
    const position = Number(id.slice(1))
    return machine.channels.includes(channel) && position > 0
      ? [{ id, channel, position, order: null, mustFill: false, color: null }]
      : []
  })
  return slots.length === names.length ? { ...machine, slots: inRows(machine, slots) } : null
}

function inRows({ channels }: Machine, slots: readonly Slot[]): Slot[] {
  return slots.toSorted(
    (a, b) => channels.indexOf(a.channel) - channels.indexOf(b.channel) || a.position - b.position,
  )
}

const openOrder = (slots: readonly Slot[]): Slot[] =>
  slots.map((slot) => ({ ...slot, order: null }))
