import { neededParts, unitOfName } from '@tembrix/core/shop/orders'
import { agreedTo, withReplacements } from '@tembrix/core/shop/quote'
import { grouped } from '@tembrix/core/things/model'
import { type NeededLine, piecesById } from '@tembrix/core/things/records'
import { and, asc, eq, inArray, isNull, notInArray, sql } from 'drizzle-orm'
import {
  customers,
  type Database,
  fits,
  jobs,
  modules,
  plans,
  quotes,
  unitsOnOrder,
} from '../../base/database'

/** What approved jobs that are not fitted yet need of suppliers and no order stands for, the job due first before others. */
export async function neededLines(db: Pick<Database, 'select'>): Promise<NeededLine[]> {
  const waiting = await db
    .select({
      id: jobs.id,
      number: jobs.number,
      dueOn: jobs.dueOn,
      customerName: customers.name,
      quote: { number: quotes.number, approval: quotes.approval, ended: quotes.ended },
      document: quotes.document,
      fit: { here: fits.hereWithoutOrder, replaced: fits.replaced },
      placement: plans.placement,
    })
    .from(jobs)
    .innerJoin(customers, eq(customers.id, jobs.customerId))
    .innerJoin(
      quotes,
      and(
        eq(quotes.jobId, sql`coalesce(${jobs.leadId}, ${jobs.id})`),
        sql`${quotes.approval} is not null`,
      ),
    )
    .leftJoin(fits, eq(fits.jobId, jobs.id))
    .leftJoin(plans, eq(plans.id, jobs.planId))
    .where(and(notInArray(jobs.stage, ['verify', 'handover', 'closed']), isNull(fits.finishedAt)))
    .orderBy(sql`${jobs.dueOn} asc nulls last`, asc(jobs.number), asc(quotes.number))
  const byJob = grouped(waiting, ({ id }) => id)
  const agreed = [...byJob.values()].flatMap((versions) => {
    const quote = agreedTo(versions.map((row) => ({ ...row.quote, row })))
    const option = quote?.row.document?.options.find(({ id }) => id === quote.approval?.optionId)
    if (!quote || !option) return []
    const { fit, placement } = quote.row
    return [
      {
        job: quote.row,
        placement: withReplacements(option.placement, placement, fit?.replaced ?? []),
      },
    ]
  })
  const ids = agreed.flatMap(({ placement }) => Object.values(placement))
  if (ids.length === 0) return []
  const sold = await db
    .select()
    .from(modules)
    .where(inArray(modules.id, [...new Set(ids.map(({ moduleId }) => moduleId))]))
  const pieces = piecesById(sold)
  const offers = new Map(sold.map((one) => [one.id, one]))
  const ordered = await db
    .select()
    .from(unitsOnOrder)
    .where(
      inArray(
        unitsOnOrder.jobId,
        agreed.map(({ job }) => job.id),
      ),
    )
  const covered = grouped(ordered, ({ jobId }) => jobId)
  return agreed.flatMap(({ job, placement }) =>
    neededParts(placement, pieces, [
      ...(covered.get(job.id) ?? []),
      ...(job.fit?.here ?? []).map(unitOfName),
    ]).map((line) => ({
      ...line,
      jobId: job.id,
      job: job.number,
      customerName: job.customerName,
      dueOn: job.dueOn,
      supplier: offers.get(line.moduleId)?.supplier ?? '',
      leadDays: offers.get(line.moduleId)?.leadDays ?? null,
    })),
  )
}
