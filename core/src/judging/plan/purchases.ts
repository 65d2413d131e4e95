import type { Unit } from './supplyGroups'

/** What is taken of one class of modules, last purchase first. */
export interface TakenUnits {
  unit: Unit
  before: TakenUnits | null
}

/**
 * Cost of a choice as one number that adds up and compares as (minor units, purchases): fewer
 * purchases break ties.
 */
export type Charge = number
export const CHARGE_PER_PRICE = 1024

export const chargeOf = (unit: Unit): Charge =>
  unit.bundle.price * CHARGE_PER_PRICE + (unit.bundle.source === 'offer' ? 1 : 0)
export const priceOfCharge = (charge: Charge): number => Math.floor(charge / CHARGE_PER_PRICE)
export const purchasesOfCharge = (charge: Charge): number => charge % CHARGE_PER_PRICE

/** The cheapest way to exactly so many pieces that meets at least the wanted bits; null where there is none. */
export interface Cheapest {
  charge: Charge
  taken: TakenUnits | null
}

/**
 * The cheapest choices of units for each number of pieces from 0 to `most` and each set of wants
 * (bits) they must meet: `result[pieces][wants]`. `fixed` are taken in any case. Each unit at most once.
 */
export function cheapest(
  units: readonly Unit[],
  fixed: readonly Unit[],
  most: number,
  wants: number,
  meets: (unit: Unit) => number,
): (Cheapest | null)[][] {
  const sets = wants + 1
  const best: (Cheapest | null)[][] = Array.from({ length: most + 1 }, () =>
    new Array<Cheapest | null>(sets).fill(null),
  )
  let start: Cheapest = { charge: 0, taken: null }
  let pieces = 0
  let met = 0
  for (const unit of fixed) {
    start = { charge: start.charge + chargeOf(unit), taken: { unit, before: start.taken } }
    pieces += unit.bundle.pieces
    met |= meets(unit) & wants
  }
  if (pieces > most) return best
  offer(best, pieces, met, start)

  for (const unit of worthTaking(units, most, meets)) {
    const step = unit.bundle.pieces
    for (let n = most - step; n >= 0; n -= 1) {
      for (let set = 0; set < sets; set += 1) {
        const held = best[n]?.[set]
        if (!held) continue
        const more = { charge: held.charge + chargeOf(unit), taken: { unit, before: held.taken } }
        offer(best, n + step, set | (meets(unit) & wants), more)
      }
    }
  }
  return best.map((row) => atLeast(row))
}

function offer(best: (Cheapest | null)[][], pieces: number, set: number, one: Cheapest): void {
  const row = best[pieces] as (Cheapest | null)[]
  const held = row[set]
  if (!held || one.charge < held.charge) row[set] = one
}

/** From “meets exactly these” to “meets at least these”. */
function atLeast(row: readonly (Cheapest | null)[]): (Cheapest | null)[] {
  return row.map((_, wanted) =>
    row.reduce<Cheapest | null>((best, one, set) => {
      const enough = (set & wanted) === wanted
      return one && enough && (!best || one.charge < best.charge) ? one : best
    }, null),
  )
}

/** The cheapest units of each size and each set of wants met; more of a kind than would fit is never taken. */
function worthTaking(units: readonly Unit[], most: number, meets: (unit: Unit) => number): Unit[] {
  const kept = new Map<number, Unit[]>()
  for (const unit of units) {
    const size = unit.bundle.pieces
    const key = size * 4 + meets(unit)
    const alike = kept.get(key)
    if (!alike) kept.set(key, [unit])
    else if (alike.length < Math.floor(most / size)) alike.push(unit)
  }
  return [...kept.values()].flat()
}
