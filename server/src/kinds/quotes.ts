import { refusalOf } from '@tembrix/core/shop/quote'
import { eq, max } from 'drizzle-orm'
import { fits, quotes, type Transaction } from '../base/database'
import { HttpError, invalid } from '../base/http'
import { refuseFollower } from '../shop/jobs'
import type { Rules } from '../things/records'

/** What jobs are offered for. What was offered stays as it was; a change is a new one. */
export const quoteRules: Rules<'quotes'> = {
  making: async (tx, quote) => {
    await refuseFollower(tx, quote.jobId)
    return { ...quote, number: await nextNumber(tx, quote.jobId) }
  },
  changing: async (tx, quote, patch) => {
    const { version: _, ...change } = patch
    const refusal = refusalOf(quote, change, await isFitted(tx, quote.jobId))
    if (!refusal) return patch
    const { code, message, field } = refusal
    throw field ? invalid([{ path: field, message }]) : new HttpError(409, code, message)
  },
  removing: async (_, { document, number }) => {
    if (document) {
      throw new HttpError(409, 'offered', `Quote ${number} was offered; it stays on the job.`)
    }
  },
}

async function nextNumber(tx: Transaction, jobId: string): Promise<number> {
  const [last] = await tx
    .select({ number: max(quotes.number) })
    .from(quotes)
    .where(eq(quotes.jobId, jobId))
  return (last?.number ?? 0) + 1
}

async function isFitted(tx: Transaction, jobId: string): Promise<boolean> {
  const [fit] = await tx
    .select({ finishedAt: fits.finishedAt })
    .from(fits)
    .where(eq(fits.jobId, jobId))
  return fit?.finishedAt != null
}
