import { JOB_LISTS, type JobLine, type JobList, type Stage } from '@tembrix/core/records'
import { and, asc, eq, ne, or, sql } from 'drizzle-orm'
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
import { linesOf } from './lines'

/** Which jobs a list is narrowed to. */
export interface JobsWanted {
  search: string
  stage?: Stage | undefined
  customerId?: string | undefined
}

/** Jobs, newest change first; every word of `search` must be found somewhere in what is said of one. `today` is an ISO date. */
export async function listJobs(
  db: Database,
  { search, stage, customerId }: JobsWanted,
  today: string,
  paging: Paging,
): Promise<Page<JobLine>> {
  const order = { by: jobs.lastWrite, descending: true }
  const wanted = and(
    stage ? eq(jobs.stage, stage) : undefined,
    customerId ? eq(jobs.customerId, customerId) : undefined,
    saying(jobs.said, search),
  )
  const found = await db
    .select({ id: jobs.id, lastWrite: jobs.lastWrite })
    .from(jobs)
    .where(and(wanted, afterCursor(order, jobs.id, paging)))
    .orderBy(...ordering(order, jobs.id))
    .limit(paging.limit + 1)
  const lines = await linesOf(
    db,
    found.map(({ id }) => id),
    today,
  )
  return cutPage(
    found.map(({ id, lastWrite }) => ({
      row: lines.get(id) as JobLine,
      cursor: [lastWrite, id] as const,
    })),
    paging,
  )
}

/** Every job that is not closed: the counter's day, `today` being an ISO date. */
export async function openJobs(db: Database, today: string): Promise<JobLine[]> {
  const found = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(ne(jobs.stage, 'closed'))
    .orderBy(asc(jobs.dueOn), asc(jobs.number))
  const lines = await linesOf(
    db,
    found.map(({ id }) => id),
    today,
  )
  return found.map(({ id }) => lines.get(id) as JobLine)
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
