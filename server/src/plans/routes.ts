import { NewPlan, PlanPatch } from '@tembrix/core/records'
import { asc, eq } from 'drizzle-orm'
import { Router } from 'express'
import { z } from 'zod'
import { type Database, plans } from '../database'
import { HttpError } from '../http'
import { checkAssignment, keepPieces } from '../placements'
import {
  answerCreated,
  change,
  create,
  find,
  idOf,
  jobKind,
  planKind,
  remove,
  versionOf,
} from '../store'

const Query = z.object({ jobId: z.uuid().optional() })

export function planRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (request, response) => {
    const { jobId } = Query.parse(request.query)
    const wanted = jobId ? eq(plans.jobId, jobId) : undefined
    response.json(
      await db.select().from(plans).where(wanted).orderBy(asc(plans.createdAt)).limit(2000),
    )
  })

  routes.post('/', async (request, response) => {
    const plan = NewPlan.parse(request.body)
    const created = await db.transaction(async (tx) => {
      await checkAssignment(tx, plan.jobId, 'placement', plan.placement ?? {})
      const created = await create(tx, planKind, plan)
      await keepPieces(tx, plan.jobId)
      return created
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, planKind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = PlanPatch.parse(request.body)
    const plan = await db.transaction(async (tx) => {
      const { jobId } = await find(tx, planKind, id)
      if (patch.placement) await checkAssignment(tx, jobId, 'placement', patch.placement)
      const changed = await change(tx, planKind, id, patch)
      await keepPieces(tx, jobId)
      return changed
    })
    response.json(plan)
  })

  /** Removes a plan, but not the one on the board: `?version=`. */
  routes.delete('/:id', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction(async (tx) => {
      const { jobId } = await find(tx, planKind, id)
      const { planId } = await find(tx, jobKind, jobId)
      if (planId === id) {
        throw new HttpError(409, 'on_board', 'This plan is on the board; it stays with its job.')
      }
      await remove(tx, planKind, id, version)
      await keepPieces(tx, jobId)
    })
    response.status(204).end()
  })

  return routes
}
