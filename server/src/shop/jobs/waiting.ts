import type { WaitingFor } from '@tembrix/core/shop/handover'
import { asc, eq, sql } from 'drizzle-orm'
import { claims, customers, type Database, jobs, messages } from '../../base/database'

const WHOSE = {
  jobId: jobs.id,
  job: jobs.number,
  customerName: customers.name,
  phone: customers.phone,
  email: customers.email,
}

/** Claims that are still to be answered, and messages that did not arrive, the oldest first. */
export async function waitingFor(db: Database): Promise<WaitingFor> {
  const claimed = await db
    .select({ claim: claims, ...WHOSE })
    .from(claims)
    .innerJoin(jobs, eq(jobs.id, claims.jobId))
    .innerJoin(customers, eq(customers.id, jobs.customerId))
    .where(sql`${claims.state} in ('noted', 'sent', 'accepted')`)
    .orderBy(asc(claims.firstWrite))
  const lost = await db
    .select({ message: messages, ...WHOSE })
    .from(messages)
    .innerJoin(jobs, eq(jobs.id, messages.jobId))
    .innerJoin(customers, eq(customers.id, jobs.customerId))
    .where(sql`${messages.state} in ('bounced', 'failed')`)
    .orderBy(asc(messages.firstWrite))
  return {
    claims: claimed.map(({ claim, ...whose }) => ({ ...claim, ...whose })),
    messages: lost.map(({ message, ...whose }) => ({ ...message, ...whose })),
  }
}
