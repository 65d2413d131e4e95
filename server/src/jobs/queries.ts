import { randomUUID } from 'node:crypto'
import type { JobPatch, NewJob, Stage } from '@tembrix/core/records'
import { and, asc, desc, eq, ilike, or, type SQL, sql } from 'drizzle-orm'
import type { z } from 'zod'
import {
  customers,
  type Database,
  fits,
  frames,
  history,
  jobs,
  machines,
  measurements,
  modules,
  photos,
  plans,
  quotes,
  readings,
  type Transaction,
  verifications,
} from '../database'
import { checkAssignment, keepPieces } from '../placements'
import {
  type Created,
  change,
  create,
  customerKind,
  find,
  jobKind,
  machineKind,
  modelKind,
  planKind,
} from '../store'

type Job = typeof jobs.$inferSelect

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
    .orderBy(desc(jobs.updatedAt), desc(jobs.number))
    .limit(500)
}

/** A job with everything it rests on. */
export async function readJob(tx: Transaction, id: string) {
  const job = await find(tx, jobKind, id)
  return {
    ...job,
    customer: await find(tx, customerKind, job.customerId),
    machine: await find(tx, machineKind, job.machineId),
    modules: await tx
      .select()
      .from(modules)
      .where(eq(modules.jobId, id))
      .orderBy(asc(modules.createdAt)),
    plans: await tx.select().from(plans).where(eq(plans.jobId, id)).orderBy(asc(plans.createdAt)),
    readings: await tx
      .select()
      .from(readings)
      .where(eq(readings.jobId, id))
      .orderBy(asc(readings.createdAt)),
    photos: await tx
      .select()
      .from(photos)
      .where(eq(photos.jobId, id))
      .orderBy(asc(photos.createdAt)),
    verifications: await tx.select().from(verifications).where(eq(verifications.jobId, id)),
    measurements: await tx
      .select()
      .from(measurements)
      .where(eq(measurements.jobId, id))
      .orderBy(asc(measurements.createdAt)),
    frames: await tx
      .select()
      .from(frames)
      .where(eq(frames.jobId, id))
      .orderBy(asc(frames.createdAt)),
    fits: await tx.select().from(fits).where(eq(fits.jobId, id)),
    quotes: await tx.select().from(quotes).where(eq(quotes.jobId, id)).orderBy(asc(quotes.number)),
  }
}

/** Stores a job with its first plan, and its customer and machine where they are new. */
export async function createJob(
  tx: Transaction,
  { customer, machine, ...job }: z.output<typeof NewJob>,
): Promise<Created<Job>> {
  if (job.id) {
    const [known] = await tx.select().from(jobs).where(eq(jobs.id, job.id))
    if (known) return { row: known, fresh: false }
  }
  const owner =
    'name' in customer
      ? (await create(tx, customerKind, customer)).row
      : await find(tx, customerKind, customer.id)
  if ('machine' in machine && machine.modelId) await find(tx, modelKind, machine.modelId)
  const device =
    'machine' in machine
      ? (await create(tx, machineKind, { ...machine, customerId: owner.id })).row
      : await find(tx, machineKind, machine.id)
  const planId = randomUUID()
  const created = await create(tx, jobKind, {
    ...job,
    customerId: owner.id,
    machineId: device.id,
    planId,
  })
  await create(tx, planKind, {
    id: planId,
    jobId: created.row.id,
    name: 'Plan 1',
    placement: null,
    profile: false,
  })
  return created
}

export async function changeJob(tx: Transaction, id: string, patch: z.output<typeof JobPatch>) {
  if (patch.found) await checkAssignment(tx, id, 'found', patch.found)
  const job = await change(tx, jobKind, id, patch)
  if (patch.stage) await keepPieces(tx, id)
  return job
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
