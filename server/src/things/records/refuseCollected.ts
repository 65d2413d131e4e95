import { isTakenOnceCollected } from '@tembrix/core/shop/handover'
import type { Collection } from '@tembrix/core/things/records'
import { and, eq, isNotNull, ne } from 'drizzle-orm'
import { handovers, jobs, type Transaction } from '../../base/database'
import { HttpError } from '../../base/http'

/** Records that like machines share with the first of them. */
const SHARED: readonly Collection[] = ['plans', 'quotes']

/** Refuses a write to a job whose machine was collected, unless that is one of those that come later too. */
export async function refuseCollected(
  tx: Transaction,
  collection: Collection,
  jobId: string | null | undefined,
  fields: object,
): Promise<void> {
  if (!jobId || isTakenOnceCollected(collection, fields)) return
  const [collected] = await tx
    .select({ number: jobs.number })
    .from(handovers)
    .innerJoin(jobs, eq(jobs.id, handovers.jobId))
    .where(and(eq(handovers.jobId, jobId), isNotNull(handovers.collected)))
  if (!collected) return
  if (SHARED.includes(collection) && (await othersFollow(tx, jobId))) return
  const message = `Job ${collected.number} is collected and takes no more of this; what comes later is a new visit.`
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
