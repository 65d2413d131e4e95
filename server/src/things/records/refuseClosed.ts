import { isTakenOnceClosed } from '@tembrix/core/shop/handover'
import type { Collection } from '@tembrix/core/things/records'
import { and, eq, isNotNull, ne, or } from 'drizzle-orm'
import { handovers, jobs, type Transaction } from '../../base/database'
import { HttpError } from '../../base/http'

/** Records that like machines share with the first of them. */
const SHARED: readonly Collection[] = ['plans', 'quotes']

/** Refuses a write to a job whose machine was collected, or that ended without work, unless that is one of those that come later too. */
export async function refuseClosed(
  tx: Transaction,
  collection: Collection,
  jobId: string | null | undefined,
  fields: object,
): Promise<void> {
  if (!jobId || isTakenOnceClosed(collection, fields)) return
  const [closed] = await tx
    .select({ number: jobs.number })
    .from(jobs)
    .leftJoin(handovers, eq(handovers.jobId, jobs.id))
    .where(and(eq(jobs.id, jobId), or(isNotNull(handovers.collected), isNotNull(jobs.withoutWork))))
  if (!closed) return
  if (SHARED.includes(collection) && (await othersFollow(tx, jobId))) return
  const message = `Job ${closed.number} is closed and takes no more of this; what comes later is a new visit.`
  throw new HttpError(409, 'collected', message)
}

/** Whether like machines that are not collected yet go by this job's plan and quote. */
async function othersFollow(tx: Transaction, jobId: string): Promise<boolean> {
  const found = await tx
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(eq(jobs.leadId, jobId), ne(jobs.stage, 'closed')))
    .limit(1)
  return found.length > 0
}
