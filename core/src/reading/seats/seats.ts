import type { Machine, Slot } from '../../things/model'
import { slotChannels } from '../../things/model'
import {
  type ListedSlot,
  MACHINE,
  modulesRead,
  type Observation,
  type SlotName,
  type Subject,
  saidOfSubject,
} from '../facts'
import { isSoldered } from '../inputs'

type Layout = Pick<Machine, 'channels' | 'slots' | 'soldered'>

/** Where a reading's modules sit, as far as it tells. */
export interface Seating {
  /** By module: its slot, or null where that cannot be told. */
  seats: (string | null)[]
  /** By module: the slots it may be in. */
  candidates: string[][]
  /** Slots that the reading says are empty. */
  empty: string[]
}

interface Name extends SlotName {
  populated: boolean
  /** The module's place in the reading; null for a slot listed as empty. */
  index: number | null
}

/**
 * The machine's slots that the modules of a reading sit in, by what the reading tells: the printed
 * letter and number where the machine's slots are lettered so, the channel where it has one slot, the
 * number within a channel where it is known whether it counts from 0 or 1, all slots being filled, a
 * single slot, the slot that must be filled. What none of these tells stays open, with the slots it
 * may be. A slot that the reading does not mention is not said to be empty.
 */
export function seatingOf(observations: readonly Observation[], layout: Layout): Seating {
  const { slots } = layout
  const modules = modulesRead(observations)
  const all = slots.map(({ id }) => id)
  const names = namesOf(modules, saidOfSubject(observations, MACHINE).slots ?? [])
  const filled = names.filter(({ index }) => index !== null)
  const channels = channelsOf(names, layout)
  const known = new Map<Name, string>()
  const possible = new Map<Name, string[]>()
  for (const name of names) {
    const lettered = letteredSlot(name, names, slots)
    const channel = channels.get(name)
    const own = channel === undefined ? all : onChannel(slots, channel).map(({ id }) => id)
    const numbered = channel === undefined ? undefined : numberedSlot(name, names, channels, layout)
    const seat = lettered ?? numbered
    if (seat !== undefined) known.set(name, seat)
    possible.set(name, own.length > 0 ? own : all)
  }
  keepUnambiguous(known)
  seatSingles(filled, known, possible, channels, layout)
  seatByBank(filled, known, layout)
  seatWhole(modules, filled, known, all)
  seatFirst(filled, known, layout)
  return {
    seats: modules.map((_, index) => {
      const name = filled.find((one) => one.index === index)
      return (name && known.get(name)) ?? null
    }),
    candidates: modules.map((_, index) => {
      const name = filled.find((one) => one.index === index)
      const taken = new Set(known.values())
      return (name ? (possible.get(name) ?? all) : all).filter((id) => !taken.has(id))
    }),
    empty: emptySlots(names, known, layout),
  }
}

function namesOf(modules: readonly Subject[], listed: readonly ListedSlot[]): Name[] {
  const fitted = modules.flatMap((one, index) => {
    const { slot } = one.said
    return isReported(one) && slot ? [{ ...slot, populated: true, index }] : []
  })
  const empty = listed.filter(({ populated }) => !populated).map((one) => ({ ...one, index: null }))
  return [...fitted, ...empty]
}

/** A module that a running machine reports in a slot: not soldered, and with a name to go by or a known form. */
function isReported(one: Subject): boolean {
  return one.source === 'readout' && !isSoldered(one)
}

const hasName = ({ locator, bank }: SlotName): boolean => locator !== '' || bank !== null

const onChannel = (slots: readonly Slot[], channel: string): Slot[] =>
  slots
    .filter((slot) => slotChannels(slot).includes(channel))
    .toSorted((a, b) => a.position - b.position)

/** The slot whose own lettering the name has: the whole name, or its last letter and number. */
function letteredSlot(
  { locator }: Name,
  names: readonly Name[],
  slots: readonly Slot[],
): string | undefined {
  const plain = (text: string) => text.toUpperCase().replace(/[^A-Z0-9]/g, '')
  const exact = slots.find(({ id }) => plain(id) === plain(locator))
  if (exact && plain(locator) !== '') return exact.id
  const letters = names.map((name) => letterAndNumber(name.locator))
  // Only where every name that has a letter and number is one of the machine's own.
  const own = letters.filter((one) => one !== null)
  const ids = new Map(slots.map(({ id }) => [plain(id), id]))
  if (!own.every((one) => ids.has(one))) return undefined
  const printed = letterAndNumber(locator)
  return printed === null ? undefined : ids.get(printed)
}

/** `DIMM_A2`, `DIMMA2`, `CPU1_DIMM_D2`, `A2`: the letter and number as they are printed at a slot. */
export function letterAndNumber(locator: string): string | null {
  const match = /(?:^|DIMM|SLOT|DDR\d?|[^A-Z0-9])[-_ ]?([A-P])[-_ ]?(\d)$/i.exec(locator.trim())
  return match ? `${match[1]?.toUpperCase()}${match[2]}` : null
}

/** The machine's channel that each name is on, where its letter tells. */
function channelsOf(names: readonly Name[], { channels }: Layout): Map<Name, string> {
  const lettered = names.filter(({ channel }) => channel !== null)
  const letters = [...new Set(lettered.map(({ channel }) => channel as string))].sort()
  const found = new Map<Name, string>()
  for (const name of lettered) {
    const letter = name.channel as string
    const home = letters.every((one) => channels.includes(one))
      ? letter
      : letters.length <= channels.length && letters.length > 1
        ? channels[letters.indexOf(letter)]
        : undefined
    if (home !== undefined) found.set(name, home)
  }
  return found
}

/**
 * The slot by its number within the channel. Numbers begin at 0 on some boards and at 1 on others:
 * known where a 0 is seen, where a channel's numbers are as many as its slots, or one is its last.
 */
function numberedSlot(
  name: Name,
  names: readonly Name[],
  channels: ReadonlyMap<Name, string>,
  { slots }: Layout,
): string | undefined {
  const channel = channels.get(name)
  if (channel === undefined || name.number === null) return undefined
  const own = onChannel(slots, channel)
  const numbers = [
    ...new Set(
      names.filter((one) => channels.get(one) === channel).flatMap(({ number }) => number ?? []),
    ),
  ].sort((a, b) => a - b)
  if (own.length < 2 || numbers.length > own.length) return undefined
  if (numbers.length === own.length) return own[numbers.indexOf(name.number)]?.id
  const everywhere = names.filter((one) => channels.has(one)).flatMap(({ number }) => number ?? [])
  const most = Math.max(...slots.map((slot) => onChannel(slots, slot.channel).length))
  const from0 = everywhere.includes(0)
  const from1 = !from0 && everywhere.includes(most)
  if (!from0 && !from1) return undefined
  return own[name.number - (from0 ? 0 : 1)]?.id
}

/** Two modules in one slot are neither's. */
function keepUnambiguous(known: Map<Name, string>): void {
  const filled = [...known].filter(([{ index }]) => index !== null)
  for (const [name, id] of filled) {
    if (filled.some(([other, seat]) => other !== name && seat === id)) known.delete(name)
  }
}

/** A module alone on a channel of one slot, or in a machine of one slot. */
function seatSingles(
  filled: readonly Name[],
  known: Map<Name, string>,
  possible: ReadonlyMap<Name, string[]>,
  channels: ReadonlyMap<Name, string>,
  { slots }: Layout,
): void {
  for (const name of filled) {
    if (known.has(name)) continue
    const own = possible.get(name) ?? []
    const channel = channels.get(name)
    const rivals = filled.filter((one) => one !== name && channels.get(one) === channel)
    const alone =
      channel === undefined ? filled.length === 1 && slots.length === 1 : rivals.length === 0
    const [only] = own
    if (alone && own.length === 1 && only !== undefined && ![...known.values()].includes(only)) {
      known.set(name, only)
    }
  }
}

/** As many banks as slots, one for each channel: banks count along the channels. */
function seatByBank(
  filled: readonly Name[],
  known: Map<Name, string>,
  { slots, channels }: Layout,
): void {
  const open = filled.filter((name) => !known.has(name))
  if (open.length === 0 || open.length !== filled.length || filled.length !== slots.length) return
  if (slots.length !== channels.length) return
  const banks = filled.map(({ bank }) =>
    Number(/^BANK ?(\d+)$/i.exec(bank ?? '')?.[1] ?? Number.NaN),
  )
  if (banks.some(Number.isNaN) || new Set(banks).size < banks.length) return
  const order = filled.toSorted(
    (a, b) => (banks[filled.indexOf(a)] as number) - (banks[filled.indexOf(b)] as number),
  )
  order.forEach((name, at) => {
    const slot = slots.find(({ channel }) => channel === channels[at])
    if (slot) known.set(name, slot.id)
  })
}

/** All slots filled with modules that are alike: whichever is in which makes no difference. One left over has the slot left over. */
function seatWhole(
  modules: readonly Subject[],
  filled: readonly Name[],
  known: Map<Name, string>,
  all: readonly string[],
): void {
  if (filled.length !== all.length) return
  const open = filled.filter((name) => !known.has(name))
  const taken = new Set(known.values())
  const free = all.filter((id) => !taken.has(id))
  if (open.length !== free.length) return
  const like = open.map(({ index }) => likeness(modules[index as number] as Subject))
  if (open.length > 1 && new Set(like).size > 1) return
  open.forEach((name, at) => {
    known.set(name, free[at] as string)
  })
}

/** A machine with one module runs only with the slot filled that must be. */
function seatFirst(
  filled: readonly Name[],
  known: Map<Name, string>,
  { slots, soldered }: Layout,
): void {
  const must = slots.filter(({ mustFill }) => mustFill)
  const [name] = filled
  const [slot] = must
  if (filled.length !== 1 || must.length !== 1 || soldered.length > 0 || !name || !slot) return
  if (!known.has(name)) known.set(name, slot.id)
}

/** Everything about a module that a plan sees; its serial number is not. */
export function likeness({ said }: Pick<Subject, 'said'>): string {
  const { capacityGiB, generation, formFactor, speeds, ranks, deviceWidth, partNumber } = said
  return JSON.stringify([
    capacityGiB,
    generation,
    formFactor,
    speeds,
    ranks,
    deviceWidth,
    partNumber,
  ])
}

/**
 * Slots that are listed and empty, as far as their names tell which they are; all that are left where
 * the list has every slot of the machine and every module's is known.
 */
function emptySlots(
  names: readonly Name[],
  known: ReadonlyMap<Name, string>,
  { slots }: Layout,
): string[] {
  const filled = names.filter(({ index }) => index !== null)
  const seats = new Set(filled.flatMap((name) => known.get(name) ?? []))
  const listed = names.filter(({ index }) => index === null)
  const named = listed.flatMap((name) => known.get(name) ?? []).filter((id) => !seats.has(id))
  const whole = names.length >= slots.length && listed.length > 0
  const allSeated = filled.every((name) => known.has(name) && hasName(name))
  if (whole && allSeated) return slots.map(({ id }) => id).filter((id) => !seats.has(id))
  return [...new Set(named)]
}
