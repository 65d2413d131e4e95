import { z } from 'zod'
import {
  Customer,
  JOB_LISTS,
  Job,
  type JobList,
  KINDS,
  MachineRecord,
  ModelRecord,
  ModuleRecord,
} from '../../things/records'

/** What a file of a whole job says it is, and in which version of that form. */
export const EXCHANGE_FORMAT = 'tembrix-job'
export const EXCHANGE_VERSION = 5

/** The most records of a kind in a file. */
const MOST = 5000

/** Modules of the shop's that the job's slots hold: the shelf's, and suppliers' articles. */
const Piece = ModuleRecord.omit({
  version: true,
  jobId: true,
  fromJobId: true,
  fittedJobId: true,
  orderedFor: true,
})

type Lists = {
  [L in JobList]: z.ZodArray<z.ZodType<Omit<z.output<(typeof KINDS)[L]['stored']>, 'version'>>>
}

/**
 * A whole job with everything it rests on, as it goes into a file and comes out of it elsewhere: every kind
 * of which jobs have lists. Records keep their ids and times; how often each was written stays where it was.
 */
export const ExchangedJob = z.strictObject({
  format: z.literal(EXCHANGE_FORMAT),
  version: z.literal(EXCHANGE_VERSION),
  job: Job.omit({ version: true }),
  customer: Customer.omit({ version: true }),
  machine: MachineRecord.omit({ version: true }),
  /** The shop's record of the machine's model; null where it has none. */
  model: ModelRecord.omit({ version: true }).nullable(),
  pieces: z.array(Piece).max(MOST),
  ...(Object.fromEntries(
    JOB_LISTS.map((list) => [
      list,
      z.array((KINDS[list].stored as z.ZodObject).omit({ version: true })).max(MOST),
    ]),
  ) as unknown as Lists),
})
export type ExchangedJob = z.infer<typeof ExchangedJob>

/** The form of such a file, as JSON Schema; what only code can check is left open in it. */
export const exchangeSchema = (): object =>
  z.toJSONSchema(ExchangedJob, { io: 'input', unrepresentable: 'any' })
