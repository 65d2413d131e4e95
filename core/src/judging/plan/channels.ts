import type { Machine } from '../../things/model'
import { ratingAt } from '../evaluate'
import type { LoadRating } from './conditions'

/** Modules alike in what a channel sees of them. */
export interface ModuleClass {
  capacityGiB: number
  /** The fewest ranks that the rating rows do not tell from the real ones. */
  ranks: number
}

/** A channel with its slots in the order they are filled, and what is soldered to it. */
interface Channel {
  name: string
  slots: string[]
  /** How many slots, the first ones, must be filled. */
  must: number
  solderedGiB: number
  soldered: number
  solderedRanks: number
  /** Alike for channels that differ in name only. */
  likeness: string
}

export interface Channels {
  machine: Machine
  channels: Channel[]
  slotCount: number
  /** The most slots a channel has. */
  mostSlots: number
  solderedGiB: number
  /** Channels that have a slot or something soldered. */
  populatable: number
  /** Every slot's place in the filling order. */
  places: Map<string, number>
  /** What a channel with so many modules of at most so many ranks is rated for, MT/s. */
  rating: (modules: number, ranks: number) => number
}

/** How modules lie on the channels: classes by channel, as positions in the list of classes, largest first. */
export interface Spread {
  /** How many times one channel's peak the whole memory streams at. */
  ratio: number
  byChannel: number[][]
}

/** The channels of a machine as the planner sees them. */
export function channelsOf(machine: Machine): Channels {
  const order = fillingOrder(machine)
  const places = new Map(order.map((id, at) => [id, at]))
  const mustFill = machine.soldered.length === 0
  const channels = machine.channels
    .map((name): Channel => {
      const banks = machine.soldered.filter((bank) => bank.channel === name)
      const own = order.flatMap((id) =>
        machine.slots.filter((s) => s.id === id && s.channel === name),
      )
      const must = mustFill ? own.filter((slot) => slot.mustFill) : []
      const slots = [...must, ...own.filter((slot) => !must.includes(slot))].map(({ id }) => id)
      const solderedGiB = banks.reduce((sum, { module }) => sum + module.capacityGiB, 0)
      const solderedRanks = Math.max(
        0,
        ...banks.map(({ module }) => ranksSeen(machine, module.ranks)),
      )
      const likeness = [slots.length, must.length, solderedGiB, banks.length, solderedRanks].join()
      const soldered = banks.length
      return { name, slots, must: must.length, solderedGiB, soldered, solderedRanks, likeness }
    })
    .filter(({ slots, soldered }) => slots.length + soldered > 0)
    .sort((a, b) => a.likeness.localeCompare(b.likeness) || firstPlace(a) - firstPlace(b))
  function firstPlace({ slots }: Channel): number {
    return places.get(slots[0] ?? '') ?? 0
  }
  return {
    machine,
    channels,
    slotCount: machine.slots.length,
    mostSlots: Math.max(0, ...channels.map(({ slots }) => slots.length)),
    solderedGiB: channels.reduce((sum, channel) => sum + channel.solderedGiB, 0),
    populatable: channels.length,
    places,
    rating: remembered((modules, ranks) => ratingAt(machine, modules, ranks)),
  }
}

function remembered(rating: Channels['rating']): Channels['rating'] {
  const known = new Map<number, number>()
  return (modules, ranks) => {
    const key = modules * 64 + ranks
    const held = known.get(key) ?? rating(modules, ranks)
    known.set(key, held)
    return held
  }
}

/** Slot ids by the maker's order; those without one after them as the machine lists them. */
export function fillingOrder(machine: Machine): string[] {
  return machine.slots
    .map(({ id, order }, at) => ({ id, order: order ?? Infinity, at }))
    .sort((a, b) => (a.order === b.order ? a.at - b.at : a.order - b.order))
    .map(({ id }) => id)
}

/** The fewest ranks that reach the same rating rows. */
export function ranksSeen(machine: Machine, ranks: number): number {
  const reached = machine.limits.dataRates.map((row) => row.ranks).filter((own) => own <= ranks)
  return Math.max(1, ...reached)
}

/** Whether a spread must put the same capacity on every channel. */
export type Evenness = 'any' | 'even'

/**
 * The best spread of so many modules of each class over the channels under a load, or null where
 * there is none. With `settle`, of equally good ones the one that fills the earliest slots, at more
 * effort; without it any of them.
 */
export function spread(
  of: Channels,
  classes: readonly ModuleClass[],
  counts: readonly number[],
  { least, exactly }: LoadRating,
  evenness: Evenness,
  settle: ((byChannel: number[][], than: number[][]) => boolean) | null = null,
): Spread | null {
  const { machine, channels, solderedGiB, populatable, rating: ratingOf } = of
  const left = [...counts]
  let pieces = 0
  let total = solderedGiB
  counts.forEach((count, at) => {
    pieces += count
    total += count * (classes[at] as ModuleClass).capacityGiB
  })
  const share = total / populatable
  const slotsAfter = new Array<number>(channels.length + 1).fill(0)
  for (let at = channels.length - 1; at >= 0; at -= 1) {
    slotsAfter[at] = (slotsAfter[at + 1] as number) + (channels[at] as Channel).slots.length
  }
  const chosen: number[][] = []
  let best: Spread | null = null
  const bestPossible = ratioBound(of, classes, counts)

  function cap(at: number): number {
    return (classes[at] as ModuleClass).capacityGiB
  }

  /** Returns true when nothing better can come. */
  function fill(at: number, largest: number, populated: number, decided: boolean): boolean {
    const channel = channels[at]
    if (!channel) {
      if (pieces > 0 || populated === 0 || (exactly && !decided)) return false
      return keep(largest, populated)
    }
    return take(at, channel, 0, [], channel.solderedGiB, channel.solderedRanks, {
      largest,
      populated,
      decided,
    })
  }

  function keep(largest: number, populated: number): boolean {
    const even = largest * populated === total
    const ratio = machine.interleave === 'flex' ? total / largest : even ? populated : 1
    const better =
      !best ||
      ratio > best.ratio ||
      (settle !== null && ratio === best.ratio && settle(chosen, best.byChannel))
    if (better) best = { ratio, byChannel: chosen.map((list) => [...list]) }
    return settle === null && best !== null && best.ratio >= bestPossible
  }

  function take(
    at: number,
    channel: Channel,
    from: number,
    list: number[],
    gib: number,
    ranks: number,
    so: { largest: number; populated: number; decided: boolean },
  ): boolean {
    if (evenness === 'even' && gib > share) return false
    const largest = Math.max(so.largest, gib)
    if (best && (settle ? total / largest < best.ratio : total / largest <= best.ratio))
      return false
    if (mayClose(at, channel, list, gib)) {
      const held = list.length + channel.soldered
      const rating = held > 0 ? ratingOf(held, ranks) : Infinity
      if (rating >= least) {
        chosen.push(list)
        const done = fill(
          at + 1,
          largest,
          so.populated + (held > 0 ? 1 : 0),
          so.decided || rating === least,
        )
        chosen.pop()
        if (done) return true
      }
    }
    if (list.length === channel.slots.length) return false
    // A channel's first module is tried from the largest, the others from the smallest: that is where
    // even spreads lie.
    for (let n = from; n < left.length; n += 1) {
      const next = list.length === 0 ? n : left.length - 1 - (n - from)
      if (!left[next]) continue
      left[next] = (left[next] as number) - 1
      pieces -= 1
      list.push(next)
      const done = take(
        at,
        channel,
        next,
        list,
        gib + cap(next),
        Math.max(ranks, (classes[next] as ModuleClass).ranks),
        so,
      )
      list.pop()
      pieces += 1
      left[next] = (left[next] as number) + 1
      if (done) return true
    }
    return false
  }

  function mayClose(at: number, channel: Channel, list: readonly number[], gib: number): boolean {
    if (list.length < channel.must) return false
    if (pieces > (slotsAfter[at + 1] as number)) return false
    if (evenness === 'even' && gib !== share) return false
    const previous = channels[at - 1]
    const before = chosen.at(-1)
    if (!before || previous?.likeness !== channel.likeness) return true
    // Of channels that differ in name only, the first one holds no less: the others are mirror images.
    if (before.length !== list.length) return settle !== null || before.length > list.length
    return before.every((one, n) => one === list[n]) || earlier(before, list)
  }

  fill(0, 0, 0, false)
  return best
}

function earlier(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((one, n) => one !== b[n])
  return (a[at] as number) < (b[at] as number)
}

/** The most times one channel's peak that so many modules of each class could bring, spread at best. */
export function ratioBound(
  { channels, populatable, solderedGiB, mostSlots }: Channels,
  classes: readonly ModuleClass[],
  counts: readonly number[],
): number {
  const sizes: number[] = []
  let total = solderedGiB
  counts.forEach((count, at) => {
    const { capacityGiB } = classes[at] as ModuleClass
    total += count * capacityGiB
    for (let n = 0; n < count; n += 1) sizes.push(capacityGiB)
  })
  const placed = sizes.length
  for (const channel of channels) if (channel.soldered > 0) sizes.push(channel.solderedGiB)
  sizes.sort((a, b) => b - a)
  const size = (at: number) => sizes[at] ?? 0
  // Of one more modules than channels two share a channel.
  let fullest = Math.max(size(0), size(populatable - 1) + size(populatable), total / populatable)
  if (mostSlots <= 2 && sizes.length === placed) {
    // With two slots a channel nothing beats the largest beside the smallest.
    const all = 2 * populatable
    for (let at = 0; at < populatable; at += 1) {
      fullest = Math.max(fullest, size(at) + size(all - 1 - at))
    }
  }
  return Math.min(sizes.length, total / fullest)
}

/** The slots a spread fills, as places in the filling order, rising. */
export function placesFilled(
  { channels, places }: Channels,
  byChannel: readonly number[][],
): number[] {
  return byChannel
    .flatMap((list, at) => (channels[at] as Channel).slots.slice(0, list.length))
    .map((id) => places.get(id) as number)
    .sort((a, b) => a - b)
}

/** Whether one list of places comes before another. */
export function comesFirst(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((place, n) => place !== b[n])
  return at >= 0 && (a[at] as number) < (b[at] as number)
}
