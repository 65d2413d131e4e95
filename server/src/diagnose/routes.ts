import { DiagnoseShape, diagnose } from '@tembrix/core/diagnose'
import { Router } from 'express'
import type { Database } from '../database'
import { readShop } from '../shop'

/** What is suspected, named and to be tried next; by the shop’s own table of causes where none is given. */
export function diagnoseRoutes(db: Database): Router {
  const routes = Router()
  routes.post('/', async (request, response) => {
    const { trials, causes, ...asked } = DiagnoseShape.parse(request.body)
    const shop = causes ? null : await db.transaction(readShop)
    const made = trials.map(({ trial, ...answer }) => ({ ...trial, ...answer }))
    response.json(diagnose({ ...asked, trials: made, causes: causes ?? shop?.causes ?? null }))
  })
  return routes
}
