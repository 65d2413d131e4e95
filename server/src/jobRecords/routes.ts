import { Router } from 'express'
import type { z } from 'zod'
import type { Database } from '../database'
import {
  answerCreated,
  change,
  create,
  find,
  idOf,
  jobKind,
  type Kind,
  remove,
  type StoredTable,
  versionOf,
} from '../store'

interface Schemas<New, Patch> {
  made: z.ZodType<New>
  patch: z.ZodType<Patch>
}

/** Records that hang on a job and on nothing else: they are made, read, changed and removed one by one. */
export function jobRecordRoutes<
  T extends StoredTable,
  New extends T['$inferInsert'] & { jobId: string },
  Patch extends Partial<T['$inferInsert']> & { version: number },
>(db: Database, kind: Kind<T>, { made, patch: patchOf }: Schemas<New, Patch>): Router {
  const routes = Router()

  routes.post('/', async (request, response) => {
    const record = made.parse(request.body)
    const created = await db.transaction(async (tx) => {
      await find(tx, jobKind, record.jobId)
      return create(tx, kind, record)
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, kind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = patchOf.parse(request.body)
    response.json(await db.transaction((tx) => change(tx, kind, id, patch)))
  })

  routes.delete('/:id', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction((tx) => remove(tx, kind, id, version))
    response.status(204).end()
  })

  return routes
}
