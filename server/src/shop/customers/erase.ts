import { NOBODY, withoutPerson } from '@tembrix/core/shop/erasure'
import { deepEqual } from '@tembrix/core/things/model'
import { JOB_LISTS, JobFile } from '@tembrix/core/things/records'
import { eq, inArray, or, sql } from 'drizzle-orm'
import {
  customers,
  history,
  jobs,
  machines,
  passwords,
  pictures,
  type Transaction,
} from '../../base/database'
import { HttpError, versionConflict } from '../../base/http'
import { reindex } from '../../things/search'
import {
  customerKind,
  find,
  jobKind,
  kindOf,
  listed,
  machineKind,
  noteOf,
  type StoredTable,
} from '../../things/store'
import { readJob } from '../jobs'

/**
 * Takes out of every record what names a customer or tells their machines from others, and out of the history
 * what was changed. The machines and their results stay, of nobody.
 * @throws HttpError 409 `open_jobs` while a job of theirs is open.
 */
export async function erase(tx: Transaction, id: string, version: number): Promise<void> {
  const customer = await find(tx, customerKind, id)
  if (customer.version !== version) throw versionConflict(customerKind.record)
  const theirs = await listed(tx, jobKind, eq(jobs.customerId, id))
  const open = theirs.find(({ stage }) => stage !== 'closed')
  if (open) {
    const message = `Job ${open.number} is still open: close it first, so that nothing is lost on the way.`
    throw new HttpError(409, 'open_jobs', message)
  }
  for (const job of theirs) await eraseJob(tx, job.id)
  await put(tx, customers, id, NOBODY)
  const owned = await listed(tx, machineKind, eq(machines.customerId, id))
  for (const machine of owned) await put(tx, machines, machine.id, { serialNumber: '', note: '' })
  const ids = [id, ...owned.map((one) => one.id)]
  const jobIds = theirs.map((job) => job.id)
  await tx
    .update(history)
    .set({ changes: null })
    .where(
      or(
        inArray(history.recordId, ids),
        jobIds.length > 0 ? inArray(history.jobId, jobIds) : undefined,
      ),
    )
  await reindex(tx, { customerId: id })
  await noteOf(tx, customerKind, await find(tx, customerKind, id), 'erased')
  for (const jobId of jobIds) await noteOf(tx, jobKind, await find(tx, jobKind, jobId), 'erased')
}

async function eraseJob(tx: Transaction, id: string): Promise<void> {
  const file = JobFile.parse(await readJob(tx, id))
  const bare = withoutPerson(file)
  const { complaint, uses, condition, ownSettings, accessories, login, followUpOn } = bare
  const words = { complaint, uses, condition, ownSettings, accessories }
  await put(tx, jobs, id, { ...words, login, followUpOn })
  const pictured = file.photos.map((photo) => photo.id)
  if (pictured.length > 0) await tx.delete(pictures).where(inArray(pictures.photoId, pictured))
  await tx.delete(passwords).where(eq(passwords.jobId, id))
  for (const list of JOB_LISTS) {
    // What it follows of another job is erased with that one.
    if (list === 'quotes' && file.lead) continue
    const { table } = kindOf(list)
    const left = new Map(bare[list].map((record) => [record.id, record]))
    for (const record of file[list]) {
      const kept = left.get(record.id)
      if (!kept) await tx.delete(table as StoredTable).where(eq(table.id, record.id))
      else if (!deepEqual(kept, record)) await put(tx, table, record.id, fieldsOf(kept))
    }
  }
}

/** What of a record is its own, without what the store keeps of it. */
function fieldsOf({
  id: _,
  version: __,
  createdAt: ___,
  updatedAt: ____,
  ...fields
}: {
  id: string
  version: number
  createdAt: string
  updatedAt: string
}): object {
  return fields
}

/** Writes over a record and leaves no trace of what was there. */
async function put(tx: Transaction, table: StoredTable, id: string, fields: object): Promise<void> {
  await tx
    .update(table)
    .set({
      ...fields,
      version: sql`${table.version} + 1`,
      lastWrite: sql`nextval('writes')`,
    } as never)
    .where(eq(table.id, id))
}
