import { z } from 'zod'
import { JOB_LISTS, type JobList } from './collections'
import { Customer } from './customer'
import { Job } from './job'
import { KINDS } from './kinds'
import { MachineRecord } from './machineRecord'

type Lists = { [L in JobList]: z.ZodArray<(typeof KINDS)[L]['stored']> }

/** A job with everything it rests on: every kind of which jobs have lists. */
export const JobFile = Job.extend({
  customer: Customer,
  machine: MachineRecord,
  /** How many like machines there are, this one with them; and the job whose plan and quote it follows. */
  machines: z.int().positive(),
  lead: z.object({ id: z.uuid(), number: z.int() }).nullable(),
  ...(Object.fromEntries(JOB_LISTS.map((list) => [list, z.array(KINDS[list].stored)])) as Lists),
})
export type JobFile = z.infer<typeof JobFile>
