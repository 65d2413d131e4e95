import { Stage } from '@tembrix/core/records'
import { Router } from 'express'
import type { Database } from '../database'
import { Search } from '../search'
import { answerPage, idOf, Paging } from '../store'
import { jobHistory, listJobs, readJob } from './queries'

const Query = Paging.extend({ search: Search, stage: Stage.optional() })

/** How jobs are read: the counter's list, one with everything it rests on, and what was done to it. */
export function jobRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (request, response) => {
    const { search, stage, ...paging } = Query.parse(request.query)
    answerPage(request, response, await listJobs(db, search, stage, paging))
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
