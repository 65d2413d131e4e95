import type { Visit } from '@tembrix/core/shop/handover'
import type { HandoverDocument, Message, Quote } from '@tembrix/core/things/records'
import { desc, eq, inArray } from 'drizzle-orm'
import {
  claims,
  type Database,
  handovers,
  jobs,
  messages,
  photos,
  quotes,
} from '../../base/database'
import { claimKind, listed } from '../../things/store'
import { linesOf } from '../jobs'

/** Visits of a customer or of a machine, the newest first, each as it stands on the day `today` (ISO date). */
export async function visitsOf(
  db: Database,
  whose: { customerId: string } | { machineId: string },
  today: string,
): Promise<Visit[]> {
  const { id, number, machineId, createdAt, withoutWork } = jobs
  const came = await db
    .select({ id, number, machineId, createdAt, withoutWork })
    .from(jobs)
    .where(
      'customerId' in whose
        ? eq(jobs.customerId, whose.customerId)
        : eq(jobs.machineId, whose.machineId),
    )
    .orderBy(desc(number))
  const ids = came.map((one) => one.id)
  if (ids.length === 0) return []
  const lines = await linesOf(db, ids, today)
  const signed = await db
    .select({ jobId: handovers.jobId, document: handovers.document })
    .from(handovers)
    .where(inArray(handovers.jobId, ids))
  const offered = await db
    .select({
      jobId: quotes.jobId,
      id: quotes.id,
      number: quotes.number,
      document: quotes.document,
      approval: quotes.approval,
      ended: quotes.ended,
      offered: quotes.offered,
    })
    .from(quotes)
    .where(inArray(quotes.jobId, ids))
    .orderBy(quotes.number)
  const claimed = await db.transaction((tx) => listed(tx, claimKind, inArray(claims.jobId, ids)))
  const sent = await db
    .select()
    .from(messages)
    .where(inArray(messages.jobId, ids))
    .orderBy(messages.createdAt)
  const taken = await db
    .select({ jobId: photos.jobId, id: photos.id, caption: photos.caption })
    .from(photos)
    .where(inArray(photos.jobId, ids))
  const of = <Row extends { jobId: string }>(rows: readonly Row[], jobId: string) =>
    rows.filter((row) => row.jobId === jobId)
  return came.flatMap((visit) => {
    const job = lines.get(visit.id)
    if (!job) return []
    const document = of(signed, visit.id)[0]?.document ?? null
    return [
      {
        job,
        machineId: visit.machineId,
        cameAt: visit.createdAt,
        withoutWork: visit.withoutWork?.as ?? null,
        signed: document && asSigned(document),
        quotes: of(offered, visit.id).flatMap(asQuoted),
        claims: of(claimed, visit.id),
        messages: of(sent, visit.id).map(asSent),
        photos: of(taken, visit.id).map(({ id, caption }) => ({ id, caption })),
      },
    ]
  })
}

const asSigned = ({ on, fitted, removed, measured, open }: HandoverDocument) => ({
  on,
  fitted,
  removed,
  measured,
  open,
})

function asQuoted({
  id,
  number,
  document,
  approval,
  ended,
  offered,
}: Pick<Quote, 'id' | 'number' | 'document' | 'approval' | 'ended' | 'offered'>): Visit['quotes'] {
  if (!document) return []
  return [
    {
      id,
      number,
      offeredOn: (offered?.at ?? '').slice(0, 10),
      currency: document.currency,
      ended: ended?.as ?? null,
      options: document.options.map((option) => ({
        title: option.title,
        toPay: option.toPay,
        isApproved: option.id === approval?.optionId,
      })),
    },
  ]
}

const asSent = ({ id, createdAt, reason, channel, to, state }: Message) => ({
  id,
  createdAt,
  reason,
  channel,
  to,
  state,
})
