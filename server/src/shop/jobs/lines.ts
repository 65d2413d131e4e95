import { counterStanding, isTold, type PartsProgress } from '@tembrix/core/shop/counter'
import type { JobLine } from '@tembrix/core/things/records'
import { eq, inArray, sql } from 'drizzle-orm'
import {
  customers,
  type Database,
  fits,
  handovers,
  jobs,
  machines,
  modules,
  plans,
  quotes,
  unitsOnOrder,
} from '../../base/database'

/** What became of one version of a quote. */
interface Offered {
  number: number
  validUntil: string | null
  approved: boolean
  ended: 'declined' | 'withdrawn' | null
  minutes: number | null
}

/** Whether a unit is here though no order stands for it, or was fitted before. */
const HERE_ANYWAY = sql`(coalesce(${fits.hereWithoutOrder}, '[]'::jsonb) ? concat(placed.value->>'moduleId', ' ', placed.value->>'unit')
  or coalesce(${fits.fittedAs}->placed.key = placed.value, false))`

const SUPPLY = sql<PartsProgress>`(select json_build_object('units', count(*),
    'ordered', count(*) filter (where ${unitsOnOrder.unit} is not null or ${HERE_ANYWAY}),
    'here', count(*) filter (where ${unitsOnOrder.pieceId} is not null or ${HERE_ANYWAY}),
    'lastOn', max(${unitsOnOrder.dueOn}) filter (where ${unitsOnOrder.pieceId} is null and not ${HERE_ANYWAY}))
  from jsonb_each(${plans.placement}) as placed
  join ${modules} on ${modules.id} = (placed.value->>'moduleId')::uuid and ${modules.source} = 'supplier'
  left join ${unitsOnOrder} on ${unitsOnOrder.jobId} = ${jobs.id} and ${unitsOnOrder.moduleId} = ${modules.id}
    and ${unitsOnOrder.unit} = (placed.value->>'unit')::int)`

/** Of the option agreed to, else of the first. */
const MINUTES = sql`(select (option->>'minutes')::int
  from jsonb_array_elements(${quotes.document}->'options') as option
  order by (option->>'id' = ${quotes.approval}->>'optionId') desc nulls last limit 1)`

const OFFERED = sql<Offered[] | null>`(select json_agg(json_build_object('number', ${quotes.number},
    'validUntil', ${quotes.document}->>'validUntil', 'approved', ${quotes.approval} is not null,
    'ended', ${quotes.ended}->>'as', 'minutes', ${MINUTES}) order by ${quotes.number})
  from ${quotes} where ${quotes.jobId} = coalesce(${jobs.leadId}, ${jobs.id}))`

/** How many like machines a job has, its own with them. */
const MACHINES = sql<number>`(select 1 + count(*)::int from jobs as like_it
  where like_it.lead_id = coalesce(${jobs.leadId}, ${jobs.id}))`

/** As `isSized` in core, without reading a log of a day. */
const SIZED = sql<boolean>`(jsonb_array_length(${jobs.sizing}->'uses') > 0
  or coalesce(${jobs.sizing}->'log' <> 'null'::jsonb, false)
  or coalesce(${jobs.sizing}->'wantedGiB' <> 'null'::jsonb, false))`

const BEGUN = sql<boolean>`(${fits.ticks} <> '{}'::jsonb or ${fits.seconds} > 0
  or ${fits.runningSince} is not null)`

const there = (column: unknown) => sql<boolean>`coalesce(${column} is not null, false)`

/**
 * The counter's lines of some jobs, by id: who it is for, and where each stands on the day `today`. Read in
 * one statement, since the database takes longer over a statement than over a few rows.
 */
export async function linesOf(
  db: Database,
  ids: readonly string[],
  today: string,
): Promise<Map<string, JobLine>> {
  if (ids.length === 0) return new Map()
  const rows = await db
    .select({
      line: {
        id: jobs.id,
        number: jobs.number,
        complaint: jobs.complaint,
        stage: jobs.stage,
        dueOn: jobs.dueOn,
        updatedAt: jobs.updatedAt,
        followUpOn: jobs.followUpOn,
        leadId: jobs.leadId,
        customerId: jobs.customerId,
        machineId: jobs.machineId,
        customerName: customers.name,
        phone: customers.phone,
        machineName: sql<string>`${machines.machine}->>'name'`,
        machineKind: sql<string>`${machines.machine}->>'kind'`,
      },
      machines: MACHINES,
      planned: there(plans.placement),
      uses: jobs.uses,
      soldered: sql<number>`jsonb_array_length(coalesce(${machines.machine}->'soldered', '[]'::jsonb))`,
      filled: sql<boolean>`${jobs.found} <> '{}'::jsonb`,
      sized: SIZED,
      supply: SUPPLY,
      offered: OFFERED,
      begun: BEGUN,
      finished: there(fits.finishedAt),
      signed: there(handovers.signed),
      collected: there(handovers.collected),
    })
    .from(jobs)
    .innerJoin(customers, eq(customers.id, jobs.customerId))
    .innerJoin(machines, eq(machines.id, jobs.machineId))
    .leftJoin(plans, eq(plans.id, jobs.planId))
    .leftJoin(fits, eq(fits.jobId, jobs.id))
    .leftJoin(handovers, eq(handovers.jobId, jobs.id))
    .where(inArray(jobs.id, [...ids]))
  return new Map(
    rows.map(({ line, offered, begun, finished, machines: count, uses, ...job }) => {
      const fit = { begun: begun ?? false, finished }
      const facts = {
        ...job,
        stage: line.stage,
        asked: isTold({ complaint: line.complaint, uses }),
        identified: job.filled || job.soldered > 0,
        quotes: offered ?? [],
        fit,
      }
      const standing = counterStanding(facts, today)
      const partsOn = standing.state === 'parts' ? job.supply.lastOn : null
      const minutes = finished ? 0 : quotedMinutes(facts.quotes)
      const isDone = standing.state === 'ready' || standing.state === 'closed'
      const like = { machines: count, ready: isDone ? 1 : 0, actId: line.id }
      return [line.id, { ...line, ...standing, ...like, partsOn, minutes }]
    }),
  )
}

/** The minutes of what was agreed to, else of the last offer. */
function quotedMinutes(quotes: readonly Offered[]): number | null {
  const agreed = quotes.findLast(({ approved, ended }) => approved && !ended)
  const offered = quotes.findLast(({ validUntil }) => validUntil !== null)
  return (agreed ?? offered)?.minutes ?? null
}
