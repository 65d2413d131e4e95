import { ModelPatch, NewModelRecord } from '@tembrix/core/records'
import { asc, eq, sql } from 'drizzle-orm'
import { Router } from 'express'
import { type Database, machines, models, type Transaction, validatedLists } from '../database'
import { HttpError } from '../http'
import {
  answerCreated,
  change,
  create,
  find,
  historyOf,
  idOf,
  listKind,
  modelKind,
  remove,
  versionOf,
} from '../store'

/** The shop's records of machines by model. */
export function modelRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (_request, response) => {
    response.json(
      await db
        .select()
        .from(models)
        .orderBy(asc(sql`lower(${models.machine}->>'name')`))
        .limit(2000),
    )
  })

  routes.post('/', async (request, response) => {
    const model = NewModelRecord.parse(request.body)
    answerCreated(response, await db.transaction((tx) => create(tx, modelKind, model)))
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, modelKind, id)))
  })

  routes.get('/:id/history', async (request, response) => {
    const id = idOf(request.params)
    const lines = await db.transaction(async (tx) => {
      await find(tx, modelKind, id)
      return historyOf(tx, id)
    })
    response.json(lines)
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = ModelPatch.parse(request.body)
    response.json(await db.transaction((tx) => change(tx, modelKind, id, patch)))
  })

  /** Removes a model that no customer's machine is of, with its lists: `?version=`. */
  routes.delete('/:id', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction(async (tx) => {
      const [used] = await tx
        .select({ id: machines.id })
        .from(machines)
        .where(eq(machines.modelId, id))
        .limit(1)
      if (used) throw new HttpError(409, 'in_use', 'A customer’s machine is of this model.')
      await removeLists(tx, id)
      await remove(tx, modelKind, id, version)
    })
    response.status(204).end()
  })

  return routes
}

async function removeLists(tx: Transaction, modelId: string): Promise<void> {
  const lists = await tx
    .select({ id: validatedLists.id, version: validatedLists.version })
    .from(validatedLists)
    .where(eq(validatedLists.modelId, modelId))
  for (const { id, version } of lists) await remove(tx, listKind, id, version)
}
