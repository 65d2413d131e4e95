import { MachineGroup, Stage, Versioned } from '@tembrix/core/things/records'
import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../../base/database'
import { jobUnits } from '../../bench/placements'
import { meantBy, Search } from '../../things/search'
import { answerPage, idOf, Paging } from '../../things/store'
import { addLike, singleOut } from './machineGroup'
import { earlierVisits, jobHistory, likeMachines, listJobs, openJobs, readJob } from './queries'

/** The shop's day, as its page has it. */
const Day = z.iso.date().default(() => new Date().toISOString().slice(0, 10))
const Query = Paging.extend({
  search: Search,
  stage: Stage.optional(),
  customerId: z.uuid().optional(),
  today: Day,
})
const Meant = z.object({ search: Search })
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

  /** Corrected spelling of a search that found nothing. */
  routes.get('/meant', async (request, response) => {
    const { search } = Meant.parse(request.query)
    response.json({ meant: await meantBy(db, search) })
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await readJob(db, id))
  })

  /** Visits before this one of its machine, with what each fitted and who stands by it. */
  routes.get('/:id/earlier', async (request, response) => {
    response.json(await earlierVisits(db, idOf(request.params)))
  })

  /** Units of its plans that orders stand for. */
  routes.get('/:id/parts', async (request, response) => {
    response.json(await jobUnits(db, idOf(request.params)))
  })

  routes.get('/:id/like', async (request, response) => {
    const { today } = OfDay.parse(request.query)
    response.json(await likeMachines(db, idOf(request.params), today))
  })

  /** Adds machines like a job's own to it: one plan and one quote for all, each with a job of its own. */
  routes.post('/:id/like', async (request, response) => {
    const id = idOf(request.params)
    const { machines } = MachineGroup.parse(request.body)
    const made = await db.transaction((tx) => addLike(tx, id, machines))
    response.status(201).json(made)
  })

  /** Makes a machine that differs a job by itself, with the plan as it stands and a quote of its own to come. */
  routes.post('/:id/single-out', async (request, response) => {
    const id = idOf(request.params)
    const { version } = Versioned.parse(request.body)
    response.json(await db.transaction((tx) => singleOut(tx, id, version)))
  })

  routes.get('/:id/history', async (request, response) => {
    const id = idOf(request.params)
    const paging = Paging.parse(request.query)
    answerPage(request, response, await db.transaction((tx) => jobHistory(tx, id, paging)))
  })

  return routes
}
