import { STARTING_CAUSES } from '../model'
import type { RecordKind } from './history'

type Stored = Readonly<Record<string, unknown>>
type Upgrade = (record: Stored) => Stored

/**
 * How records of older versions are brought to the shape of today's schemas, one shape after the other:
 * the shape of a kind is the number of its upgrades. What columns alone can say is done by the database's
 * migrations; this is for what lies within.
 */
export const UPGRADES: Partial<Record<RecordKind, readonly Upgrade[]>> = {
  shop: [withNewCauses],
  job: [withGraphicsOpen],
}

/** The number of the shape in which records of a kind are written now. */
export const shapeOf = (kind: RecordKind): number => UPGRADES[kind]?.length ?? 0

/** A stored record in today's shape; `shape` is the number it was written in. */
export const upgraded = (kind: RecordKind, record: Stored, shape: number): Stored =>
  (UPGRADES[kind] ?? []).slice(shape).reduce((held, upgrade) => upgrade(held), record)

/** 1: a box that was not ticked said as little as nobody asking where the graphics are. */
function withGraphicsOpen(job: Stored): Stored {
  const { sizing } = job
  if (typeof sizing !== 'object' || sizing === null) return job
  const said = (sizing as Stored).integratedGraphics === true
  return { ...job, sizing: { ...sizing, integratedGraphics: said ? true : null } }
}

/** 1: a table of before some cause was in it takes what is usual for that one. */
function withNewCauses(shop: Stored): Stored {
  return { ...shop, causes: { ...STARTING_CAUSES, ...(shop.causes as object) } }
}
