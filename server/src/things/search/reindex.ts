import { and, eq, type SQL, sql } from 'drizzle-orm'
import {
  customers,
  dialled,
  fits,
  jobs,
  machines,
  modules,
  type Transaction,
} from '../../base/database'

/** The job's own modules and those of the shelf that went into its machine: part numbers and serial numbers. */
const MODULES = sql`(select string_agg(concat_ws(' ', ${modules.module}->>'article', ${modules.serialNumber}), ' ')
  from ${modules} where ${modules.jobId} = ${jobs.id} or ${modules.fittedJobId} = ${jobs.id})`
/** Serial numbers noted at the bench. */
const SERIALS = sql`(select string_agg(value, ' ') from ${fits}, jsonb_each_text(${fits.serials})
  where ${fits.jobId} = ${jobs.id})`

/** What a search for a job looks among. */
const SEARCH_TEXT = sql`searchable(concat_ws(' ', '', ${jobs.number}, ${jobs.complaint}, ${customers.name},
  ${customers.phone}, ${customers.email}, ${machines.machine}->>'name', ${machines.serialNumber},
  ${MODULES}, ${SERIALS}) || ${dialled(customers.phone)})`

/** Brings up to date what is found of a job, or of all jobs of a customer or a machine; to be called after each write to these. */
export async function reindex(
  tx: Transaction,
  of: { id: string } | { customerId: string } | { machineId: string },
): Promise<void> {
  const [[name, id]] = Object.entries(of) as [['id' | 'customerId' | 'machineId', string]]
  const where: SQL | undefined = and(
    eq(jobs[name], id),
    eq(customers.id, jobs.customerId),
    eq(machines.id, jobs.machineId),
    sql`${jobs.searchText} is distinct from ${SEARCH_TEXT}`,
  )
  await tx.execute(
    sql`update ${jobs} set search_text = ${SEARCH_TEXT} from ${customers}, ${machines} where ${where}`,
  )
}
