import { grouped, type Machine, systemLimitGiB } from '../../things/model'
import {
  type Channels,
  channelsOf,
  comesFirst,
  type Evenness,
  type ModuleClass,
  placesFilled,
  ranksSeen,
  ratioBound,
  type Spread,
  spread,
} from './channels'
import { conditionsOf, type LoadRating, type RunCondition } from './conditions'
import { ParetoFront, type PlanCandidate } from './paretoFront'
import { PruningBound } from './pruningBound'
import {
  CHARGE_PER_PRICE,
  type Cheapest,
  cheapest,
  priceOfCharge,
  purchasesOfCharge,
} from './purchases'
import type { Need } from './request'
import type { Bundle } from './supply'
import { type SupplyGroup, supplyGroups, type Unit } from './supplyGroups'

/** What may be placed: `fixed` bundles are all placed, of the others any. */
export interface Pool {
  fixed: readonly Bundle[]
  free: readonly Bundle[]
}

export interface SearchCase {
  machine: Machine
  profile: boolean
  /** Plans that would run at half rate count a second time, set by hand to the ceiling. */
  tune: boolean
  need: Need
  evenness: Evenness
}

/** What a plan takes, and where it puts it. */
export interface Details {
  /** As many units as make up what the spread places. */
  taken: Unit[]
  classOf: (unit: Unit) => number
  spread: Spread
  /** The slots filled, as places in the filling order. */
  places: number[]
  channels: Channels
}

/** A plan found; its details are worked out when first asked for. */
export interface Found extends PlanCandidate {
  /** The rate it is set to by hand, MT/s; null where the firmware decides. */
  setTo: number | null
  details: () => Details
}

export type FoundFront = ParetoFront<Found>

export const newFront = (): FoundFront =>
  new ParetoFront((a, b) => comesFirst(a.details().places, b.details().places))

/** Told now and then how far a search has come, from 0 to 1; may throw to end it. */
export type OnSearchProgress = (share: number) => void

/**
 * Adds every trade-off a pool allows to the front. Exact: what decides a plan's figures is how many
 * modules of each class (capacity, ranks) it has, the condition they run under, and how they are
 * spread. So every number of modules of each class is looked at once, with the least cost of each
 * under every condition; spreads are worked out only where the plan could be worth having.
 * Returns how many plans were compared.
 */
export function search(
  one: SearchCase,
  pool: Pool,
  front: FoundFront,
  onProgress: OnSearchProgress = () => {},
): number {
  const kinds = new Set([...pool.fixed, ...pool.free].map(({ module }) => module.buffering))
  // Modules of different buffering never work together, so each kind is searched by itself.
  const parts = kinds.size === 0 ? [pool] : [...kinds].map((kind) => only(pool, kind))
  const possible = parts.filter(({ fixed }) => fixed.length === pool.fixed.length)
  let examined = 0
  possible.forEach((part, at) => {
    examined += searchPart(one, part, front, (share) => onProgress((at + share) / possible.length))
  })
  return examined
}

const only = ({ fixed, free }: Pool, buffering: string): Pool => ({
  fixed: fixed.filter(({ module }) => module.buffering === buffering),
  free: free.filter(({ module }) => module.buffering === buffering),
})

/** Plans compared between two reports of progress. */
const REPORT_EVERY = 2048

function searchPart(
  { machine, profile, tune, need, evenness }: SearchCase,
  pool: Pool,
  front: FoundFront,
  onProgress: OnSearchProgress,
): number {
  const channels = channelsOf(machine)
  const slots = channels.slotCount
  const freeGroups = supplyGroups(pool.free, slots)
  const fixedGroups = pool.fixed.flatMap((bundle) => supplyGroups([{ ...bundle, stock: 1 }], slots))
  const groups = [...fixedGroups, ...freeGroups]
  const { classes, classOfGroup } = classesOf(machine, groups)
  const conditions = conditionsOf(machine, groups, profile, tune)
  const tables = tablesOf(conditions, fixedGroups, freeGroups, classes.length, classOfGroup, slots)

  const osGiB = systemLimitGiB(machine) ?? Infinity
  const mostGiB = machine.limits.totalGiB
  const budget = need.budget ?? Infinity
  const counts = new Array<number>(classes.length).fill(0)
  const width = tables.width
  const charges = Array.from({ length: classes.length + 1 }, () => new Float64Array(width))
  const alive = Array.from({ length: classes.length + 1 }, () => new Int32Array(conditions.length))
  const sizes = sizesOf(channels, classes, osGiB)
  const latencies = [...new Set(conditions.map((one) => one.firstWordNs))].sort((a, b) => a - b)
  const latencyOf = conditions.map((one) => latencies.indexOf(one.firstWordNs))
  const loads = [...new Set(conditions.map(({ load }) => loadKey(load)))]
  const loadOf = conditions.map(({ load }) => loads.indexOf(loadKey(load)))
  const spreads = new Array<Spread | null | undefined>(loads.length)
  const bound = new PruningBound(latencies, sizes)
  for (const plan of front.plans) bound.add(plan)
  const tooMuch = (budget + 1) * CHARGE_PER_PRICE
  const wanted = Int32Array.from(conditions, ({ wants }) => wants)
  let examined = 0
  let reported = 0

  charges[0]?.fill(Infinity)
  conditions.forEach((_, at) => {
    ;(charges[0] as Float64Array)[tables.offsets[at] as number] = 0
    ;(alive[0] as Int32Array)[at] = at
  })

  const mostPieces = slots - (need.freeSlots ?? 0)
  if (mostPieces >= 0) visit(0, conditions.length, mostPieces, channels.solderedGiB, 0, 1)
  return examined

  /** Looks at every number of modules of the classes from `at` on; `from` and `span` place it in the whole. */
  function visit(
    at: number,
    living: number,
    left: number,
    total: number,
    from: number,
    span: number,
  ): void {
    if (at === classes.length) {
      weigh(living, mostPieces - left, total)
      if (examined - reported >= REPORT_EVERY) {
        reported = examined
        onProgress(from)
      }
      return
    }
    const { capacityGiB } = classes[at] as ModuleClass
    const byCount = tables.byClass[at] as Float64Array[]
    const last = Math.min(left, Math.floor((mostGiB - total) / capacityGiB), byCount.length - 1)
    for (let count = last; count >= 0; count -= 1) {
      const still = charge(at, living, byCount[count] as Float64Array)
      if (still === 0) continue
      counts[at] = count
      const step = span / (last + 1)
      const start = from + (last - count) * step
      if (at === 0) onProgress(start)
      visit(at + 1, still, left - count, total + count * capacityGiB, start, step)
    }
    counts[at] = 0
  }

  /** Adds the cost of a class under each living condition; returns how many conditions are left. */
  function charge(at: number, living: number, more: Float64Array): number {
    const before = charges[at] as Float64Array
    const after = charges[at + 1] as Float64Array
    const [ids, stillIds] = [alive[at] as Int32Array, alive[at + 1] as Int32Array]
    let still = 0
    for (let n = 0; n < living; n += 1) {
      const id = ids[n] as number
      const offset = tables.offsets[id] as number
      const wants = wanted[id] as number
      const least = (before[offset] as number) + (more[offset] as number)
      if (!(least < tooMuch)) continue
      after[offset] = least
      for (let set = 1; set <= wants; set += 1) {
        // What is wanted is met partly by the classes before and partly by this one.
        let best = Infinity
        for (let own = set; ; own = (own - 1) & set) {
          const sum = (before[offset + (set & ~own)] as number) + (more[offset + own] as number)
          if (sum < best) best = sum
          if (own === 0) break
        }
        after[offset + set] = best
      }
      stillIds[still] = id
      still += 1
    }
    return still
  }

  function weigh(living: number, pieces: number, total: number): void {
    if (total === 0 || total > mostGiB) return
    const usableGiB = Math.min(total, osGiB)
    if (usableGiB < need.minGiB) return
    const size = sizes.indexOf(usableGiB)
    const sums = charges[classes.length] as Float64Array
    const ids = alive[classes.length] as Int32Array
    const mostRatio = ratioBound(channels, classes, counts)
    spreads.fill(undefined)
    let way = -1
    let cheapestYet = Infinity
    for (let n = 0; n < living; n += 1) {
      const id = ids[n] as number
      const condition = conditions[id] as RunCondition
      const charged = sums[(tables.offsets[id] as number) + condition.wants] as number
      if (!(charged < tooMuch)) continue
      examined += 1
      const cost = priceOfCharge(charged)
      // The same modules for no less at a higher latency are no better.
      if (condition.way === way && cost >= cheapestYet) continue
      way = condition.way
      cheapestYet = cost
      const latency = latencyOf[id] as number
      const { channelPeakGBs: peak, firstWordNs, load } = condition
      if (bound.least(latency, size, peak * mostRatio) < cost) continue
      const key = loadOf[id] as number
      let lies = spreads[key]
      if (lies === undefined) {
        lies = spread(channels, classes, counts, load, evenness)
        spreads[key] = lies
      }
      if (!lies || bound.least(latency, size, peak * lies.ratio) < cost) continue
      const purchases = purchasesOfCharge(charged)
      const wholePeakGBs = peak * lies.ratio
      const figures = { cost, usableGiB, wholePeakGBs, firstWordNs, purchases, pieces }
      if (front.keeps(figures)) continue
      front.add(found(figures, id, load))
      bound.add(figures)
    }
  }

  /** A plan with its pieces, in the earliest slots that bring these figures. */
  function found(figures: PlanCandidate, id: number, load: LoadRating): Found {
    const own = [...counts]
    let known: Details | null = null
    const place = (byChannel: number[][]) => placesFilled(channels, byChannel)
    const settle = (a: number[][], b: number[][]) => comesFirst(place(a), place(b))
    const details = (): Details => {
      if (known) return known
      const lies = spread(channels, classes, own, load, evenness, settle) as Spread
      known = {
        taken: tables.taken(id, own),
        classOf: (unit) => classOfGroup.get(unit.group) as number,
        spread: lies,
        places: place(lies.byChannel),
        channels,
      }
      return known
    }
    return { ...figures, setTo: (conditions[id] as RunCondition).setTo, details }
  }
}

const loadKey = ({ least, exactly }: LoadRating): string => `${least} ${exactly}`

/** Every usable amount that plans can have, GiB, rising. */
function sizesOf(
  { slotCount, solderedGiB }: Channels,
  classes: readonly ModuleClass[],
  osGiB: number,
): number[] {
  const sums = new Set([solderedGiB])
  let last = [solderedGiB]
  for (let slot = 0; slot < slotCount; slot += 1) {
    const next = last.flatMap((gib) => classes.map(({ capacityGiB }) => gib + capacityGiB))
    last = [...new Set(next)].filter((gib) => !sums.has(gib))
    for (const gib of last) sums.add(gib)
  }
  return [...new Set([...sums].map((gib) => Math.min(gib, osGiB)))].sort((a, b) => a - b)
}

/** The classes of a pool's modules, largest capacity first. */
function classesOf(machine: Machine, groups: readonly SupplyGroup[]) {
  const keyed = grouped(
    groups,
    ({ module }) => `${module.capacityGiB} ${ranksSeen(machine, module.ranks)}`,
  )
  const classes = [...keyed.values()]
    .map((alike) => {
      const { capacityGiB, ranks } = (alike[0] as SupplyGroup).module
      return { capacityGiB, ranks: ranksSeen(machine, ranks), groups: alike }
    })
    .sort((a, b) => b.capacityGiB - a.capacityGiB || a.ranks - b.ranks)
  const classOfGroup = new Map(
    classes.flatMap((one, at) => one.groups.map((group) => [group, at] as const)),
  )
  return { classes: classes as ModuleClass[], classOfGroup }
}

interface Tables {
  /** By class and number of modules, the least charge under each condition and set of wants. */
  byClass: Float64Array[][]
  /** Where a condition's charges begin. */
  offsets: Int32Array
  width: number
  /** The units behind the least charge of so many modules of each class under a condition. */
  taken: (condition: number, counts: readonly number[]) => Unit[]
}

function tablesOf(
  conditions: readonly RunCondition[],
  fixedGroups: readonly SupplyGroup[],
  freeGroups: readonly SupplyGroup[],
  classCount: number,
  classOfGroup: ReadonlyMap<SupplyGroup, number>,
  slots: number,
): Tables {
  const offsets = new Int32Array(conditions.length)
  let width = 0
  conditions.forEach(({ wants }, at) => {
    offsets[at] = width
    width += wants + 1
  })
  const groupAt = new Map([...fixedGroups, ...freeGroups].map((group, at) => [group, at]))
  const unitsOf = (groups: readonly SupplyGroup[], at: number) =>
    groups
      .filter((group) => classOfGroup.get(group) === at)
      .flatMap(({ units }) => units)
      .sort((a, b) => a.bundle.price - b.bundle.price)
  const classes = Array.from({ length: classCount }, (_, at) => {
    const [fixed, free] = [unitsOf(fixedGroups, at), unitsOf(freeGroups, at)]
    const available = [...fixed, ...free].reduce((sum, { bundle }) => sum + bundle.pieces, 0)
    return { fixed, free, most: Math.min(slots, available) }
  })

  const choices = (condition: RunCondition, at: number): (Cheapest | null)[][] => {
    const { fixed, free, most } = classes[at] as (typeof classes)[number]
    const group = (unit: Unit) => groupAt.get(unit.group) as number
    const admitted = (unit: Unit) => condition.admits[group(unit)] as boolean
    if (!fixed.every(admitted)) return []
    const meets = (unit: Unit) => condition.meets[group(unit)] as number
    return cheapest(free.filter(admitted), fixed, most, condition.wants, meets)
  }

  const byClass = classes.map(({ most }) =>
    Array.from({ length: most + 1 }, () => new Float64Array(width).fill(Infinity)),
  )
  conditions.forEach((condition, id) => {
    const offset = offsets[id] as number
    for (let at = 0; at < classCount; at += 1) {
      choices(condition, at).forEach((row, pieces) => {
        row.forEach((one, set) => {
          if (one) (byClass[at]?.[pieces] as Float64Array)[offset + set] = one.charge
        })
      })
    }
  })

  return { byClass, offsets, width, taken }

  /** Splits the wants over the classes as the least charge does. */
  function taken(id: number, counts: readonly number[]): Unit[] {
    const condition = conditions[id] as RunCondition
    const rows = counts.map((count, at) => choices(condition, at)[count] as (Cheapest | null)[])
    const split = (at: number, wanted: number): { charge: number; cheapest: Cheapest[] } | null => {
      const row = rows[at]
      if (!row) return wanted === 0 ? { charge: 0, cheapest: [] } : null
      let best: { charge: number; cheapest: Cheapest[] } | null = null
      for (let own = wanted; ; own = (own - 1) & wanted) {
        const pick = row[own]
        const rest = pick ? split(at + 1, wanted & ~own) : null
        if (pick && rest && (!best || pick.charge + rest.charge < best.charge)) {
          best = { charge: pick.charge + rest.charge, cheapest: [pick, ...rest.cheapest] }
        }
        if (own === 0) break
      }
      return best
    }
    const units: Unit[] = []
    for (const pick of split(0, condition.wants)?.cheapest ?? []) {
      for (let one = pick.taken; one; one = one.before) units.push(one.unit)
    }
    return units
  }
}
