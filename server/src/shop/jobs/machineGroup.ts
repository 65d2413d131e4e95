import { randomUUID } from 'node:crypto'
import { followed } from '@tembrix/core/shop/groups'
import type { Assignment, MachineGroup } from '@tembrix/core/things/records'
import { and, eq, inArray, isNull, ne } from 'drizzle-orm'
import type { z } from 'zod'
import { fits, jobs, modules, plans, type Transaction } from '../../base/database'
import { HttpError } from '../../base/http'
import { keepPieces } from '../../bench/placements'
import { reindex } from '../../things/search'
import {
  change,
  create,
  find,
  jobKind,
  listed,
  machineKind,
  moduleKind,
  planKind,
  type RecordRow,
} from '../../things/store'

type Job = RecordRow<typeof jobs>
type Added = z.output<typeof MachineGroup>['machines']

/**
 * Adds machines like the one of a job: each with what was found in it, and the plan on the job's board. Sent again,
 * they are there once.
 * @throws HttpError 409 `follows` for a job that follows another, `closed`, `one_piece` where a single piece is planned.
 */
export async function addLike(
  tx: Transaction,
  id: string,
  machines: Added,
): Promise<{ id: string; number: number }[]> {
  const lead = await find(tx, jobKind, id)
  if (lead.leadId) throw follows(await find(tx, jobKind, lead.leadId))
  if (lead.stage === 'closed') throw new HttpError(409, 'closed', 'This job is closed.')
  const plan = await boardPlan(tx, lead)
  await refuseSingle(tx, plan.placement ?? {})
  const { machine, modelId, sources } = await find(tx, machineKind, lead.machineId)
  const known = await listed(
    tx,
    jobKind,
    inArray(
      jobs.id,
      machines.map((one) => one.id),
    ),
  )
  const made: { id: string; number: number }[] = []
  for (const { id: jobId, serialNumber } of machines) {
    const before = known.find((one) => one.id === jobId)
    if (before) {
      made.push({ id: jobId, number: before.number })
      continue
    }
    const { customerId } = lead
    const fields = { customerId, machine, modelId, sources, serialNumber, note: '' }
    const { row: device } = await create(tx, machineKind, fields)
    const planId = randomUUID()
    const { complaint, uses, budget, dueOn, stage, sizing, policy } = lead
    const { row } = await create(tx, jobKind, {
      ...{ complaint, uses, budget, dueOn, stage, sizing, policy, customerId },
      id: jobId,
      machineId: device.id,
      leadId: lead.id,
      planId,
    })
    const found = await likeModules(tx, lead.found, jobId)
    await change(tx, jobKind, jobId, { version: row.version, found })
    await create(tx, planKind, {
      id: planId,
      jobId,
      name: plan.name,
      placement: plan.placement && followed(plan.placement, lead.found, found),
      profile: plan.profile,
      manual: plan.manual,
    })
    await reindex(tx, { id: jobId })
    made.push({ id: jobId, number: row.number })
  }
  if (known.length < machines.length) await tell(tx, lead)
  return made
}

/** The customer's modules of one machine, made again for another like it; their serial numbers nobody knows. */
async function likeModules(tx: Transaction, found: Assignment, jobId: string): Promise<Assignment> {
  const own: Assignment = {}
  for (const [slot, { moduleId }] of Object.entries(found)) {
    const { module, source } = await find(tx, moduleKind, moduleId)
    const piece = { jobId, source, module, note: '' }
    own[slot] = { moduleId: (await create(tx, moduleKind, piece)).row.id, unit: 0 }
  }
  return own
}

/**
 * Puts the plan on a job's board on those of the machines that follow it; to be called in the transaction of every
 * write to that plan, and to what was found in any of the machines. What is fitted already stays as it was fitted.
 */
export async function leadOthers(tx: Transaction, leadId: string): Promise<void> {
  const others = await listed(tx, jobKind, and(eq(jobs.leadId, leadId), ne(jobs.stage, 'closed')))
  if (others.length === 0) return
  const lead = await find(tx, jobKind, leadId)
  const { placement, profile, manual } = await boardPlan(tx, lead)
  await refuseSingle(tx, placement ?? {})
  for (const other of others) {
    const [fit] = await tx
      .select({ finishedAt: fits.finishedAt })
      .from(fits)
      .where(and(eq(fits.jobId, other.id)))
    if (fit?.finishedAt) continue
    const plan = await boardPlan(tx, other)
    await change(tx, planKind, plan.id, {
      version: plan.version,
      placement: placement && followed(placement, lead.found, other.found),
      profile,
      manual,
    })
    await keepPieces(tx, other.id)
  }
}

/** Makes a job that follows another one by itself. */
export async function singleOut(tx: Transaction, id: string, version: number): Promise<Job> {
  const { leadId } = await find(tx, jobKind, id)
  if (!leadId) throw new HttpError(409, 'alone', 'This job follows no other.')
  const alone = await change(tx, jobKind, id, { version, leadId: null })
  await tell(tx, await find(tx, jobKind, leadId))
  return alone
}

/** How many follow a job is news of that job. */
const tell = (tx: Transaction, { id, version }: Pick<Job, 'id' | 'version'>) =>
  change(tx, jobKind, id, { version })

/** Refuses a change of what a job has from the one it follows. */
export async function refuseFollower(tx: Transaction, jobId: string): Promise<void> {
  const { leadId } = await find(tx, jobKind, jobId)
  if (leadId) throw follows(await find(tx, jobKind, leadId))
}

const follows = ({ number }: Pick<Job, 'number'>) =>
  new HttpError(
    409,
    'follows',
    `This machine follows job ${number}: change it there, or make this one a job by itself.`,
  )

/** Refuses a piece of the shelf, of which there is one, for several machines. */
async function refuseSingle(tx: Transaction, placement: Assignment): Promise<void> {
  const ids = Object.values(placement).map(({ moduleId }) => moduleId)
  if (ids.length === 0) return
  const [single] = await tx
    .select({ module: modules.module })
    .from(modules)
    .where(and(inArray(modules.id, ids), eq(modules.source, 'shelf'), isNull(modules.fittedJobId)))
  if (!single) return
  const message = `${single.module.article} on the shelf is one piece: several machines need a supplier’s.`
  throw new HttpError(409, 'one_piece', message)
}

async function boardPlan(tx: Transaction, { planId }: Pick<Job, 'planId'>) {
  const [plan] = planId ? await listed(tx, planKind, eq(plans.id, planId)) : []
  if (!plan) throw new HttpError(409, 'no_plan', 'The job has no plan on its board.')
  return plan
}
