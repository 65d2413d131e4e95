import { type ActWrite, NewAct } from '@tembrix/core/things/records'
import { eq } from 'drizzle-orm'
import { Router } from 'express'
import { ZodError } from 'zod'
import { acts, type Database, type Transaction } from '../base/database'
import { HttpError, versionConflict } from '../base/http'
import { RECORDS } from '../kinds'
import type { Stamped } from '../things/records'

/** What belongs together is written as one, or not at all; one sent again is answered as it stands. */
export function actRoutes(db: Database): Router {
  const routes = Router()
  routes.post('/', async (request, response) => {
    const { id, writes } = NewAct.parse(request.body)
    const answer = await db.transaction(async (tx) => {
      const done = writes.map(({ action, collection, id }) => ({ action, collection, id }))
      const [fresh] = await tx
        .insert(acts)
        .values({ id, writes: done })
        .onConflictDoNothing()
        .returning({ id: acts.id })
      if (!fresh) return { fresh: false, records: await asTheyStand(tx, id) }
      return { fresh: true, records: await writeAll(tx, writes) }
    })
    response.status(answer.fresh ? 201 : 200).json({ records: answer.records })
  })
  return routes
}

/** Makes the writes of an act, each by the rules of its kind; answers the records in their order, null for one removed. */
export async function writeAll(
  tx: Transaction,
  writes: readonly ActWrite[],
): Promise<(Stamped | null)[]> {
  // Expectations are checked first: a write may change other records along with its own.
  const records: (Stamped | null)[] = []
  const inTurn = [...writes.entries()].sort((a, b) => turnOf(a[1]) - turnOf(b[1]))
  for (const [at, one] of inTurn) records[at] = await written(tx, one, at)
  return records
}

const turnOf = ({ action }: ActWrite): number => (action === 'expect' ? 0 : 1)

async function written(tx: Transaction, write: ActWrite, at: number): Promise<Stamped | null> {
  try {
    return await doneTo(tx, write)
  } catch (error) {
    throw inPlace(error, at)
  }
}

async function doneTo(tx: Transaction, write: ActWrite): Promise<Stamped | null> {
  const { collection, id } = write
  const { make, change, remove, find } = RECORDS[collection]
  switch (write.action) {
    case 'create':
      if (!make) throw impossible(collection)
      return (await make(tx, { ...write.fields, id })).row
    case 'change':
      return change(tx, id, { ...write.fields, version: write.version })
    case 'remove':
      if (!remove) throw impossible(collection)
      await remove(tx, id, write.version)
      return null
    case 'expect': {
      const row = await find(tx, id)
      if (row.version !== write.version) throw versionConflict('record')
      return row
    }
  }
}

const impossible = (collection: string) =>
  new HttpError(400, 'impossible', `That cannot be done to ${collection}.`)

/** An error with the place of its write in the act. */
function inPlace(error: unknown, at: number): unknown {
  const path = `writes.${at}`
  if (error instanceof ZodError) {
    return new ZodError(
      error.issues.map((issue) => ({ ...issue, path: ['writes', at, 'fields', ...issue.path] })),
    )
  }
  if (!(error instanceof HttpError)) return error
  const { status, code, message, fields } = error
  const within = fields?.map((one) => ({ ...one, path: `${path}.fields.${one.path}` }))
  return new HttpError(status, code, message, {
    fields: within ?? [{ path, message }],
  })
}

/** The records of an act that was through before, null for each that is gone. */
async function asTheyStand(tx: Transaction, id: string): Promise<(Stamped | null)[]> {
  const [act] = await tx.select().from(acts).where(eq(acts.id, id))
  const records = []
  for (const { collection, id } of act?.writes ?? []) {
    records.push(await RECORDS[collection].find(tx, id).catch(goneAsNull))
  }
  return records
}

function goneAsNull(error: unknown): null {
  if (error instanceof HttpError && error.status === 404) return null
  throw error
}
