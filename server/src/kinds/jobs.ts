import { randomUUID } from 'node:crypto'
import type { NewJob } from '@tembrix/core/records'
import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import { jobs, type Transaction } from '../database'
import { leadOthers } from '../jobs'
import { forgetPassword } from '../passwords'
import { checkAssignment, keepPieces } from '../placements'
import type { Rules } from '../records'
import { retell } from '../search'
import {
  type Created,
  create,
  customerKind,
  find,
  jobKind,
  listed,
  machineKind,
  modelKind,
  planKind,
  type Row,
} from '../store'

export const jobRules: Rules<'jobs'> = {
  make: createJob,
  changing: async (tx, { id }, patch) => {
    if (patch.login !== undefined && patch.login !== 'kept') await forgetPassword(tx, id)
    if (patch.found) await checkAssignment(tx, id, 'found', patch.found)
    return patch
  },
  written: async (tx, { id, leadId }, patch) => {
    if (patch?.complaint !== undefined) await retell(tx, { id })
    if (patch?.found) await leadOthers(tx, leadId ?? id)
    if (patch?.stage) await keepPieces(tx, id)
    if (patch?.stage === 'closed') await forgetPassword(tx, id)
  },
}

/** Stores a job with its first plan, and its customer and machine where they are new. */
export async function createJob(
  tx: Transaction,
  { customer, machine, ...job }: z.output<typeof NewJob>,
): Promise<Created<Row<typeof jobs>>> {
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
  await retell(tx, { id: created.row.id })
  return created
}
