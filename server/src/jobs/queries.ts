import { JOB_LISTS, type JobLine, type JobList, type Stage } from '@tembrix/core/records'
import { and, eq, inArray, or, sql } from 'drizzle-orm'
import { customers, type Database, history, jobs, machines, type Transaction } from '../database'
import { notFound } from '../errors'
import { saying } from '../search'
import {
  afterCursor,
  customerKind,
  cutPage,
  find,
  gathered,
  historyPage,
  jobKind,
  kindOf,
  machineKind,
  ofRecord,
  ordering,
  type Page,
  type Paging,
  type Wanted,
} from '../store'

/** The counter's list, newest change first; every word of `search` must be found somewhere in a line. */
export async function listJobs(
  db: Database,
  search: string,
  stage: Stage | undefined,
  paging: Paging,
): Promise<Page<JobLine>> {
  const order = { by: jobs.lastWrite, descending: true }
  const stages = stage ? eq(jobs.stage, stage) : undefined
  const found = await db
    .select({
      id: jobs.id,
      number: jobs.number,
      complaint: jobs.complaint,
      stage: jobs.stage,
      dueOn: jobs.dueOn,
      updatedAt: jobs.updatedAt,
      customerId: jobs.customerId,
      machineId: jobs.machineId,
      lastWrite: jobs.lastWrite,
    })
    .from(jobs)
    .where(and(stages, saying(jobs.said, search), afterCursor(order, jobs.id, paging)))
    .orderBy(...ordering(order, jobs.id))
    .limit(paging.limit + 1)
  const named = await namesOf(db, found)
  return cutPage(
    found.map(({ customerId, machineId, lastWrite, ...line }) => ({
      row: { ...line, ...named(customerId, machineId) },
      cursor: [lastWrite, line.id] as const,
    })),
    paging,
  )
}

/** What the customers and machines of some jobs are called. */
async function namesOf(
  db: Database,
  found: readonly { customerId: string; machineId: string }[],
): Promise<
  (
    customerId: string,
    machineId: string,
  ) => Pick<JobLine, 'customerName' | 'machineName' | 'machineKind'>
> {
  const owners = await db
    .select({ id: customers.id, name: customers.name })
    .from(customers)
    .where(
      inArray(
        customers.id,
        found.map(({ customerId }) => customerId),
      ),
    )
  const devices = await db
    .select({
      id: machines.id,
      name: sql<string>`${machines.machine}->>'name'`,
      kind: sql<JobLine['machineKind']>`${machines.machine}->>'kind'`,
    })
    .from(machines)
    .where(
      inArray(
        machines.id,
        found.map(({ machineId }) => machineId),
      ),
    )
  const names = new Map(owners.map(({ id, name }) => [id, name]))
  const kinds = new Map(devices.map((one) => [one.id, one]))
  return (customerId, machineId) => {
    const device = kinds.get(machineId) as (typeof devices)[number]
    return {
      customerName: names.get(customerId) as string,
      machineName: device.name,
      machineKind: device.kind,
    }
  }
}

/** A job with everything it rests on. */
export async function readJob(db: Pick<Transaction, 'execute'>, id: string) {
  const itself = (name: string) => sql`(select ${sql.identifier(name)} from jobs where id = ${id})`
  const listed = JOB_LISTS.map((list): [JobList, Wanted] => {
    const of = kindOf(list)
    return [list, { of, where: eq(of.table.jobId, id) }]
  })
  const lists = Object.fromEntries(listed) as Record<JobList, Wanted>
  const { job, customer, machine, ...rest } = await gathered(db, {
    job: { of: jobKind, where: eq(jobs.id, id) },
    customer: { of: customerKind, where: eq(customers.id, itself('customer_id')) },
    machine: { of: machineKind, where: eq(machines.id, itself('machine_id')) },
    ...lists,
  })
  if (!job[0]) throw notFound(jobKind.record)
  return { ...job[0], customer: customer[0], machine: machine[0], ...rest }
}

/** Every write to a job and what it rests on, newest first. */
export async function jobHistory(tx: Transaction, id: string, paging: Paging) {
  const { customerId, machineId } = await find(tx, jobKind, id)
  const onIt = or(eq(history.jobId, id), ofRecord(customerId), ofRecord(machineId))
  return historyPage(tx, onIt, paging)
}
