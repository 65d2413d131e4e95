import { Stage } from '@tembrix/core/records'
import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../database'
import { Search } from '../search'
import { answerPage, idOf, Paging } from '../store'
import { jobHistory, listJobs, openJobs, readJob } from './queries'

/** The shop's day, as its page has it. */
const Day = z.iso.date().default(() => new Date().toISOString().slice(0, 10))
const Query = Paging.extend({
  search: Search,
  stage: Stage.optional(),
  customerId: z.uuid().optional(),
  today: Day,
})
const OfDay = z.object({ today: Day })

/** How jobs are read: the counter's list, one with everything it rests on, and what was done to it. */
export function jobRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (request, response) => {
    const { search, stage, customerId, today, ...paging } = Query.parse(request.query)
    answerPage(request, response, await listJobs(db, { search, stage, customerId }, today, paging))
  })

  routes.get('/open', async (request, response) => {
    response.json(await openJobs(db, OfDay.parse(request.query).today))
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await readJob(db, id))
  })

  routes.get('/:id/history', async (request, response) => {
    const id = idOf(request.params)
    const paging = Paging.parse(request.query)
    answerPage(request, response, await db.transaction((tx) => jobHistory(tx, id, paging)))
  })

  return routes
}
