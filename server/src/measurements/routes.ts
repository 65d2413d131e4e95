import { MeasurementPatch, NewMeasurement } from '@tembrix/core/records'
import { Router } from 'express'
import type { Database } from '../database'
import {
  answerCreated,
  change,
  create,
  find,
  idOf,
  jobKind,
  measurementKind,
  remove,
  versionOf,
} from '../store'

/** Runs of tests on jobs’ machines; a job comes with its own. */
export function measurementRoutes(db: Database): Router {
  const routes = Router()

  routes.post('/', async (request, response) => {
    const measurement = NewMeasurement.parse(request.body)
    const created = await db.transaction(async (tx) => {
      await find(tx, jobKind, measurement.jobId)
      return create(tx, measurementKind, measurement)
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, measurementKind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = MeasurementPatch.parse(request.body)
    response.json(await db.transaction((tx) => change(tx, measurementKind, id, patch)))
  })

  routes.delete('/:id', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction((tx) => remove(tx, measurementKind, id, version))
    response.status(204).end()
  })

  return routes
}
