import { and, eq, type SQL, sql } from 'drizzle-orm'
import { customers, jobs, machines, type Transaction } from '../database'

/** What a search for a job looks among: its number and complaint, what its customer and machine are called. */
const SAID = sql`lower(concat_ws(' ', '', ${jobs.number}, ${jobs.complaint}, ${customers.name}, ${customers.phone}, ${machines.machine}->>'name'))`

/** Brings up to date what is found of a job, or of all jobs of a customer or a machine; to be called after each write to these. */
export async function retell(
  tx: Transaction,
  of: { id: string } | { customerId: string } | { machineId: string },
): Promise<void> {
  const [[name, id]] = Object.entries(of) as [['id' | 'customerId' | 'machineId', string]]
  const where: SQL | undefined = and(
    eq(jobs[name], id),
    eq(customers.id, jobs.customerId),
    eq(machines.id, jobs.machineId),
    sql`${jobs.said} is distinct from ${SAID}`,
  )
  await tx.execute(
    sql`update ${jobs} set said = ${SAID} from ${customers}, ${machines} where ${where}`,
  )
}
