import type { Assigned, Assignment, Fit, ShopModule } from '../../things/records'
import { cameFor } from './came'
import type { OrderedUnit } from './units'

/** A unit of a job's plan that an order stands for, with that order. */
export interface JobUnit extends Omit<OrderedUnit, 'lineId' | 'jobId'> {
  order: { id: string; number: number; supplier: string; sent: boolean }
  /** Articles that came in its place and were refused. */
  wrong: readonly string[]
}

/**
 * Place of a planned part: in the machine already, brought by the customer, on the shelf, here out of a delivery (or
 * without an order), in an order nobody has sent, on its way, or to be ordered; `bad` is put aside, `gone` is no
 * longer the shop's.
 */
export type PartPlace =
  | 'machine'
  | 'customer'
  | 'shelf'
  | 'here'
  | 'draft'
  | 'on-its-way'
  | 'to-order'
  | 'bad'
  | 'gone'

export interface PlannedPart extends Assigned {
  slot: string
  place: PartPlace
  /** The order it is in; null where none is. */
  ordered: JobUnit | null
}

export interface ToPlace {
  jobId: string
  /** Slots as found, and as planned. */
  found: Assignment
  planned: Assignment
  /** The job's pieces and the shop's, as far as they were read. */
  pieces: ReadonlyMap<string, { source: ShopModule['source'] }>
  units: readonly JobUnit[]
  fit: Pick<Fit, 'hereWithoutOrder' | 'finishedAt' | 'fittedAs'> | undefined
}

const ABSENT: readonly PartPlace[] = ['draft', 'on-its-way', 'to-order', 'bad', 'gone']

/** Whether a part can be fitted now. */
export const isHere = ({ place }: Pick<PlannedPart, 'place'>): boolean => !ABSENT.includes(place)

/** The name of a unit of a piece: `moduleId unit`. */
export const unitName = ({ moduleId, unit }: Assigned): string => `${moduleId} ${unit}`

/** The way back from `unitName`. */
export function unitOfName(name: string): Assigned {
  const [moduleId = '', unit = '0'] = name.split(' ')
  return { moduleId, unit: Number(unit) }
}

/** Where each part of a plan is, in the order of its slots. */
export function plannedParts(to: ToPlace): PlannedPart[] {
  const inMachine = new Set(Object.values(to.found).map(unitName))
  return Object.entries(to.planned).map(([slot, held]) => {
    const ordered =
      to.units.find(({ moduleId, unit }) => moduleId === held.moduleId && unit === held.unit) ??
      null
    const place = inMachine.has(unitName(held)) ? 'machine' : placeOf(to, held, ordered)
    return { ...held, slot, place, ordered }
  })
}

function placeOf(
  { jobId, pieces, fit }: ToPlace,
  held: Assigned,
  ordered: JobUnit | null,
): PartPlace {
  const piece = pieces.get(held.moduleId) as Partial<ShopModule> | undefined
  if (!piece) return 'gone'
  if (piece.source === 'customer') return piece.bad ? 'bad' : 'customer'
  if (piece.source === 'shelf') return ofShelf(piece, jobId)
  const came = cameFor(shopPieces(pieces), jobId, held)
  if (came) return ofShelf(came, jobId) === 'shelf' ? 'here' : ofShelf(came, jobId)
  if (ordered?.pieceId || fit?.hereWithoutOrder.includes(unitName(held))) return 'here'
  if (fit?.finishedAt || isFitted(fit, held)) return 'here'
  if (ordered) return ordered.order.sent ? 'on-its-way' : 'draft'
  return 'to-order'
}

const isFitted = (fit: ToPlace['fit'], held: Assigned): boolean =>
  Object.values(fit?.fittedAs ?? {}).some((one) => unitName(one) === unitName(held))

const shopPieces = (pieces: ToPlace['pieces']) =>
  [...pieces.values()].filter((one) => 'orderedFor' in one) as ShopModule[]

const ofShelf = ({ bad, fittedJobId }: Partial<ShopModule>, jobId: string): PartPlace => {
  if (bad) return 'bad'
  return fittedJobId == null || fittedJobId === jobId ? 'shelf' : 'gone'
}

/** Slots as they are at the bench while parts are missing: a slot whose part is not here has what was found in it, unless that goes elsewhere. */
export function slotsWithWhatIsHere(found: Assignment, parts: readonly PlannedPart[]): Assignment {
  const here = parts.filter(isHere)
  const placed = new Set(here.map(unitName))
  return Object.fromEntries(
    parts.flatMap((part) => {
      if (isHere(part)) return [[part.slot, { moduleId: part.moduleId, unit: part.unit }]]
      const was = found[part.slot]
      return was && !placed.has(unitName(was)) ? [[part.slot, was]] : []
    }),
  )
}
