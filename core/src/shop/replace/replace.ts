import type { Module } from '../../things/model'
import {
  type Assigned,
  type Assignment,
  type Fit,
  isFreeFor,
  type ModuleRecord,
  type Replaced,
  type ShopModule,
} from '../../things/records'
import { roundOf } from '../job'
import { cameFor } from '../orders'

/** A module of a job that was found bad. */
export interface BadModule extends Assigned {
  slot: string
  module: Module
  /** Empty where nobody noted it. */
  serial: string
  /** The record of the piece itself: the customer's own, or the shop's; null for a supplier's part without one. */
  piece: ModuleRecord | null
  /** The customer's own. */
  isOwn: boolean
}

/** A job as far as replacing goes. */
export interface ToReplace {
  jobId: string
  machines: number
  planned: Assignment
  pieces: ReadonlyMap<string, Pick<ModuleRecord, 'source' | 'module'>>
  /** The shelf and the suppliers' offers. */
  shop: readonly ShopModule[]
  fit: Pick<Fit, 'replaced' | 'serials'> | undefined
  /** Units of suppliers' modules that orders stand for. */
  ordered: readonly Assigned[]
}

/** Record of the module with the name `moduleId unit`; null where the plan has it nowhere. */
export function badModule(
  { jobId, planned, pieces, shop, fit }: ToReplace,
  name: string,
): BadModule | null {
  const place = Object.entries(planned).find(
    ([, { moduleId, unit }]) => `${moduleId} ${unit}` === name,
  )
  const known = place && pieces.get(place[1].moduleId)
  if (!place || !known) return null
  const [slot, held] = place
  const came = cameFor(shop, jobId, held) ?? null
  const piece = known.source === 'supplier' ? came : (known as ModuleRecord)
  const serial = fit?.serials[name] || piece?.serialNumber || ''
  const { module } = known
  return { slot, ...held, module, serial, piece, isOwn: known.source === 'customer' }
}

const topRate = ({ speeds }: Module): number =>
  Math.max(0, ...speeds.map(({ dataRate }) => dataRate))

/** Whether a module does everything that another does: same kind and capacity, and no slower. */
const standsFor = (module: Module, bad: Module): boolean =>
  module.generation === bad.generation &&
  module.formFactor === bad.formFactor &&
  module.buffering === bad.buffering &&
  module.ecc === bad.ecc &&
  module.capacityGiB === bad.capacityGiB &&
  topRate(module) >= topRate(bad)

/** Piece that can take the place of a bad module. */
export interface Replacement extends Assigned {
  piece: ShopModule
}

/**
 * Pieces that can take the place of a bad module: a used one last where it was new, the same article first, then what lies on the shelf before what
 * suppliers sell, then the cheaper. A kit is one only of the same article.
 */
export function replacementsFor(job: ToReplace, bad: BadModule): Replacement[] {
  const sameArticle = ({ module }: ShopModule) => module.article === bad.module.article
  const wasUsed = bad.isOwn || bad.piece?.condition === 'used'
  const rank = (piece: ShopModule) =>
    (piece.condition === 'used' && !wasUsed ? 4 : 0) +
    (sameArticle(piece) ? 0 : 2) +
    (piece.source === 'shelf' ? 0 : 1)
  return job.shop
    .filter(
      (piece) =>
        isFreeFor(piece, { id: job.jobId, machines: job.machines }) &&
        piece.fittedJobId === null &&
        standsFor(piece.module, bad.module) &&
        ((piece.module.kit?.size ?? 1) === 1 || sameArticle(piece)) &&
        !isPlanned(job.planned, piece),
    )
    .sort((a, b) => rank(a) - rank(b) || (a.price ?? Infinity) - (b.price ?? Infinity))
    .map((piece) => ({ piece, moduleId: piece.id, unit: freeUnit(job, piece) }))
}

const isPlanned = (planned: Assignment, { id, source }: ShopModule): boolean =>
  source === 'shelf' && Object.values(planned).some(({ moduleId }) => moduleId === id)

/** The lowest unit of a supplier's module that neither the plan nor an order has, and that was not found bad; 0 of a piece. */
function freeUnit({ planned, fit, ordered }: ToReplace, { id, source }: ShopModule): number {
  if (source !== 'supplier') return 0
  const taken = new Set(
    [...Object.values(planned), ...(fit?.replaced ?? []), ...ordered].flatMap((one) =>
      one.moduleId === id ? [one.unit] : [],
    ),
  )
  let unit = 0
  while (taken.has(unit)) unit += 1
  return unit
}

/**
 * The plan with a replacement in the place of a bad module. Once there is work at the bench, `replaced` also holds the
 * bad one: with `areMovesDone` in a round of its own, which takes only that module out; before that within the round
 * that goes on, whose steps follow the plan.
 */
export function replaceWith(
  { planned, fit }: ToReplace,
  bad: BadModule,
  { moduleId, unit }: Assigned,
  {
    areMovesDone,
    ...noted
  }: Pick<Replaced, 'id' | 'why' | 'at' | 'by'> & { areMovesDone: boolean },
): { placement: Assignment; replaced: Replaced[] | null } {
  const placement = { ...planned, [bad.slot]: { moduleId, unit } }
  if (!fit) return { placement, replaced: null }
  const entry: Replaced = {
    ...noted,
    round: roundOf(fit) + (areMovesDone ? 1 : 0),
    slot: bad.slot,
    moduleId: bad.moduleId,
    unit: bad.unit,
    serial: bad.serial,
  }
  return { placement, replaced: [...fit.replaced, entry] }
}
