import { JOB_LISTS, type JobList, type Stage } from '@tembrix/core/records'
import { and, desc, eq, ilike, or, type SQL, sql } from 'drizzle-orm'
import { customers, type Database, history, jobs, machines, type Transaction } from '../database'
import { RECORDS } from '../kinds'
import { customerKind, find, jobKind, machineKind } from '../store'

/** The counter's list, newest change first; every word of `search` must be found somewhere in a line. */
export function listJobs(db: Database, search: string, stage: Stage | undefined) {
  const machineName = sql<string>`${machines.machine}->>'name'`
  const number = sql<string>`${jobs.number}::text`
  const words = search.split(/\s+/).filter(Boolean)
  const matches = (word: string): SQL | undefined => {
    const pattern = `%${word.replace(/[\\%_]/g, '\\$&')}%`
    const places = [customers.name, customers.phone, machineName, jobs.complaint, number]
    return or(...places.map((place) => ilike(place, pattern)))
  }
  return db
    .select({
      id: jobs.id,
      number: jobs.number,
      complaint: jobs.complaint,
      stage: jobs.stage,
      dueOn: jobs.dueOn,
      updatedAt: jobs.updatedAt,
      customerName: customers.name,
      machineName,
      machineKind: sql<string>`${machines.machine}->>'kind'`,
    })
    .from(jobs)
    .innerJoin(customers, eq(customers.id, jobs.customerId))
    .innerJoin(machines, eq(machines.id, jobs.machineId))
    .where(and(stage ? eq(jobs.stage, stage) : undefined, ...words.map(matches)))
    .orderBy(desc(jobs.lastWrite))
    .limit(500)
}

/** A job with everything it rests on. */
export async function readJob(tx: Transaction, id: string) {
  const job = await find(tx, jobKind, id)
  const lists: [JobList, unknown[]][] = []
  for (const list of JOB_LISTS) {
    lists.push([list, await RECORDS[list].list(tx, { jobId: id })])
  }
  return {
    ...job,
    customer: await find(tx, customerKind, job.customerId),
    machine: await find(tx, machineKind, job.machineId),
    ...(Object.fromEntries(lists) as Record<JobList, unknown[]>),
  }
}

/** Every write to a job and what it rests on, newest first. */
export async function jobHistory(tx: Transaction, id: string) {
  const { customerId, machineId } = await find(tx, jobKind, id)
  return tx
    .select()
    .from(history)
    .where(
      or(eq(history.jobId, id), eq(history.recordId, customerId), eq(history.recordId, machineId)),
    )
    .orderBy(desc(history.id))
    .limit(500)
}
