import type { z } from 'zod'
import { UNFITTED, UNKNOWN_PIECE, UNVERIFIED } from './blank'
import { Customer, CustomerPatch, NewCustomer } from './customer'
import { Fit, FitPatch, NewFit } from './fit'
import { FrameLog, FrameLogPatch, NewFrameLog } from './frameLog'
import type { RecordKind } from './history'
import { Job, JobPatch, NewJob } from './job'
import { MachinePatch, MachineRecord, NewMachineRecord } from './machineRecord'
import { Measurement, MeasurementPatch, NewMeasurement } from './measurement'
import { ModelPatch, ModelRecord, NewModelRecord } from './modelRecord'
import { ModulePatch, ModuleRecord, NewModuleRecord } from './moduleRecord'
import { Photo, PhotoPatch } from './photo'
import { NewPlan, Plan, PlanPatch } from './plan'
import { NewQuote, Quote, QuotePatch } from './quote'
import { NewReadingRecord, ReadingPatch, ReadingRecord } from './readingRecord'
import { NewVerification, Verification, VerificationPatch } from './verification'

interface Kind {
  /** What one of them is called in the history. */
  record: RecordKind
  /** What makes one; null where a screen cannot. */
  made: z.ZodObject | null
  /** What changes one. */
  patch: z.ZodObject
  stored: z.ZodObject
  /** How a job holds them: it is one itself, has one, has a list of them, or a list of at most one. */
  inJob: 'itself' | 'one' | 'many' | 'at-most-one' | null
  /** What one just made holds until the server has said more. */
  blank: object
  /** Fields in which every entry stands for itself; others are taken whole. */
  entries: readonly string[]
}

/** Every kind of record that screens write, by its path under the API. */
export const KINDS = {
  customers: {
    record: 'customer',
    made: NewCustomer,
    patch: CustomerPatch,
    stored: Customer,
    inJob: 'one',
    blank: {},
    entries: [],
  },
  machines: {
    record: 'machine',
    made: NewMachineRecord,
    patch: MachinePatch,
    stored: MachineRecord,
    inJob: 'one',
    blank: {},
    entries: [],
  },
  models: {
    record: 'model',
    made: NewModelRecord,
    patch: ModelPatch,
    stored: ModelRecord,
    inJob: null,
    blank: {},
    entries: [],
  },
  jobs: {
    record: 'job',
    made: NewJob,
    patch: JobPatch,
    stored: Job,
    inJob: 'itself',
    blank: {},
    entries: ['rulings'],
  },
  modules: {
    record: 'module',
    made: NewModuleRecord,
    patch: ModulePatch,
    stored: ModuleRecord,
    inJob: 'many',
    blank: UNKNOWN_PIECE,
    entries: [],
  },
  readings: {
    record: 'reading',
    made: NewReadingRecord,
    patch: ReadingPatch,
    stored: ReadingRecord,
    inJob: 'many',
    blank: { by: '', text: null, base64: null, seats: {} },
    entries: ['seats'],
  },
  photos: {
    record: 'photo',
    made: null,
    patch: PhotoPatch,
    stored: Photo,
    inJob: 'many',
    blank: {},
    entries: [],
  },
  plans: {
    record: 'plan',
    made: NewPlan,
    patch: PlanPatch,
    stored: Plan,
    inJob: 'many',
    blank: { placement: null, profile: false, manual: null },
    entries: [],
  },
  quotes: {
    record: 'quote',
    made: NewQuote,
    patch: QuotePatch,
    stored: Quote,
    inJob: 'many',
    blank: {
      options: [],
      depositPercent: null,
      validUntil: null,
      note: '',
      number: 0,
      offered: null,
      approval: null,
      ended: null,
      document: null,
    },
    entries: ['options'],
  },
  fits: {
    record: 'fit',
    made: NewFit,
    patch: FitPatch,
    stored: Fit,
    inJob: 'at-most-one',
    blank: UNFITTED,
    entries: ['ticks', 'screws', 'screwsBack', 'serials', 'removed'],
  },
  verifications: {
    record: 'verification',
    made: NewVerification,
    patch: VerificationPatch,
    stored: Verification,
    inJob: 'at-most-one',
    blank: UNVERIFIED,
    entries: ['seen', 'trials', 'stability', 'tuning', 'accepted'],
  },
  measurements: {
    record: 'measurement',
    made: NewMeasurement,
    patch: MeasurementPatch,
    stored: Measurement,
    inJob: 'many',
    blank: {
      unit: '',
      failed: 0,
      bandwidth: null,
      work: null,
      at: null,
      conditions: {},
      busy: false,
      note: '',
    },
    entries: ['runs', 'conditions'],
  },
  frames: {
    record: 'frames',
    made: NewFrameLog,
    patch: FrameLogPatch,
    stored: FrameLog,
    inJob: 'many',
    blank: { session: 1, at: null, conditions: {} },
    entries: ['conditions'],
  },
} as const satisfies Record<string, Kind>

export type Collection = keyof typeof KINDS

type PatchOf<C extends Collection> = z.input<(typeof KINDS)[C]['patch']>
type MadeOf<C extends Collection> = (typeof KINDS)[C]['made']

/** What may be set in a record of a kind. */
export type ChangeOf<C extends Collection> = Omit<PatchOf<C>, 'version'>
/** What a new record of a kind is made of, but for its own id. */
export type NewOf<C extends Collection> =
  MadeOf<C> extends z.ZodObject ? Omit<z.input<MadeOf<C>>, 'id'> : never

type ListIn<C extends Collection> = (typeof KINDS)[C]['inJob'] extends 'many' | 'at-most-one'
  ? C
  : never
/** Kinds of which a job has a list. */
export type JobList = { [C in Collection]: ListIn<C> }[Collection]

export const COLLECTIONS = Object.keys(KINDS) as Collection[]
export const JOB_LISTS = COLLECTIONS.filter((one): one is JobList =>
  ['many', 'at-most-one'].includes(KINDS[one].inJob ?? ''),
)

/**
 * Whether a change may go out within the create before it. Not where a job has one, perhaps begun at
 * another screen, nor where a change may set what a create does not take.
 */
export function joinsCreate(collection: Collection): boolean {
  const { made, patch, inJob } = KINDS[collection]
  if (made === null || inJob === 'at-most-one') return false
  return Object.keys(patch.shape).every((name) => name === 'version' || name in made.shape)
}
