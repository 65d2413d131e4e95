import { random } from '../src/things/random'

/*
 * Machines with a fault in them, to try fault finding on. They share nothing with `bench/diagnose` but the shapes
 * of its API: how a fault shows, how often, when warm, and what puts it right is written here a second time.
 */

export type WorldWay = 'stops' | 'missing' | 'errors'

/** A fault of a machine; `often` is its chance to show each time (0 to 1), `warm` one that shows only when warm. */
export interface WorldFault {
  part:
    | { kind: 'module'; module: string }
    | { kind: 'slot' | 'seat'; slot: string }
    | { kind: 'pair'; modules: readonly [string, string] }
    /** With the profile on and more modules than this. */
    | { kind: 'profile'; above: number }
    | { kind: 'order' | 'setup' | 'training' | 'machine' }
    | { kind: 'limit'; above: number }
  way: WorldWay
  often: number
  warm?: boolean
}

export type WorldOutcome =
  | { kind: 'NO_START' | 'ERRORS' | 'PASS' }
  | { kind: 'MISSING'; slots: string[] }

export interface WorldTrial {
  arrangement: Readonly<Record<string, string>>
  reseat: boolean
  profile: boolean
  depth: 'start' | 'test'
  action: 'clear-setup' | 'wait' | 'clean' | 'connect' | null
  warm?: boolean
}

export interface WorldBench {
  order: string[]
  mustFill: string[]
  modules: string[]
  known: string[]
  profiles: boolean
}

const ORDERS: Record<number, string[]> = {
  2: ['A', 'B'],
  4: ['A2', 'B2', 'A1', 'B1'],
  8: ['A1', 'C1', 'B1', 'D1', 'A2', 'C2', 'B2', 'D2'],
}

/** A bench of 2, 4 or 8 slots, each with a module, and one more that is known to be good. */
export const benchOf = (slots: 2 | 4 | 8): WorldBench => ({
  order: ORDERS[slots] as string[],
  mustFill: [],
  modules: Array.from({ length: slots }, (_, at) => `m${at + 1}`),
  known: ['good'],
  profiles: true,
})

/** Every module in its slot. */
export const everyModuleIn = ({ order, modules }: WorldBench): Record<string, string> =>
  Object.fromEntries(modules.map((module, at) => [order[at] as string, module]))

/** Name of the part at fault, as the API names it. */
export function faultName({ part }: WorldFault): string {
  switch (part.kind) {
    case 'module':
      return `module ${part.module}`
    case 'slot':
    case 'seat':
      return `${part.kind} ${part.slot}`
    case 'pair':
      return `pair ${part.modules.join(' ')}`
    default:
      return part.kind
  }
}

/** Every single fault of a bench, the ways that its kind shows in. */
export function faultsOfBench({ order, modules }: WorldBench): WorldFault[] {
  const made = (part: WorldFault['part'], ...ways: WorldWay[]): WorldFault[] =>
    ways.map((way) => ({ part, way, often: 1 }))
  const last = modules.at(-1) as string
  return [
    ...modules.flatMap((module) => made({ kind: 'module', module }, 'stops', 'missing', 'errors')),
    ...order.flatMap((slot) => made({ kind: 'slot', slot }, 'stops', 'missing', 'errors')),
    ...order.flatMap((slot) => made({ kind: 'seat', slot }, 'stops', 'missing')),
    ...made({ kind: 'pair', modules: [modules[0] as string, last] }, 'stops', 'errors'),
    ...made({ kind: 'profile', above: 0 }, 'stops', 'errors'),
    ...made({ kind: 'limit', above: modules.length - 1 }, 'stops', 'missing'),
    ...made({ kind: 'setup' }, 'stops', 'errors'),
    ...made({ kind: 'training' }, 'stops'),
    ...made({ kind: 'machine' }, 'stops', 'errors'),
  ]
}

/** A machine as it stands on the bench. */
export interface World {
  bench: WorldBench
  faults: WorldFault[]
  /** By fault: put right by now. */
  cured: boolean[]
  arrangement: Readonly<Record<string, string>>
  profile: boolean
  /** A test ran, and since then it was only started again at once. */
  isWarm: boolean
  chance: () => number
}

export const worldOf = (bench: WorldBench, faults: WorldFault[], seed: number): World => ({
  bench,
  faults,
  cured: faults.map(() => false),
  arrangement: everyModuleIn(bench),
  profile: true,
  isWarm: false,
  chance: random(seed * 7919 + 13),
})

const sameSlots = (a: object, b: object) =>
  JSON.stringify(Object.entries(a).sort()) === JSON.stringify(Object.entries(b).sort())

/** Seating a module again, where it stays in its slot, puts its seat right this often. */
const SEATED = 0.97

/** Makes a trial on the machine, which is changed by it. */
export function run(world: World, trial: WorldTrial): WorldOutcome {
  const { bench, faults, chance } = world
  const opened = trial.reseat || trial.action === 'clean' || trial.action === 'connect'
  const moved = !sameSlots(world.arrangement, trial.arrangement)
  const isWarm =
    trial.depth === 'test' || (trial.warm === true && world.isWarm && !opened && !moved)
  faults.forEach((fault, at) => {
    if (isPutRight(world, trial, fault)) world.cured[at] = true
  })
  const held = Object.keys(trial.arrangement)
  const last = bench.order.findLast((slot) => held.includes(slot)) as string
  let [stops, errors] = [false, false]
  const lost = new Set<string>()
  faults.forEach((fault, at) => {
    const shows = chance() < fault.often && (!fault.warm || isWarm)
    if (world.cured[at] || !shows || !bearsOn(fault, trial, bench)) return
    if (fault.way === 'stops') stops = true
    else if (fault.way === 'errors') errors = true
    else lost.add(slotLost(fault, trial) ?? last)
  })
  world.arrangement = trial.arrangement
  world.profile = trial.profile
  world.isWarm = trial.depth === 'test' ? !stops : isWarm
  if (stops) return { kind: 'NO_START' }
  if (lost.size > 0) return { kind: 'MISSING', slots: [...lost].sort() }
  return errors && trial.depth === 'test' ? { kind: 'ERRORS' } : { kind: 'PASS' }
}

function isPutRight(world: World, trial: WorldTrial, { part }: WorldFault): boolean {
  switch (part.kind) {
    case 'seat': {
      const now = trial.arrangement[part.slot]
      if (now !== world.arrangement[part.slot]) return true
      if (now === undefined || !(trial.reseat || trial.action === 'clean')) return false
      return world.chance() < SEATED
    }
    case 'setup':
      return trial.action === 'clear-setup'
    case 'training':
      return trial.action === 'wait'
    default:
      return false
  }
}

function bearsOn({ part }: WorldFault, { arrangement, profile }: WorldTrial, bench: WorldBench) {
  const slots = Object.keys(arrangement)
  const modules = Object.values(arrangement)
  switch (part.kind) {
    case 'module':
      return modules.includes(part.module)
    case 'slot':
    case 'seat':
      return slots.includes(part.slot)
    case 'pair':
      return part.modules.every((one) => modules.includes(one))
    case 'profile':
      return profile && modules.length > part.above
    case 'limit':
      return modules.length > part.above
    case 'order':
      return !bench.order.slice(0, slots.length).every((slot) => slots.includes(slot))
    default:
      return true
  }
}

function slotLost({ part }: WorldFault, { arrangement }: WorldTrial): string | undefined {
  if (part.kind === 'slot' || part.kind === 'seat') return part.slot
  if (part.kind !== 'module') return undefined
  return Object.keys(arrangement).find((slot) => arrangement[slot] === part.module)
}

const MINUTES = { safe: 2, move: 1.5, seat: 0.5, profile: 2, start: 1, trains: 1.75, wait: 3 }
const ACTION = { 'clear-setup': 3, clean: 5, connect: 3, wait: 0 }
/** Of a memory test, for 8 GB in each slot. */
const TEST = 12

/** Minutes at the bench: made safe, moved, seated, started; waited for where it does not start, else tested. */
export function worldMinutes(world: World, trial: WorldTrial, starts: boolean): number {
  const { arrangement, action, reseat } = trial
  const all = [...new Set([...Object.keys(world.arrangement), ...Object.keys(arrangement)])]
  const moves = all.filter((slot) => world.arrangement[slot] !== arrangement[slot]).length
  const stay = all.length - moves
  const seats = reseat || action === 'clean' ? stay : 0
  const open = moves > 0 || reseat || action === 'clean' || action === 'connect'
  const trains = open || action === 'clear-setup'
  return (
    (open ? MINUTES.safe : 0) +
    moves * MINUTES.move +
    seats * MINUTES.seat +
    (action ? ACTION[action] : 0) +
    (trial.profile === world.profile ? 0 : MINUTES.profile) +
    (action === 'wait' || (trains && !starts)
      ? MINUTES.wait
      : trains
        ? MINUTES.trains
        : MINUTES.start) +
    (trial.depth === 'test' && starts ? TEST * Object.keys(arrangement).length : 0)
  )
}
