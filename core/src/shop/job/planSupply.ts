import type { Offer, PlacedPiece, PlanOption } from '../../judging/plan'
import type { Module } from '../../things/model'
import type { Assignment, ModuleRecord } from '../../things/records'

type Stocked = Pick<ModuleRecord, 'id' | 'source' | 'module' | 'price'> & {
  /** How many purchases a supplier has; null where nobody has asked. */
  stock?: number | null
}

/** What a job's plan can draw on, as the planner asks for it. */
export interface PlanSupply {
  onHand: Module[]
  offers: Offer[]
  /** Pieces that cannot be planned with, as nobody has put a price on them. */
  unpriced: Stocked[]
  /** The module that a piece of an option is; undefined where it is not known. */
  moduleOf: (piece: PlacedPiece) => Module | undefined
  /** Which stored piece an option puts in each slot. */
  assignmentOf: (placement: PlanOption['placement']) => Assignment
}

/** How many of an article a supplier is taken to have where nobody has asked. */
const SUPPLIED = 8

/**
 * The same pieces with each of the customer's left where it was found, where what the assignment puts
 * there is alike (capacity, ranks), so that changing places changes no figure.
 */
export function staying(
  assignment: Assignment,
  found: Assignment,
  pieces: ReadonlyMap<string, Stocked>,
): Assignment {
  const next = { ...assignment }
  for (const [slot, { moduleId }] of Object.entries(found)) {
    const from = Object.keys(next).find((id) => next[id]?.moduleId === moduleId)
    const there = next[slot]
    if (from === undefined || from === slot || !there) continue
    const [own, other] = [pieces.get(moduleId)?.module, pieces.get(there.moduleId)?.module]
    if (!own || own.capacityGiB !== other?.capacityGiB || own.ranks !== other.ranks) continue
    next[slot] = next[from] as Assignment[string]
    next[from] = there
  }
  return next
}

/**
 * The customer's pieces, and the shop's as offers: each piece of the shelf once, a kit that lies there
 * whole as one offer, and what suppliers sell.
 */
export function planSupply(own: readonly Stocked[], shop: readonly Stocked[]): PlanSupply {
  const priced = shop.filter(({ price }) => price !== null)
  const offers: Offer[] = []
  /** For each offer the records of its pieces; one record stands for all of a supplier's. */
  const records = new Map<string, string[]>()
  const offer = (pieces: readonly Stocked[], size: number, stock: number) => {
    const { id, module } = pieces[0] as Stocked
    const price = pieces.reduce((sum, one) => sum + (one.price ?? 0), 0)
    offers.push({ id, module, pieces: size, price, stock })
    records.set(
      id,
      pieces.map((one) => one.id),
    )
  }
  const kits = new Map<string, Stocked[]>()
  for (const piece of priced) {
    const { kit } = piece.module
    if (piece.source === 'supplier') offer([piece], kit?.size ?? 1, piece.stock ?? SUPPLIED)
    else if (!kit) offer([piece], 1, 1)
    else kits.set(kit.id, [...(kits.get(kit.id) ?? []), piece])
  }
  for (const members of kits.values()) {
    const size = members[0]?.module.kit?.size ?? 1
    const whole = members.length === size && size > 1
    if (whole) offer(members, size, 1)
    else for (const piece of members) offer([piece], 1, 1)
  }
  return {
    onHand: own.map(({ module }) => module),
    offers,
    unpriced: shop.filter(({ price }) => price === null),
    moduleOf: (piece) =>
      piece.source === 'onHand'
        ? own[piece.index]?.module
        : shop.find(({ id }) => id === piece.id)?.module,
    assignmentOf: (placement) =>
      Object.fromEntries(
        Object.entries(placement).map(([slot, piece]) => {
          if (piece.source === 'onHand') {
            return [slot, { moduleId: (own[piece.index] as Stocked).id, unit: 0 }]
          }
          const held = records.get(piece.id) as string[]
          const supplied = held.length === 1
          const single = shop.find(({ id }) => id === piece.id)?.source === 'shelf'
          return supplied
            ? [slot, { moduleId: piece.id, unit: single ? 0 : piece.unit }]
            : [slot, { moduleId: held[piece.unit] as string, unit: 0 }]
        }),
      ),
  }
}
