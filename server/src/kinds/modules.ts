import { FormFactor, Generation } from '@tembrix/core/model'
import { eq } from 'drizzle-orm'
import { z } from 'zod'
import { jobs, modules, plans, type Transaction } from '../database'
import { HttpError } from '../http'
import { shopModules } from '../modules'
import type { Rules } from '../records'
import { find, jobKind, listed, moduleKind } from '../store'

const Query = z.object({
  jobId: z.uuid().optional(),
  shop: z.literal('1').optional(),
  generation: Generation.optional(),
  formFactor: FormFactor.optional(),
  forJob: z.uuid().optional(),
})

export const moduleRules: Rules<'modules'> = {
  making: async (tx, module) => {
    if (module.fromJobId) await find(tx, jobKind, module.fromJobId)
    const askedAt = module.source === 'supplier' ? new Date().toISOString() : null
    return { ...module, askedAt }
  },
  /** One that no slot of its job, found or planned, holds. */
  removing: async (tx, { id }) => {
    if (await isPlaced(tx, id)) {
      throw new HttpError(409, 'in_use', 'The module is in a slot, found or planned.')
    }
  },
  /**
   * All modules, one job's (`?jobId=`), or what the shop can offer (`?shop=1`): the whole shelf and
   * what suppliers sell, of suppliers only one generation and form where these are named, and
   * whatever the plans of `forJob` hold.
   */
  list: async (db, query) => {
    const { jobId, shop, ...wanted } = Query.parse(query)
    if (shop) return shopModules(db, wanted)
    return listed(db, moduleKind, jobId ? eq(modules.jobId, jobId) : undefined)
  },
}

async function isPlaced(tx: Transaction, id: string): Promise<boolean> {
  const placements = [
    ...(await tx.select({ held: jobs.found }).from(jobs)),
    ...(await tx.select({ held: plans.placement }).from(plans)),
  ]
  return placements.some(({ held }) => Object.values(held ?? {}).some((one) => one.moduleId === id))
}
