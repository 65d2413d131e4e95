import { NewValidatedList } from '@tembrix/core/things/records'
import { desc, eq, getTableColumns, sql } from 'drizzle-orm'
import { Router } from 'express'
import { z } from 'zod'
import { type Database, validatedLists } from '../../base/database'
import {
  answerCreated,
  create,
  find,
  idOf,
  listKind,
  modelKind,
  remove,
  versionOf,
} from '../../things/store'

const Query = z.object({ modelId: z.uuid().optional() })

/** Makers' lists of tested modules, imported for a model. */
export function validatedListRoutes(db: Database): Router {
  const routes = Router()

  /** All lists (`?modelId=`: one model's), newest first, without their entries. */
  routes.get('/', async (request, response) => {
    const { modelId } = Query.parse(request.query)
    const {
      entries,
      firstWrite,
      lastWrite: _,
      shape: __,
      ...columns
    } = getTableColumns(validatedLists)
    response.json(
      await db
        .select({ ...columns, count: sql<number>`jsonb_array_length(${entries})` })
        .from(validatedLists)
        .where(modelId ? eq(validatedLists.modelId, modelId) : undefined)
        .orderBy(desc(validatedLists.firstWrite))
        .limit(500),
    )
  })

  routes.post('/', async (request, response) => {
    const list = NewValidatedList.parse(request.body)
    const created = await db.transaction(async (tx) => {
      await find(tx, modelKind, list.modelId)
      return create(tx, listKind, list)
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, listKind, id)))
  })

  routes.delete('/:id', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction((tx) => remove(tx, listKind, id, version))
    response.status(204).end()
  })

  return routes
}
