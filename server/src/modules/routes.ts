import { ModulePatch, NewModuleRecord } from '@tembrix/core/records'
import { and, asc, eq, isNull } from 'drizzle-orm'
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

const Query = z.object({ jobId: z.uuid().optional(), shop: z.literal('1').optional() })

export function moduleRoutes(db: Database): Router {
  const routes = Router()

  /** All modules, one job's (`?jobId=`), or what the shop can offer (`?shop=1`). */
  routes.get('/', async (request, response) => {
    const { jobId, shop } = Query.parse(request.query)
    const wanted = and(
      jobId ? eq(modules.jobId, jobId) : undefined,
      shop ? isNull(modules.jobId) : undefined,
    )
    response.json(
      await db.select().from(modules).where(wanted).orderBy(asc(modules.createdAt)).limit(2000),
    )
  })

  routes.post('/', async (request, response) => {
    const module = NewModuleRecord.parse(request.body)
    const created = await db.transaction(async (tx) => {
      if (module.jobId) await find(tx, jobKind, module.jobId)
      return create(tx, moduleKind, module)
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
