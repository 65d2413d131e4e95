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
  shop: [withNewCauses, withOwnWorks],
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

/** The works that uses of the starting table were forecast as, before they had works of their own. */
const WORKS_BEFORE: Readonly<Record<string, { was: string; is: string }>> = {
  machines: { was: 'compiling', is: 'virtual-machines' },
  models: { was: 'rendering', is: 'models' },
}

/** 2: virtual machines and models are works of their own; a work that the shop chose itself stays. */
function withOwnWorks(shop: Stored): Stored {
  const { uses: table } = shop
  if (typeof table !== 'object' || table === null) return shop
  const { uses } = table as { uses?: unknown }
  if (!Array.isArray(uses)) return shop
  const renewed = uses.map((use: Stored) => {
    const row = WORKS_BEFORE[String(use.id)]
    return row && use.work === row.was ? { ...use, work: row.is } : use
  })
  return { ...shop, uses: { ...table, uses: renewed } }
}
