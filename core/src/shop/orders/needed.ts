import { type Assignment, type OrderLine, type Piece, purchasesOf } from '../../things/records'

/** A unit of a job's plan that some order stands for. */
export interface Covered {
  moduleId: string
  unit: number
}

export type NeededParts = Pick<OrderLine, 'moduleId' | 'module' | 'purchases' | 'price'>

/**
 * What an approved assignment needs of suppliers and no order stands for yet, article by article, kits whole:
 * a purchase of which any unit is on order or here is not bought again.
 */
export function neededParts(
  assignment: Assignment,
  pieces: ReadonlyMap<string, Piece>,
  covered: readonly Covered[],
): NeededParts[] {
  return purchasesOf(assignment, pieces).flatMap(({ piece, price }) => {
    if (piece.source !== 'supplier') return []
    const size = piece.module.kit?.size ?? 1
    const purchaseIn = (units: readonly number[]) =>
      new Set(units.map((unit) => Math.floor(unit / size)))
    const wanted = purchaseIn(
      Object.values(assignment).flatMap((one) => (one.moduleId === piece.id ? [one.unit] : [])),
    )
    const have = purchaseIn(
      covered.flatMap(({ moduleId, unit }) => (moduleId === piece.id ? [unit] : [])),
    )
    const purchases = [...wanted].filter((one) => !have.has(one)).sort((a, b) => a - b)
    return purchases.length > 0
      ? [{ moduleId: piece.id, module: piece.module, purchases, price }]
      : []
  })
}
