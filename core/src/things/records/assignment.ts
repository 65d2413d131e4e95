import { z } from 'zod'
import { Lettering, type Machine, type Placement } from '../model'
import type { ModuleRecord } from './moduleRecord'

/** Which piece sits in a slot: `unit` counts the pieces bought of a supplier's module, and is 0 otherwise. */
export const Assigned = z.object({ moduleId: z.uuid(), unit: z.int().min(0).max(63).default(0) })
export type Assigned = z.infer<typeof Assigned>

/** The piece in each slot, by slot id; an empty slot is left out. */
export const Assignment = z.record(Lettering, Assigned)
export type Assignment = z.infer<typeof Assignment>

export type Piece = Pick<ModuleRecord, 'id' | 'source' | 'module' | 'price'>

export function piecesById(pieces: readonly Piece[]): Map<string, Piece> {
  return new Map(pieces.map((piece) => [piece.id, piece]))
}

/**
 * The modules in the machine's slots. Slots the machine does not have and pieces that are gone are
 * left out. Each purchase of a supplier's kit is a kit of its own.
 */
export function placementOf(
  machine: Machine,
  assignment: Assignment,
  pieces: ReadonlyMap<string, Piece>,
): Placement {
  const placement: Placement = {}
  for (const { id } of machine.slots) {
    const assigned = Object.hasOwn(assignment, id) ? assignment[id] : undefined
    const piece = assigned && pieces.get(assigned.moduleId)
    placement[id] = piece ? unitOf(piece, assigned.unit) : null
  }
  return placement
}

function unitOf({ source, module }: Piece, unit: number): Piece['module'] {
  if (source !== 'supplier' || !module.kit) return module
  const { id, size } = module.kit
  return { ...module, kit: { id: `${id} #${purchaseOf(unit, size) + 1}`, size } }
}

function purchaseOf(unit: number, kitSize: number): number {
  return Math.floor(unit / kitSize)
}

/** One article bought for an assignment: how many times, for `price` each (null where nobody has put one). */
export interface Purchase {
  piece: Piece
  times: number
  price: number | null
}

/** What is bought for an assignment, in slot order: the shelf's pieces, and the supplier's, kits whole. */
export function purchasesOf(
  assignment: Assignment,
  pieces: ReadonlyMap<string, Piece>,
): Purchase[] {
  const bought = new Map<string, Set<number>>()
  for (const { moduleId, unit } of Object.values(assignment)) {
    const piece = pieces.get(moduleId)
    if (!piece || piece.source === 'customer') continue
    const size = piece.source === 'supplier' ? (piece.module.kit?.size ?? 1) : 1
    bought.set(moduleId, (bought.get(moduleId) ?? new Set()).add(purchaseOf(unit, size)))
  }
  return [...bought].map(([moduleId, times]) => {
    const piece = pieces.get(moduleId) as Piece
    return { piece, times: times.size, price: piece.price }
  })
}

/** What is bought for an assignment, in minor units; `unpriced` counts purchases without a price. */
export function costOf(
  assignment: Assignment,
  pieces: ReadonlyMap<string, Piece>,
): { total: number; unpriced: number } {
  let total = 0
  let unpriced = 0
  for (const { times, price } of purchasesOf(assignment, pieces)) {
    if (price === null) unpriced += times
    else total += price * times
  }
  return { total, unpriced }
}

/** The customer's modules that were found in a slot and have none any more, and how many pieces change places in all. */
export function movesOf(
  found: Assignment,
  planned: Assignment,
): { removed: string[]; moves: number } {
  const stays = (slot: string) => {
    const [was, is] = [found[slot], planned[slot]]
    return was && is && was.moduleId === is.moduleId && was.unit === is.unit
  }
  const kept = new Set(Object.values(planned).map(({ moduleId }) => moduleId))
  const removed = [...new Set(Object.values(found).map(({ moduleId }) => moduleId))]
  const out = Object.keys(found).filter((slot) => !stays(slot)).length
  const put = Object.keys(planned).filter((slot) => !stays(slot)).length
  return { removed: removed.filter((id) => !kept.has(id)), moves: out + put }
}

/** Whether this unit of this piece is already in a slot; returns the slot. */
export function slotHolding(assignment: Assignment, piece: Assigned): string | undefined {
  return Object.keys(assignment).find((id) => {
    const held = assignment[id]
    return held?.moduleId === piece.moduleId && held.unit === piece.unit
  })
}

/** The lowest unit of a supplier's module that no slot holds yet. */
export function nextUnit(assignment: Assignment, moduleId: string): number {
  const taken = new Set(
    Object.values(assignment).flatMap((held) => (held.moduleId === moduleId ? [held.unit] : [])),
  )
  let unit = 0
  while (taken.has(unit)) unit += 1
  return unit
}

/** Puts a piece in a slot. A piece that sat in another slot leaves it, changing places with what was here. */
export function assign(assignment: Assignment, slot: string, piece: Assigned): Assignment {
  const next = { ...assignment }
  const from = slotHolding(assignment, piece)
  const displaced = assignment[slot]
  if (from !== undefined && from !== slot) {
    if (displaced) next[from] = displaced
    else delete next[from]
  }
  next[slot] = piece
  return next
}

export function clear(assignment: Assignment, slot: string): Assignment {
  const { [slot]: _, ...rest } = assignment
  return rest
}

/** The part of an assignment that the machine's slots and these pieces can hold. */
export function prune(
  machine: Machine,
  assignment: Assignment,
  pieces: ReadonlyMap<string, Piece>,
): Assignment {
  return Object.fromEntries(
    machine.slots.flatMap(({ id }) => {
      const held = Object.hasOwn(assignment, id) ? assignment[id] : undefined
      return held && pieces.has(held.moduleId) ? [[id, held]] : []
    }),
  )
}
