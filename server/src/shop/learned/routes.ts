import { Router } from 'express'
import type { Database } from '../../base/database'
import { learned } from './learned'

/** What the shop’s own measurements teach: scatter, gains, and what tests can reach. */
export function learnedRoutes(db: Database): Router {
  const routes = Router()
  routes.get('/', async (_request, response) => {
    response.json(await learned(db))
  })
  return routes
}
