import { Stage } from '@tembrix/core/records'
import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../database'
import { idOf } from '../store'
import { jobHistory, listJobs, readJob } from './queries'

const Query = z.object({
  search: z
    .string()
    .max(200)
    .refine((text) => !text.includes('\0'), 'This text cannot be searched for.')
    .default(''),
  stage: Stage.optional(),
})

/** How jobs are read: the counter's list, one with everything it rests on, and what was done to it. */
export function jobRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (request, response) => {
    const { search, stage } = Query.parse(request.query)
    response.json(await listJobs(db, search, stage))
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => readJob(tx, id)))
  })

  routes.get('/:id/history', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => jobHistory(tx, id)))
  })

  return routes
}
