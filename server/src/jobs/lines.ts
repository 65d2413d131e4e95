import { counterStanding } from '@tembrix/core/counter'
import type { JobLine } from '@tembrix/core/records'
import { inArray, sql } from 'drizzle-orm'
import {
  customers,
  type Database,
  fits,
  handovers,
  jobs,
  machines,
  modules,
  modulesIn,
  plans,
  quotes,
} from '../database'

/** What of a job a line is made of. */
export const LISTED = {
  id: jobs.id,
  number: jobs.number,
  complaint: jobs.complaint,
  stage: jobs.stage,
  dueOn: jobs.dueOn,
  updatedAt: jobs.updatedAt,
  customerId: jobs.customerId,
  machineId: jobs.machineId,
  planId: jobs.planId,
  lastWrite: jobs.lastWrite,
}

type Listed = Pick<typeof jobs.$inferSelect, keyof typeof LISTED>

/** The counter's lines of some jobs, by id: who it is for, and where each stands on the day `today`. */
export async function linesOf(
  db: Database,
  found: readonly Listed[],
  today: string,
): Promise<Map<string, JobLine>> {
  const of = <K extends keyof Listed>(name: K) => found.map((one) => one[name] as string)
  const ids = of('id')
  const owners = await db
    .select({ id: customers.id, name: customers.name, phone: customers.phone })
    .from(customers)
    .where(inArray(customers.id, of('customerId')))
  const devices = await db
    .select({
      id: machines.id,
      name: sql<string>`${machines.machine}->>'name'`,
      kind: sql<string>`${machines.machine}->>'kind'`,
    })
    .from(machines)
    .where(inArray(machines.id, of('machineId')))
  const offered = await db
    .select({
      jobId: quotes.jobId,
      number: quotes.number,
      validUntil: sql<string | null>`${quotes.document}->>'validUntil'`,
      approved: sql<boolean>`${quotes.approval} is not null`,
      ended: sql<'declined' | 'withdrawn' | null>`${quotes.ended}->>'as'`,
    })
    .from(quotes)
    .where(inArray(quotes.jobId, ids))
    .orderBy(quotes.number)
  const planned = await db
    .select({
      jobId: plans.jobId,
      planned: sql<boolean>`${plans.placement} is not null`,
      supplied: sql<boolean>`exists (select 1 from ${modules} where ${modules.source} = 'supplier'
        and ${modules.id} in (select value::uuid from jsonb_array_elements_text(${modulesIn(plans.placement)})))`,
    })
    .from(plans)
    .where(
      inArray(
        plans.id,
        found.flatMap(({ planId }) => planId ?? []),
      ),
    )
  const fitted = await db
    .select({
      jobId: fits.jobId,
      begun: sql<boolean>`${fits.ticks} <> '{}'::jsonb or ${fits.seconds} > 0 or ${fits.runningSince} is not null`,
      finished: sql<boolean>`${fits.finishedAt} is not null`,
    })
    .from(fits)
    .where(inArray(fits.jobId, ids))
  const ended = await db
    .select({
      jobId: handovers.jobId,
      signed: sql<boolean>`${handovers.signed} is not null`,
      collected: sql<boolean>`${handovers.collected} is not null`,
    })
    .from(handovers)
    .where(inArray(handovers.jobId, ids))

  const owner = new Map(owners.map((one) => [one.id, one]))
  const device = new Map(devices.map((one) => [one.id, one]))
  const plan = byJob(planned)
  const fit = byJob(fitted)
  const end = byJob(ended)
  const versions = grouped(offered)
  return new Map(
    found.map(({ customerId, machineId, planId: _plan, lastWrite: _last, ...job }) => {
      const { name, phone } = owner.get(customerId) as (typeof owners)[number]
      const machine = device.get(machineId) as (typeof devices)[number]
      const standing = counterStanding(
        {
          stage: job.stage,
          planned: plan.get(job.id)?.planned ?? false,
          supplied: plan.get(job.id)?.supplied ?? false,
          quotes: versions.get(job.id) ?? [],
          fit: fit.get(job.id) ?? null,
          signed: end.get(job.id)?.signed ?? false,
          collected: end.get(job.id)?.collected ?? false,
        },
        today,
      )
      const line = {
        ...job,
        customerName: name,
        phone,
        machineName: machine.name,
        machineKind: machine.kind,
        ...standing,
      }
      return [job.id, line]
    }),
  )
}

const byJob = <T extends { jobId: string }>(rows: readonly T[]) =>
  new Map(rows.map((row) => [row.jobId, row]))

function grouped<T extends { jobId: string }>(rows: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const row of rows) groups.set(row.jobId, [...(groups.get(row.jobId) ?? []), row])
  return groups
}
