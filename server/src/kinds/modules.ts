import { FormFactor, Generation } from '@tembrix/core/things/model'
import { sql } from 'drizzle-orm'
import { z } from 'zod'
import { jobs, modulesIn, plans, type Transaction } from '../base/database'
import { HttpError } from '../base/http'
import { shopModules } from '../things/modules'
import type { Rules } from '../things/records'
import { reindex, Search } from '../things/search'
import { find, jobKind, Paging } from '../things/store'

const Query = Paging.extend({
  shop: z.literal('1').optional(),
  source: z.enum(['shelf', 'supplier']).optional(),
  generation: Generation.optional(),
  formFactor: FormFactor.optional(),
  forJob: z.uuid().optional(),
  search: Search,
})

export const moduleRules: Rules<'modules'> = {
  making: async (tx, module) => {
    if (module.fromJobId) await find(tx, jobKind, module.fromJobId)
    const askedAt = module.source === 'supplier' ? new Date().toISOString() : null
    return { ...module, askedAt }
  },
  written: async (tx, { jobId, fittedJobId }) => {
    for (const id of [jobId, fittedJobId]) if (id) await reindex(tx, { id })
  },
  /** One that no slot of its job, found or planned, holds. */
  removing: async (tx, { id }) => {
    if (await isPlaced(tx, id)) {
      throw new HttpError(409, 'in_use', 'The module is in a slot, found or planned.')
    }
  },
  /** With `?shop=1` what the shop can offer. */
  list: (db, query) => {
    const { shop, limit, after, ...wanted } = Query.parse(query)
    return shop ? shopModules(db, wanted, { limit, after }) : null
  },
}

/** By index only: told that one row is enough, the database would read the tables from their beginning. */
async function isPlaced(tx: Transaction, id: string): Promise<boolean> {
  const found = await tx
    .select({ id: jobs.id })
    .from(jobs)
    .where(sql`${modulesIn(jobs.found)} ? ${id}`)
  if (found.length > 0) return true
  const planned = await tx
    .select({ id: plans.id })
    .from(plans)
    .where(sql`${modulesIn(plans.placement)} ? ${id}`)
  return planned.length > 0
}
