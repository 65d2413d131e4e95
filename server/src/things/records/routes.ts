import { type RequestHandler, Router } from 'express'
import type { Database } from '../../base/database'
import { unknownRoute } from '../../base/http'
import { answerCreated, answerPage, historyPage, idOf, ofRecord, Paging, versionOf } from '../store'
import type { Records } from './records'

/** The addresses of one kind of record: listed, made, read, changed, removed, and what was done to it. */
export function recordRoutes(db: Database, { make, change, remove, find, list }: Records): Router {
  const routes = Router()
  const only = (can: unknown, handler: RequestHandler): RequestHandler =>
    can === null ? unknownRoute : handler

  routes.get('/', async (request, response) => {
    answerPage(request, response, await list(db, request.query))
  })

  routes.post(
    '/',
    only(make, async (request, response) => {
      const created = await db.transaction(async (tx) => make?.(tx, request.body))
      if (created) answerCreated(response, created)
    }),
  )

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, id)))
  })

  routes.get('/:id/history', async (request, response) => {
    const id = idOf(request.params)
    const paging = Paging.parse(request.query)
    const lines = await db.transaction(async (tx) => {
      await find(tx, id)
      return historyPage(tx, ofRecord(id), paging)
    })
    answerPage(request, response, lines)
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => change(tx, id, request.body)))
  })

  routes.delete(
    '/:id',
    only(remove, async (request, response) => {
      const id = idOf(request.params)
      const version = versionOf(request.query)
      await db.transaction(async (tx) => remove?.(tx, id, version))
      response.status(204).end()
    }),
  )

  return routes
}
