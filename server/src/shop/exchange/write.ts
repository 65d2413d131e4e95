import { createHash } from 'node:crypto'
import {
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  ExchangedJob,
  isUnderWay,
} from '@tembrix/core/shop/exchange'
import { JobFile } from '@tembrix/core/things/records'
import { inArray } from 'drizzle-orm'
import { modules, pictures, type Transaction } from '../../base/database'
import { find, listed, modelKind, moduleKind } from '../../things/store'
import { readJob } from '../jobs'

/** A job and everything it rests on, with its pictures, as they go into a file. */
export async function exchanged(
  tx: Transaction,
  id: string,
): Promise<{ job: ExchangedJob; pictures: Map<string, Uint8Array> }> {
  const file = settled(byItself(JobFile.parse(await readJob(tx, id))))
  const { modelId } = file.machine
  const job = {
    ...file,
    format: EXCHANGE_FORMAT,
    version: EXCHANGE_VERSION,
    job: file,
    model: modelId ? await find(tx, modelKind, modelId) : null,
    pieces: await piecesOf(tx, file),
  }
  const wanted = Object.keys(ExchangedJob.shape) as (keyof typeof job)[]
  return {
    job: ExchangedJob.parse(Object.fromEntries(wanted.map((name) => [name, job[name]]))),
    pictures: await picturesOf(tx, file),
  }
}

/** A job as it goes out alone: elsewhere there is no other that it follows, so that the quote it follows is its own. */
function byItself(file: JobFile): JobFile {
  if (!file.lead) return file
  const quotes = file.quotes.map((quote) => ({
    ...quote,
    id: idFrom(`${quote.id} ${file.id}`),
    jobId: file.id,
  }))
  return { ...file, leadId: null, quotes }
}

/** A job whose messages are through or given up: elsewhere nobody is to send them again. */
const settled = (file: JobFile): JobFile => ({
  ...file,
  messages: file.messages.map((message) =>
    isUnderWay(message)
      ? { ...message, state: 'failed' as const, why: 'Under way when the job was saved as a file.' }
      : message,
  ),
})

/** An id that is the same for the same text. */
function idFrom(text: string): string {
  const hex = createHash('sha256').update(text).digest('hex')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`
}

/** What the job's slots hold, found or planned, and that is not its own. */
async function piecesOf(tx: Transaction, { found, plans, modules: own }: JobFile) {
  const placed = [found, ...plans.map(({ placement }) => placement ?? {})]
  const held = new Set(placed.flatMap((one) => Object.values(one).map(({ moduleId }) => moduleId)))
  for (const { id } of own) held.delete(id)
  return held.size > 0 ? listed(tx, moduleKind, inArray(modules.id, [...held])) : []
}

async function picturesOf(tx: Transaction, { photos }: JobFile): Promise<Map<string, Uint8Array>> {
  if (photos.length === 0) return new Map()
  const ids = photos.map(({ id }) => id)
  const rows = await tx.select().from(pictures).where(inArray(pictures.photoId, ids))
  return new Map(rows.map(({ photoId, picture }) => [photoId, picture]))
}
