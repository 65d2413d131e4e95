import { randomUUID } from 'node:crypto'
import type { PlacedRead } from '@tembrix/core/shop/job'
import type { ActWrite } from '@tembrix/core/things/records'
import { eq, inArray, or } from 'drizzle-orm'
import { type Database, modules, readings, type Transaction } from '../../base/database'
import { HttpError } from '../../base/http'
import { inPool } from '../../base/pool'
import { find, jobKind, listed, machineKind, moduleKind, readingKind } from '../../things/store'

/** Makes the writes of an act, each by the rules of its kind. */
export type WriteAll = (tx: Transaction, writes: readonly ActWrite[]) => Promise<unknown>

/** Number of attempts to place the modules in a job that changes meanwhile; then the report is kept without them. */
const TRIES = 3

/** Keeps the report of a job's machine, with the modules it puts into slots that nothing is in: all of it in one transaction. */
export async function keepReport(
  db: Database,
  jobId: string,
  text: string,
  writeAll: WriteAll,
): Promise<void> {
  const fields = { jobId, name: 'report by code', text }
  const report: ActWrite = { action: 'create', collection: 'readings', id: randomUUID(), fields }
  for (let tried = 1; ; tried += 1) {
    const placed = tried > TRIES ? [] : await placing(db, jobId, { ...fields, id: report.id })
    try {
      await db.transaction((tx) => writeAll(tx, [report, ...placed]))
      return
    } catch (error) {
      const isStale = error instanceof HttpError && error.code === 'stale_version'
      if (!isStale || placed.length === 0) throw error
    }
  }
}

/** The writes that put the modules of a report into a job's slots, worked out in a thread. */
async function placing(db: Database, jobId: string, report: object): Promise<ActWrite[]> {
  const { version, ...job } = await db.transaction((tx) => jobToPlaceIn(tx, jobId))
  const bytes = Buffer.from(JSON.stringify({ ...job, report }))
  const { modules: made, found }: PlacedRead = await inPool({ work: 'place', bytes })
  if (!found) return []
  return [
    ...made.map(
      ({ id, module }): ActWrite => ({
        action: 'create',
        collection: 'modules',
        id,
        fields: { jobId, source: 'customer', module },
      }),
    ),
    { action: 'change', collection: 'jobs', id: jobId, version, fields: { found } },
  ]
}

async function jobToPlaceIn(tx: Transaction, jobId: string) {
  const { version, found, rulings, machineId } = await find(tx, jobKind, jobId)
  const placed = Object.values(found).map(({ moduleId }) => moduleId)
  return {
    version,
    found,
    rulings,
    machine: await find(tx, machineKind, machineId),
    readings: await listed(tx, readingKind, eq(readings.jobId, jobId)),
    pieces: await listed(tx, moduleKind, or(eq(modules.jobId, jobId), inArray(modules.id, placed))),
  }
}
