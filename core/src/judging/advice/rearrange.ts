import { deepEqual, type Machine, type Module, type Placement } from '../../things/model'
import { fillingOrder } from '../plan'

/** A module that changes its slot, or is taken out (`to` null). */
export interface Move {
  from: string
  to: string | null
}

/** As many arrangements are looked at one by one; beyond that only near ones, and those in the maker's order. */
const MOST_ARRANGEMENTS = 6000

/** Modules that are alike in everything can take each other's place. */
interface Alike {
  module: Module
  count: number
}

/**
 * Every way to put the modules of a placement, or some of them, into the slots, moves of alike modules counted
 * once; the placement itself is among them. On machines with very many slots: those that move up to two modules, and
 * those that fill the first slots in the maker's order.
 */
export function rearrangements(machine: Machine, placement: Placement): Placement[] {
  const slots = machine.slots.map(({ id }) => id)
  const groups = alikeIn(slots, placement)
  return (
    everyArrangement(slots, groups) ?? [
      ...nearArrangements(slots, placement),
      ...inOrder(machine, groups),
    ]
  )
}

function alikeIn(slots: readonly string[], placement: Placement): Alike[] {
  const groups: Alike[] = []
  for (const slot of slots) {
    const module = placement[slot]
    if (!module) continue
    const group = groups.find((one) => deepEqual(one.module, module))
    if (group) group.count += 1
    else groups.push({ module, count: 1 })
  }
  return groups
}

/** All of them; null where they are too many. */
function everyArrangement(slots: readonly string[], groups: readonly Alike[]): Placement[] | null {
  const left = groups.map(({ count }) => count)
  const found: Placement[] = []
  const chosen: Placement = {}
  function fill(at: number): boolean {
    const slot = slots[at]
    if (slot === undefined) {
      found.push({ ...chosen })
      return found.length <= MOST_ARRANGEMENTS
    }
    for (const [group, { module }] of groups.entries()) {
      if (left[group] === 0) continue
      left[group] = (left[group] as number) - 1
      chosen[slot] = module
      const goesOn = fill(at + 1)
      delete chosen[slot]
      left[group] = (left[group] as number) + 1
      if (!goesOn) return false
    }
    return fill(at + 1)
  }
  return fill(0) ? found : null
}

/** Those that one or two exchanges between slots, an empty place beside them included, lead to. */
function nearArrangements(slots: readonly string[], placement: Placement): Placement[] {
  const outside = null
  const exchanged = (from: Placement) =>
    slots.flatMap((a, at) =>
      [...slots.slice(at + 1), outside].flatMap((b) => {
        const [held, other] = [from[a] ?? null, b === outside ? null : (from[b] ?? null)]
        if (!held && !other) return []
        return [{ ...from, [a]: other, ...(b === outside ? {} : { [b]: held }) }]
      }),
    )
  const once = exchanged(placement)
  const twice = once.length ** 2 <= MOST_ARRANGEMENTS ? once.flatMap(exchanged) : []
  return [placement, ...once, ...twice]
}

/** The largest modules first, into the first slots of the maker's order; all of them, then ever fewer. */
function inOrder(machine: Machine, groups: readonly Alike[]): Placement[] {
  const order = fillingOrder(machine)
  const modules = groups
    .flatMap(({ module, count }) => Array.from({ length: count }, () => module))
    .sort((a, b) => b.capacityGiB - a.capacityGiB)
  return modules.map((_, fewer) =>
    Object.fromEntries(
      modules.slice(0, modules.length - fewer).map((module, at) => [order[at] as string, module]),
    ),
  )
}

/** The moves that lead from one placement to another of the same modules, the fewest, in the order of the slots. */
export function movesBetween(
  slots: readonly string[],
  before: Placement,
  after: Placement,
): Move[] {
  const leaves = slots.filter(
    (slot) => before[slot] && !deepEqual(before[slot], after[slot] ?? null),
  )
  const open = slots.filter((slot) => after[slot] && !deepEqual(after[slot], before[slot] ?? null))
  return leaves.map((from) => {
    const at = open.findIndex((slot) => deepEqual(after[slot], before[from]))
    return { from, to: at < 0 ? null : (open.splice(at, 1)[0] as string) }
  })
}

/** Applies moves to the contents of slots. */
export function moved<T>(
  held: Readonly<Record<string, T>>,
  moves: readonly Move[],
): Record<string, T> {
  const next = { ...held }
  for (const { from } of moves) delete next[from]
  for (const { from, to } of moves) if (to !== null && held[from]) next[to] = held[from] as T
  return next
}
