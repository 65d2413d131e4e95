import { z } from 'zod'
import { Module } from '../model'
import type { Blank, KindOfRecord } from './kind'
import { Days, Pieces } from './offered'
import { LongText, Money, OwnId, ShortText, Stored, Versioned } from './stored'

export const MODULE_SOURCES = ['customer', 'shelf', 'supplier'] as const
export const ModuleSource = z.enum(MODULE_SOURCES)
export type ModuleSource = z.infer<typeof ModuleSource>

export const PIECE_CONDITIONS = ['new', 'used'] as const
export const PieceCondition = z.enum(PIECE_CONDITIONS)
export type PieceCondition = z.infer<typeof PieceCondition>

const fields = {
  jobId: z.uuid().nullable(),
  source: ModuleSource,
  module: Module,
  price: Money.nullable(),
  note: LongText,
  condition: PieceCondition.nullable(),
  testedOn: z.iso.date('This is no date.').nullable(),
  serialNumber: ShortText,
  /** Until when somebody stands by it: its maker, its supplier, the shop that sold it. */
  warrantyUntil: z.iso.date('This is no date.').nullable(),
  fromJobId: z.uuid().nullable(),
  fittedJobId: z.uuid().nullable(),
  supplier: ShortText,
  stock: Pieces.nullable(),
  leadDays: Days.nullable(),
  askedAt: z.iso.datetime().nullable(),
  /** The supplier's module and unit in a job's plan that this piece was ordered for. */
  orderedFor: z.object({ jobId: z.uuid(), moduleId: z.uuid(), unit: z.int().min(0) }).nullable(),
  /** What it cost the shop, in minor units; null where nobody noted it. */
  cost: Money.nullable(),
  /** The delivery note or invoice it came with. */
  invoice: ShortText,
  /** Put aside as bad: when, by whom and why. Null for one that may be used. */
  bad: z.object({ at: z.iso.datetime(), by: ShortText, why: z.string().max(500) }).nullable(),
}

export const NewModuleRecord = OwnId.extend({
  ...fields,
  jobId: fields.jobId.default(null),
  price: fields.price.default(null),
  note: fields.note.default(''),
  condition: fields.condition.default(null),
  testedOn: fields.testedOn.default(null),
  serialNumber: fields.serialNumber.default(''),
  warrantyUntil: fields.warrantyUntil.default(null),
  fromJobId: fields.fromJobId.default(null),
  supplier: fields.supplier.default(''),
  stock: fields.stock.default(null),
  leadDays: fields.leadDays.default(null),
  cost: fields.cost.default(null),
  invoice: fields.invoice.default(''),
  bad: fields.bad.default(null),
})
  .omit({ askedAt: true, fittedJobId: true, orderedFor: true })
  .refine(({ jobId, source }) => (jobId === null) === (source !== 'customer'), {
    error: 'A customer’s module belongs to a job; the shelf’s and the supplier’s belong to none.',
    path: ['jobId'],
  })
export type NewModuleRecord = z.input<typeof NewModuleRecord>

export const ModuleChange = z
  .object(fields)
  .omit({ jobId: true, source: true, askedAt: true, fittedJobId: true, orderedFor: true })
  .partial()
export type ModuleChange = z.infer<typeof ModuleChange>
export const ModulePatch = Versioned.extend(ModuleChange.shape)

/**
 * A piece that can be put in a slot: one of the customer's (on its job), one on the shop's shelf, or
 * what a supplier sells (any number; `price` is for the whole kit where the module is one of a kit).
 * On the shelf: `testedOn` null means untested, `fromJobId` the job it was taken out
 * at, `fittedJobId` the job it left the shelf with. Of a
 * supplier: `stock` purchases available and `leadDays` till they come, as heard at `askedAt`; null
 * where nobody has asked.
 */
export const ModuleRecord = Stored.extend(fields)
export type ModuleRecord = z.infer<typeof ModuleRecord>

/** A piece of the shop's, the job whose plans hold it, and the number of the one it was taken out at. */
export const ShopModule = ModuleRecord.extend({
  keptFor: z.object({ jobId: z.uuid(), number: z.int() }).nullable(),
  fromJob: z.int().nullable(),
})
export type ShopModule = z.infer<typeof ShopModule>

/**
 * Whether a job can plan with a piece of the shop's: it is not put aside as bad, no other job's plans hold it, it was not ordered for what they
 * hold already, and of the shelf, where there is one, it is not for several machines.
 */
export const isFreeFor = (
  {
    keptFor,
    orderedFor,
    source,
    bad,
  }: Pick<ShopModule, 'keptFor' | 'orderedFor' | 'source' | 'bad'>,
  { id, machines }: { id: string; machines: number },
): boolean =>
  bad === null &&
  (machines === 1 || source !== 'shelf') &&
  (keptFor === null || (keptFor.jobId === id && orderedFor?.jobId !== id))

/** A module of which nothing but itself is known. */
const BLANK: Omit<Blank<ModuleRecord>, 'module' | 'source'> = {
  price: null,
  note: '',
  condition: null,
  testedOn: null,
  serialNumber: '',
  warrantyUntil: null,
  fromJobId: null,
  supplier: '',
  stock: null,
  leadDays: null,
  askedAt: null,
  fittedJobId: null,
  orderedFor: null,
  cost: null,
  invoice: '',
  bad: null,
}

export const MODULES = {
  record: 'module',
  displayName: 'a module',
  inJob: 'many',
  shownIn: ['shopModules'],
  createSchema: NewModuleRecord,
  updateSchema: ModulePatch,
  stored: ModuleRecord,
  blank: BLANK,
  entries: [],
} as const satisfies KindOfRecord
