import type { Module } from '../../things/model'
import {
  type Destination,
  type Fit,
  movesOf,
  type Piece,
  type ShopModule,
} from '../../things/records'
import type { Situation } from '../job'
import { cameFor } from '../orders'

/** A module in a slot once the work is done. */
export interface FittedPart {
  slot: string
  module: Module
  /** New, used, one the customer brought, or there before; null where nobody has said. */
  state: 'new' | 'used' | 'own' | 'stayed' | null
  /** Empty where nobody noted it. */
  serial: string
  /** Until when its maker or supplier stands by it (ISO date); null where nobody noted it. */
  makerUntil: string | null
  /** Of whom it was bought, and with which delivery note or invoice; empty where nobody noted it. */
  supplier: string
  invoice: string
}

/** A module that came out. */
export interface RemovedPart {
  moduleId: string
  module: Module
  serial: string
  /** Null: nobody has said where it goes. */
  to: Destination | null
}

export interface ToFitted {
  jobId: string
  now: Situation
  planned: Situation
  pieces: ReadonlyMap<string, Piece>
  fit: Pick<Fit, 'serials' | 'removed'> | undefined
}

/** What is in the slots when the work is done, in the board's order, with what is on record of each. */
export function partsFitted({ jobId, now, planned, pieces, fit }: ToFitted): FittedPart[] {
  const came = [...(pieces.values() as Iterable<ShopModule>)].filter(
    ({ orderedFor }) => orderedFor?.jobId === jobId,
  )
  const found = new Set(Object.values(now.assignment).map(({ moduleId }) => moduleId))
  return Object.entries(planned.placement).flatMap(([slot, module]) => {
    const assigned = planned.assignment[slot]
    const sold = assigned && (pieces.get(assigned.moduleId) as ShopModule | undefined)
    const piece = assigned && (cameFor(came, jobId, assigned) ?? sold)
    if (!module || !piece) return []
    const noted = fit?.serials[`${assigned.moduleId} ${assigned.unit}`]
    const isOne = piece.source !== 'supplier'
    return [
      {
        slot,
        module,
        state: found.has(piece.id) ? ('stayed' as const) : stateOf(piece),
        serial: noted ?? (isOne ? (piece.serialNumber ?? '') : ''),
        makerUntil: isOne ? (piece.warrantyUntil ?? null) : null,
        supplier: piece.supplier ?? '',
        invoice: isOne ? (piece.invoice ?? '') : '',
      },
    ]
  })
}

function stateOf({ source, condition }: ShopModule): FittedPart['state'] {
  if (source === 'customer') return 'own'
  return condition ?? (source === 'supplier' ? 'new' : null)
}

/** What came out of the machine, and where it went. */
export function partsRemoved({ now, planned, pieces, fit }: ToFitted): RemovedPart[] {
  return movesOf(now.assignment, planned.assignment).removed.flatMap((moduleId) => {
    const piece = pieces.get(moduleId) as ShopModule | undefined
    if (!piece) return []
    const serial = fit?.serials[`${moduleId} 0`] ?? piece.serialNumber ?? ''
    return [{ moduleId, module: piece.module, serial, to: fit?.removed[moduleId]?.to ?? null }]
  })
}

/** A module of the shop's that was found bad and replaced before the hand over. */
export interface ReplacedPart {
  slot: string
  module: Module
  serial: string
}

/** Modules of the shop's that were found bad and replaced; the customer's own are among those removed. */
export const partsReplaced = ({
  pieces,
  fit,
}: {
  pieces: ReadonlyMap<string, Piece>
  fit: Pick<Fit, 'replaced'> | undefined
}): ReplacedPart[] =>
  (fit?.replaced ?? []).flatMap(({ slot, moduleId, serial }) => {
    const piece = pieces.get(moduleId)
    return piece && piece.source !== 'customer' ? [{ slot, module: piece.module, serial }] : []
  })
