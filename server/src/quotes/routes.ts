import { refusalOf } from '@tembrix/core/quote'
import { NewQuote, QuotePatch } from '@tembrix/core/records'
import { asc, eq, max } from 'drizzle-orm'
import { Router } from 'express'
import { z } from 'zod'
import { type Database, fits, quotes, type Transaction } from '../database'
import { HttpError, invalid } from '../http'
import {
  answerCreated,
  change,
  create,
  find,
  idOf,
  jobKind,
  quoteKind,
  remove,
  versionOf,
} from '../store'

const Query = z.object({ jobId: z.uuid().optional() })

/** What jobs are offered for. What was offered stays as it was; a change is a new one. */
export function quoteRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (request, response) => {
    const { jobId } = Query.parse(request.query)
    const wanted = jobId ? eq(quotes.jobId, jobId) : undefined
    response.json(
      await db.select().from(quotes).where(wanted).orderBy(asc(quotes.number)).limit(2000),
    )
  })

  routes.post('/', async (request, response) => {
    const quote = NewQuote.parse(request.body)
    const created = await db.transaction(async (tx) => {
      await find(tx, jobKind, quote.jobId)
      return create(tx, quoteKind, { ...quote, number: await nextNumber(tx, quote.jobId) })
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, quoteKind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = QuotePatch.parse(request.body)
    const quote = await db.transaction(async (tx) => {
      await mayChange(tx, id, patch)
      return change(tx, quoteKind, id, patch)
    })
    response.json(quote)
  })

  routes.delete('/:id', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction(async (tx) => {
      await mayBeDropped(tx, id)
      await remove(tx, quoteKind, id, version)
    })
    response.status(204).end()
  })

  return routes
}

async function nextNumber(tx: Transaction, jobId: string): Promise<number> {
  const [last] = await tx
    .select({ number: max(quotes.number) })
    .from(quotes)
    .where(eq(quotes.jobId, jobId))
  return (last?.number ?? 0) + 1
}

async function mayChange(tx: Transaction, id: string, patch: QuotePatch): Promise<void> {
  const quote = await find(tx, quoteKind, id)
  const { version: _, ...change } = patch
  const refusal = refusalOf(quote, change, await isFitted(tx, quote.jobId))
  if (!refusal) return
  const { code, message, field } = refusal
  throw field ? invalid([{ path: field, message }]) : new HttpError(409, code, message)
}

async function mayBeDropped(tx: Transaction, id: string): Promise<void> {
  const { document, number } = await find(tx, quoteKind, id)
  if (document) {
    throw new HttpError(409, 'offered', `Quote ${number} was offered; it stays on the job.`)
  }
}

async function isFitted(tx: Transaction, jobId: string): Promise<boolean> {
  const [fit] = await tx
    .select({ finishedAt: fits.finishedAt })
    .from(fits)
    .where(eq(fits.jobId, jobId))
  return fit?.finishedAt != null
}
