import type { Machine, Slot } from '../model'
import type { Reading, SlotName } from '../readings'

type Layout = Pick<Machine, 'channels' | 'slots'>

/**
 * The machine's slot that each module of a reading sits in, by the names the readout gives; null where
 * that cannot be told. Where it lists more slots than the machine has, those with something in them
 * come first, since the others may not exist.
 */
export function seatsOf({ modules, machine }: Reading, layout: Layout): (string | null)[] {
  const fitted = modules.filter(isSlotted)
  const names = fitted.flatMap(({ slot }) => (slot && hasName(slot) ? [slot] : []))
  const listed = machine?.slots.length
    ? machine.slots
    : names.map((one) => ({ ...one, populated: true }))
  const seats = byChannel(listed, layout) ?? inOrder(listed, layout)
  const left = new Map([...seats].map(([name, id]) => [keyOf(name), id]))
  return modules.map((module) => {
    if (!isSlotted(module) || !module.slot || !hasName(module.slot)) return null
    const key = keyOf(module.slot)
    const seat = left.get(key) ?? null
    left.delete(key)
    return seat
  })
}

function isSlotted({ module }: Reading['modules'][number]): boolean {
  return module.formFactor !== 'soldered'
}

const hasName = ({ locator, bank }: SlotName) => locator !== '' || bank !== null

const keyOf = ({ locator, bank }: SlotName) => `${locator}\n${bank ?? ''}`

type Listed = SlotName & { populated: boolean }

/** By the printed lettering where every name is a slot's own, else by channel and number within it. */
function byChannel(listed: readonly Listed[], { channels, slots }: Layout) {
  const lettered = listed.map((name) =>
    slots.find(({ id }) => id.toUpperCase() === name.locator.toUpperCase()),
  )
  if (lettered.every((slot) => slot !== undefined)) {
    return new Map(listed.map((name, at) => [name, (lettered[at] as Slot).id]))
  }
  if (listed.some(({ channel }) => channel === null)) return null
  const letters = [...new Set(listed.map(({ channel }) => channel as string))].sort()
  const home = (letter: string) =>
    letters.every((one) => channels.includes(one)) ? letter : channels[letters.indexOf(letter)]
  const seats = new Map<Listed, string>()
  for (const letter of letters) {
    const own = slots.filter(({ channel }) => channel === home(letter))
    const names = listed.filter(({ channel }) => channel === letter)
    for (const [at, name] of rowed(names, own.length).entries()) {
      const slot = own.toSorted((a, b) => a.position - b.position)[at]
      if (slot) seats.set(name, slot.id)
    }
  }
  return seats
}

function inOrder(listed: readonly Listed[], { slots }: Layout) {
  const seats = new Map<Listed, string>()
  for (const [at, name] of rowed(listed, slots.length).entries()) {
    const slot = slots[at]
    if (slot) seats.set(name, slot.id)
  }
  return seats
}

/** Names in their order, but filled ones first where there are more than slots. */
function rowed(names: readonly Listed[], slots: number): Listed[] {
  const numbered = names.toSorted((a, b) => (a.number ?? 0) - (b.number ?? 0))
  return names.length > slots
    ? numbered.toSorted((a, b) => Number(b.populated) - Number(a.populated))
    : numbered
}
