import { FormFactor, Generation } from '@tembrix/core/model'
import { ModulePatch, NewModuleRecord } from '@tembrix/core/records'
import { asc, eq } from 'drizzle-orm'
import { Router } from 'express'
import { z } from 'zod'
import { type Database, jobs, modules, plans, type Transaction } from '../database'
import { HttpError } from '../http'
import {
  answerCreated,
  change,
  create,
  find,
  idOf,
  jobKind,
  moduleKind,
  remove,
  versionOf,
} from '../store'
import { shopModules } from './shopModules'

const Query = z.object({
  jobId: z.uuid().optional(),
  shop: z.literal('1').optional(),
  generation: Generation.optional(),
  formFactor: FormFactor.optional(),
  forJob: z.uuid().optional(),
})

export function moduleRoutes(db: Database): Router {
  const routes = Router()

  /**
   * All modules, one job's (`?jobId=`), or what the shop can offer (`?shop=1`): the whole shelf and
   * what suppliers sell, of suppliers only one generation and form where these are named, and
   * whatever the plans of `forJob` hold.
   */
  routes.get('/', async (request, response) => {
    const { jobId, shop, ...wanted } = Query.parse(request.query)
    if (shop) {
      response.json(await shopModules(db, wanted))
      return
    }
    const whose = jobId ? eq(modules.jobId, jobId) : undefined
    response.json(
      await db.select().from(modules).where(whose).orderBy(asc(modules.createdAt)).limit(2000),
    )
  })

  routes.post('/', async (request, response) => {
    const module = NewModuleRecord.parse(request.body)
    const created = await db.transaction(async (tx) => {
      for (const jobId of [module.jobId, module.fromJobId]) {
        if (jobId) await find(tx, jobKind, jobId)
      }
      const askedAt = module.source === 'supplier' ? new Date() : null
      return create(tx, moduleKind, { ...module, askedAt })
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, moduleKind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = ModulePatch.parse(request.body)
    response.json(await db.transaction((tx) => change(tx, moduleKind, id, patch)))
  })

  /** Removes a module that no slot of its job, found or planned, holds: `?version=`. */
  routes.delete('/:id', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction(async (tx) => {
      if (await isPlaced(tx, id)) {
        throw new HttpError(409, 'in_use', 'The module is in a slot, found or planned.')
      }
      await remove(tx, moduleKind, id, version)
    })
    response.status(204).end()
  })

  return routes
}

async function isPlaced(tx: Transaction, id: string): Promise<boolean> {
  const placements = [
    ...(await tx.select({ held: jobs.found }).from(jobs)),
    ...(await tx.select({ held: plans.placement }).from(plans)),
  ]
  return placements.some(({ held }) => Object.values(held ?? {}).some((one) => one.moduleId === id))
}
