import { type Assignment, type Piece, type Plan, purchasesOf } from '../../things/records'

/** How many pieces of the shelf plans hold beside what this placement takes. */
export function heldBeside(
  placement: Assignment,
  plans: readonly Pick<Plan, 'placement'>[],
  pieces: ReadonlyMap<string, Piece>,
): number {
  const own = new Set(shelfPiecesOf(placement, pieces))
  const others = plans.flatMap((plan) => shelfPiecesOf(plan.placement ?? {}, pieces))
  return new Set(others.filter((id) => !own.has(id))).size
}

const shelfPiecesOf = (placement: Assignment, pieces: ReadonlyMap<string, Piece>): string[] =>
  purchasesOf(placement, pieces).flatMap(({ piece }) =>
    piece.source === 'shelf' ? [piece.id] : [],
  )
