import type { ExchangedJob } from '@tembrix/core/shop/exchange'
import { JOB_LISTS } from '@tembrix/core/things/records'
import { eq, sql } from 'drizzle-orm'
import { jobs, modules, pictures, type Transaction } from '../../base/database'
import { HttpError } from '../../base/http'
import { reindex } from '../../things/search'
import {
  create,
  customerKind,
  jobKind,
  kindOf,
  machineKind,
  modelKind,
  moduleKind,
  type StoredKind,
  type StoredTable,
} from '../../things/store'

/** What became of a file: the job, and whether it has the number it had. */
export interface TakenIn {
  id: string
  number: number
  numberBefore: number
}

/**
 * Stores a job of a file with everything it rests on. Its customer, machine and model stay as they are where
 * they are known; the shelf's pieces in it come as having left with it.
 * @throws HttpError 409 `known` where the job is here already, `taken` where a part of it is another job's.
 */
export async function takeInJob(
  tx: Transaction,
  file: ExchangedJob,
  photos: ReadonlyMap<string, Uint8Array>,
): Promise<TakenIn> {
  const { job, customer, machine, model } = file
  const [known] = await tx.select().from(jobs).where(eq(jobs.id, job.id))
  if (known) {
    throw new HttpError(409, 'known', `This job is here already: it is job ${known.number}.`)
  }
  await create(tx, customerKind, customer)
  if (model) await create(tx, modelKind, model)
  const { row: device } = await create(tx, machineKind, machine)
  if (device.customerId !== customer.id) {
    throw new HttpError(409, 'taken', 'The machine is here already, with another customer.')
  }
  const number = await numberFor(tx, job.number)
  const followsId = (await isThere(tx, jobs, job.followsId)) ? job.followsId : null
  await create(tx, jobKind, { ...job, number, followsId })
  for (const piece of file.pieces) {
    if (await isThere(tx, modules, piece.id)) continue
    const fittedJobId = piece.source === 'shelf' ? job.id : null
    await create(tx, moduleKind, { ...piece, jobId: null, fromJobId: null, fittedJobId })
  }
  const own = await Promise.all(file.modules.map((module) => withoutStrangers(tx, module)))
  for (const list of JOB_LISTS) {
    await createAll(tx, kindOf(list), list === 'modules' ? own : file[list])
  }
  for (const [photoId, picture] of photos) await tx.insert(pictures).values({ photoId, picture })
  await reindex(tx, { id: job.id })
  return { id: job.id, number, numberBefore: job.number }
}

/** A module without what it says of jobs that are not here. */
async function withoutStrangers(tx: Transaction, module: ExchangedJob['modules'][number]) {
  const { fromJobId, fittedJobId } = module
  return {
    ...module,
    fromJobId: (await isThere(tx, jobs, fromJobId)) ? fromJobId : null,
    fittedJobId: (await isThere(tx, jobs, fittedJobId)) ? fittedJobId : null,
  }
}

async function createAll<T extends StoredTable>(
  tx: Transaction,
  kind: StoredKind<T>,
  records: readonly object[],
): Promise<void> {
  for (const record of records) {
    const { fresh } = await create(tx, kind, record as T['$inferInsert'])
    if (!fresh)
      throw new HttpError(409, 'taken', `A ${kind.record} of it is here with another job.`)
  }
}

/** The number it had where that is free, else the next one. */
async function numberFor(tx: Transaction, wanted: number): Promise<number> {
  const [taken] = await tx.select({ id: jobs.id }).from(jobs).where(eq(jobs.number, wanted))
  if (taken) {
    const { rows } = await tx.execute(sql`select nextval('jobs_number_seq')::int as number`)
    return (rows[0] as { number: number }).number
  }
  await tx.execute(sql`select setval('jobs_number_seq', greatest(${wanted},
    (select last_value from jobs_number_seq)))`)
  return wanted
}

async function isThere(
  tx: Transaction,
  table: typeof jobs | typeof modules,
  id: string | null,
): Promise<boolean> {
  if (id === null) return false
  const [found] = await tx.select({ id: table.id }).from(table).where(eq(table.id, id))
  return found !== undefined
}
