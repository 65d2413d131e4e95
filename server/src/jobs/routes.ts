import { JobPatch, NewJob, Stage } from '@tembrix/core/records'
import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../database'
import { answerCreated, idOf } from '../store'
import { changeJob, createJob, jobHistory, listJobs, readJob } from './queries'

const Query = z.object({
  search: z
    .string()
    .max(200)
    .refine((text) => !text.includes('\0'), 'This text cannot be searched for.')
    .default(''),
  stage: Stage.optional(),
})

export function jobRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (request, response) => {
    const { search, stage } = Query.parse(request.query)
    response.json(await listJobs(db, search, stage))
  })

  routes.post('/', async (request, response) => {
    const job = NewJob.parse(request.body)
    answerCreated(response, await db.transaction((tx) => createJob(tx, job)))
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => readJob(tx, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = JobPatch.parse(request.body)
    response.json(await db.transaction((tx) => changeJob(tx, id, patch)))
  })

  routes.get('/:id/history', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => jobHistory(tx, id)))
  })

  return routes
}
