import { z } from 'zod'
import {
  Claim,
  Customer,
  Fit,
  FrameLog,
  Handover,
  Job,
  MachineRecord,
  Measurement,
  ModelRecord,
  ModuleRecord,
  Photo,
  Plan,
  Quote,
  ReadingRecord,
  Verification,
} from '../records'

/** What a file of a whole job says it is, and in which version of that form. */
export const EXCHANGE_FORMAT = 'tembrix-job'
export const EXCHANGE_VERSION = 1

/** Modules of the shop's that the job's slots hold: the shelf's, and suppliers' articles. */
const Piece = ModuleRecord.omit({
  version: true,
  jobId: true,
  fromJobId: true,
  fittedJobId: true,
})

/**
 * A whole job with everything it rests on, as it goes into a file and comes out of it elsewhere. Records
 * keep their ids and times; how often each was written stays where it was.
 */
export const ExchangedJob = z.strictObject({
  format: z.literal(EXCHANGE_FORMAT),
  version: z.literal(EXCHANGE_VERSION),
  job: Job.omit({ version: true }),
  customer: Customer.omit({ version: true }),
  machine: MachineRecord.omit({ version: true }),
  /** The shop's record of the machine's model; null where it has none. */
  model: ModelRecord.omit({ version: true }).nullable(),
  pieces: z.array(Piece).max(500),
  modules: z.array(ModuleRecord.omit({ version: true })).max(500),
  plans: z.array(Plan.omit({ version: true })).max(200),
  quotes: z.array(Quote.omit({ version: true })).max(200),
  readings: z.array(ReadingRecord.omit({ version: true })).max(500),
  photos: z.array(Photo.omit({ version: true })).max(300),
  fits: z.array(Fit.omit({ version: true })).max(1),
  verifications: z.array(Verification.omit({ version: true })).max(1),
  handovers: z.array(Handover.omit({ version: true })).max(1),
  claims: z.array(Claim.omit({ version: true })).max(200),
  measurements: z.array(Measurement.omit({ version: true })).max(5000),
  frames: z.array(FrameLog.omit({ version: true })).max(500),
})
export type ExchangedJob = z.infer<typeof ExchangedJob>

/** Lists of a file whose records belong to its job. */
export const EXCHANGED_LISTS = [
  'modules',
  'plans',
  'quotes',
  'readings',
  'photos',
  'fits',
  'verifications',
  'handovers',
  'claims',
  'measurements',
  'frames',
] as const satisfies readonly (keyof ExchangedJob)[]

/** The form of such a file, as JSON Schema; what only code can check is left open in it. */
export const exchangeSchema = (): object =>
  z.toJSONSchema(ExchangedJob, { io: 'input', unrepresentable: 'any' })
