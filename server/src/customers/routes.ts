import { CustomerPatch, NewCustomer } from '@tembrix/core/records'
import { asc } from 'drizzle-orm'
import { Router } from 'express'
import { customers, type Database } from '../database'
import { answerCreated, change, create, customerKind, find, idOf } from '../store'

export function customerRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (_request, response) => {
    response.json(await db.select().from(customers).orderBy(asc(customers.name)).limit(2000))
  })

  routes.post('/', async (request, response) => {
    const customer = NewCustomer.parse(request.body)
    answerCreated(response, await db.transaction((tx) => create(tx, customerKind, customer)))
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, customerKind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = CustomerPatch.parse(request.body)
    response.json(await db.transaction((tx) => change(tx, customerKind, id, patch)))
  })

  return routes
}
