import { NewReadingRecord, ReadingPatch } from '@tembrix/core/records'
import { Router } from 'express'
import type { Database } from '../database'
import {
  answerCreated,
  change,
  create,
  find,
  idOf,
  jobKind,
  readingKind,
  remove,
  versionOf,
} from '../store'

/** What was read on a job, kept as it came. */
export function readingRoutes(db: Database): Router {
  const routes = Router()

  routes.post('/', async (request, response) => {
    const reading = NewReadingRecord.parse(request.body)
    const created = await db.transaction(async (tx) => {
      await find(tx, jobKind, reading.jobId)
      return create(tx, readingKind, reading)
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, readingKind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = ReadingPatch.parse(request.body)
    response.json(await db.transaction((tx) => change(tx, readingKind, id, patch)))
  })

  routes.delete('/:id', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction((tx) => remove(tx, readingKind, id, version))
    response.status(204).end()
  })

  return routes
}
