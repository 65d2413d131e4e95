import { randomUUID } from 'node:crypto'
import { endingRefusal, reopens } from '@tembrix/core/shop/handover'
import type { NewJob } from '@tembrix/core/things/records'
import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import { handovers, jobs, type Transaction } from '../base/database'
import { HttpError } from '../base/http'
import { checkAssignment, keepPieces } from '../bench/placements'
import { leadOthers } from '../shop/jobs'
import { forgetPassword } from '../shop/passwords'
import type { Rules } from '../things/records'
import { reindex } from '../things/search'
import {
  type Created,
  create,
  customerKind,
  find,
  handoverKind,
  jobKind,
  listed,
  machineKind,
  modelKind,
  planKind,
  type RecordRow,
} from '../things/store'

export const jobRules: Rules<'jobs'> = {
  make: createJob,
  changing: async (tx, job, patch) => {
    const { id, number } = job
    if (reopens(job, patch) && (job.withoutWork || (await isCollected(tx, id)))) {
      const message = `Job ${number} is closed; what comes later is a new visit.`
      throw new HttpError(409, 'collected', message)
    }
    if (patch.login !== undefined && patch.login !== 'kept') await forgetPassword(tx, id)
    if (patch.found) await checkAssignment(tx, id, 'found', patch.found)
    if (!patch.withoutWork) return patch
    const refusal = endingRefusal(await isSigned(tx, id))
    if (refusal) throw new HttpError(409, 'signed', refusal)
    // It leaves the counter's day, and lets go of what was kept for it.
    return { ...patch, stage: 'closed' }
  },
  written: async (tx, { id, leadId }, patch) => {
    if (patch?.complaint !== undefined) await reindex(tx, { id })
    if (patch?.found) await leadOthers(tx, leadId ?? id)
    if (patch?.stage || patch?.withoutWork) await keepPieces(tx, id)
    if (patch?.stage === 'closed' || patch?.withoutWork) await forgetPassword(tx, id)
  },
}

async function isSigned(tx: Transaction, jobId: string): Promise<boolean> {
  const [handover] = await listed(tx, handoverKind, eq(handovers.jobId, jobId))
  return !!handover?.signed
}

async function isCollected(tx: Transaction, jobId: string): Promise<boolean> {
  const [handover] = await listed(tx, handoverKind, eq(handovers.jobId, jobId))
  return !!handover?.collected
}

/** Stores a job with its first plan, and its customer and machine where they are new. */
export async function createJob(
  tx: Transaction,
  { customer, machine, ...job }: z.output<typeof NewJob>,
): Promise<Created<RecordRow<typeof jobs>>> {
  if (job.id) {
    const [known] = await listed(tx, jobKind, eq(jobs.id, job.id))
    if (known) return { row: known, fresh: false }
  }
  const owner =
    'name' in customer
      ? (await create(tx, customerKind, customer)).row
      : await find(tx, customerKind, customer.id)
  if ('machine' in machine && machine.modelId) await find(tx, modelKind, machine.modelId)
  if (job.followsId) await find(tx, jobKind, job.followsId)
  const device =
    'machine' in machine
      ? (await create(tx, machineKind, { ...machine, customerId: owner.id })).row
      : await find(tx, machineKind, machine.id)
  const planId = randomUUID()
  const created = await create(tx, jobKind, {
    ...job,
    customerId: owner.id,
    machineId: device.id,
    planId,
  })
  await create(tx, planKind, {
    id: planId,
    jobId: created.row.id,
    name: 'Plan 1',
    placement: null,
    profile: false,
  })
  await reindex(tx, { id: created.row.id })
  return created
}
