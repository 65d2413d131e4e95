import type { z } from 'zod'
import { Customer, CustomerPatch, NewCustomer } from './customer'
import { Fit, FitPatch, NewFit } from './fit'
import { FrameLog, FrameLogPatch, NewFrameLog } from './frameLog'
import { Job, JobPatch, NewJob } from './job'
import { type Collection, FACTS } from './kindFacts'
import { MachinePatch, MachineRecord, NewMachineRecord } from './machineRecord'
import { Measurement, MeasurementPatch, NewMeasurement } from './measurement'
import { ModelPatch, ModelRecord, NewModelRecord } from './modelRecord'
import { ModulePatch, ModuleRecord, NewModuleRecord } from './moduleRecord'
import { NewPhoto, Photo, PhotoPatch } from './photo'
import { NewPlan, Plan, PlanPatch } from './plan'
import { NewQuote, Quote, QuotePatch } from './quote'
import { NewReadingRecord, ReadingPatch, ReadingRecord } from './readingRecord'
import { NewVerification, Verification, VerificationPatch } from './verification'

interface Schemas {
  /** What makes one. */
  made: z.ZodObject
  /** What changes one. */
  patch: z.ZodObject
  stored: z.ZodObject
}

/** Every kind of record that screens write, with its schemas. */
export const KINDS = {
  customers: {
    ...FACTS.customers,
    made: NewCustomer,
    patch: CustomerPatch,
    stored: Customer,
  },
  machines: {
    ...FACTS.machines,
    made: NewMachineRecord,
    patch: MachinePatch,
    stored: MachineRecord,
  },
  models: {
    ...FACTS.models,
    made: NewModelRecord,
    patch: ModelPatch,
    stored: ModelRecord,
  },
  jobs: {
    ...FACTS.jobs,
    made: NewJob,
    patch: JobPatch,
    stored: Job,
  },
  modules: {
    ...FACTS.modules,
    made: NewModuleRecord,
    patch: ModulePatch,
    stored: ModuleRecord,
  },
  readings: {
    ...FACTS.readings,
    made: NewReadingRecord,
    patch: ReadingPatch,
    stored: ReadingRecord,
  },
  photos: {
    ...FACTS.photos,
    made: NewPhoto,
    patch: PhotoPatch,
    stored: Photo,
  },
  plans: {
    ...FACTS.plans,
    made: NewPlan,
    patch: PlanPatch,
    stored: Plan,
  },
  quotes: {
    ...FACTS.quotes,
    made: NewQuote,
    patch: QuotePatch,
    stored: Quote,
  },
  fits: {
    ...FACTS.fits,
    made: NewFit,
    patch: FitPatch,
    stored: Fit,
  },
  verifications: {
    ...FACTS.verifications,
    made: NewVerification,
    patch: VerificationPatch,
    stored: Verification,
  },
  measurements: {
    ...FACTS.measurements,
    made: NewMeasurement,
    patch: MeasurementPatch,
    stored: Measurement,
  },
  frames: {
    ...FACTS.frames,
    made: NewFrameLog,
    patch: FrameLogPatch,
    stored: FrameLog,
  },
} as const satisfies Record<Collection, Schemas>

type PatchOf<C extends Collection> = z.input<(typeof KINDS)[C]['patch']>

/** What may be set in a record of a kind. */
export type ChangeOf<C extends Collection> = Omit<PatchOf<C>, 'version'>
/** What a new record of a kind is made of, but for its own id. */
export type NewOf<C extends Collection> = Omit<z.input<(typeof KINDS)[C]['made']>, 'id'>
