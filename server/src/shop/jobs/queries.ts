import { followed, groupedLines } from '@tembrix/core/shop/groups'
import type { EarlierVisit } from '@tembrix/core/shop/handover'
import {
  type Assignment,
  JOB_LISTS,
  type JobLine,
  type JobList,
  type LikeMachine,
  type Quote,
  type Stage,
} from '@tembrix/core/things/records'
import { and, asc, desc, eq, isNotNull, ne, or, sql } from 'drizzle-orm'
import {
  customers,
  type Database,
  handovers,
  history,
  jobs,
  machines,
  type Transaction,
} from '../../base/database'
import { notFound } from '../../base/errors'
import { textMatches } from '../../things/search'
import {
  afterCursor,
  customerKind,
  cutPage,
  find,
  gathered,
  historyPage,
  jobKind,
  kindOf,
  machineKind,
  ofRecord,
  ordering,
  type Page,
  type Paging,
  type WantedRecords,
} from '../../things/store'
import { linesOf } from './lines'

/** Which jobs a list is narrowed to. */
export interface JobsWanted {
  search: string
  stage?: Stage | undefined
  customerId?: string | undefined
}

/** Jobs, newest change first; every word of `search` must be found somewhere in what is said of one. `today` is an ISO date. */
export async function listJobs(
  db: Database,
  { search, stage, customerId }: JobsWanted,
  today: string,
  paging: Paging,
): Promise<Page<JobLine>> {
  const order = { by: jobs.lastWrite, descending: true }
  const wanted = and(
    stage ? eq(jobs.stage, stage) : undefined,
    customerId ? eq(jobs.customerId, customerId) : undefined,
    textMatches(jobs.searchText, search),
  )
  const found = await db
    .select({ id: jobs.id, lastWrite: jobs.lastWrite })
    .from(jobs)
    .where(and(wanted, afterCursor(order, jobs.id, paging)))
    .orderBy(...ordering(order, jobs.id))
    .limit(paging.limit + 1)
  const lines = await linesOf(
    db,
    found.map(({ id }) => id),
    today,
  )
  return cutPage(
    found.map(({ id, lastWrite }) => ({
      row: lines.get(id) as JobLine,
      cursor: [lastWrite, id] as const,
    })),
    paging,
  )
}

/** Every job that is not closed, like machines in one line: the counter's day, `today` being an ISO date. */
export async function openJobs(db: Database, today: string): Promise<JobLine[]> {
  const found = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(ne(jobs.stage, 'closed'))
    .orderBy(asc(jobs.dueOn), asc(jobs.number))
  const lines = await linesOf(
    db,
    found.map(({ id }) => id),
    today,
  )
  return groupedLines(found.map(({ id }) => lines.get(id) as JobLine))
}

/**
 * A job with everything it rests on. One that follows the first of several like machines has that one's quotes, as
 * they are for its own modules.
 */
export async function readJob(db: Pick<Transaction, 'execute'>, id: string) {
  const itself = (name: string) => sql`(select ${sql.identifier(name)} from jobs where id = ${id})`
  const listed = JOB_LISTS.map((list): [JobList, WantedRecords] => {
    const of = kindOf(list)
    const whose = list === 'quotes' ? sql`coalesce(${itself('lead_id')}, ${id}::uuid)` : id
    return [list, { of, where: eq(of.table.jobId, whose) }]
  })
  const lists = Object.fromEntries(listed) as Record<JobList, WantedRecords>
  const { job, customer, machine, lead, like, ...rest } = await gathered(db, {
    job: { of: jobKind, where: eq(jobs.id, id) },
    customer: { of: customerKind, where: eq(customers.id, itself('customer_id')) },
    machine: { of: machineKind, where: eq(machines.id, itself('machine_id')) },
    lead: { of: jobKind, where: eq(jobs.id, itself('lead_id')) },
    like: {
      of: jobKind,
      where: eq(jobs.leadId, sql`coalesce(${itself('lead_id')}, ${id}::uuid)`),
    },
    ...lists,
  })
  if (!job[0]) throw notFound(jobKind.record)
  const [own, first] = [job[0], lead[0]]
  const quotes = rest.quotes as Quote[]
  return {
    ...own,
    customer: customer[0],
    machine: machine[0],
    machines: 1 + like.length,
    lead: first ? { id: first.id, number: first.number } : null,
    ...rest,
    quotes: first ? quotes.map((quote) => quoteFor(quote, first.found, own.found)) : quotes,
  }
}

/** A quote over like machines as it is for one that follows the first. */
function quoteFor(quote: Quote, leadFound: Assignment, found: Assignment): Quote {
  const { document } = quote
  if (!document) return quote
  const options = document.options.map((option) => ({
    ...option,
    placement: followed(option.placement, leadFound, found),
  }))
  return { ...quote, document: { ...document, options } }
}

/** Every write to a job and what it rests on, newest first. */
export async function jobHistory(tx: Transaction, id: string, paging: Paging) {
  const { customerId, machineId } = await find(tx, jobKind, id)
  const onIt = or(eq(history.jobId, id), ofRecord(customerId), ofRecord(machineId))
  return historyPage(tx, onIt, paging)
}

/** A job's machine and those like it, the first one first. */
export async function likeMachines(
  db: Database,
  id: string,
  today: string,
): Promise<LikeMachine[]> {
  const lead = sql`coalesce((select lead_id from jobs where id = ${id}), ${id}::uuid)`
  const found = await db
    .select({ id: jobs.id, leadId: jobs.leadId, serialNumber: machines.serialNumber })
    .from(jobs)
    .innerJoin(machines, eq(machines.id, jobs.machineId))
    .where(or(eq(jobs.id, lead), eq(jobs.leadId, lead)))
    .orderBy(asc(jobs.number))
  const lines = await linesOf(
    db,
    found.map((one) => one.id),
    today,
  )
  return found.map(({ id, leadId, serialNumber }) => {
    const { number, state, act } = lines.get(id) as JobLine
    return { id, number, serialNumber, state, act, leads: leadId === null }
  })
}

/** Signed visits of a job's machine other than this one, the newest first: what each fitted, as its report says. */
export async function earlierVisits(db: Database, id: string): Promise<EarlierVisit[]> {
  const rows = await db
    .select({ jobId: jobs.id, number: jobs.number, document: handovers.document })
    .from(handovers)
    .innerJoin(jobs, eq(jobs.id, handovers.jobId))
    .where(
      and(
        eq(jobs.machineId, sql`(select machine_id from jobs where id = ${id})`),
        ne(jobs.id, id),
        isNotNull(handovers.signed),
      ),
    )
    .orderBy(desc(jobs.number))
  return rows.flatMap(({ jobId, number, document }) =>
    document ? [{ jobId, number, on: document.on, fitted: document.fitted }] : [],
  )
}
