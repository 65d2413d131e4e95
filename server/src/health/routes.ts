import { sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Database } from '../database'

export function healthRoutes(db: Database): Router {
  const routes = Router()
  routes.get('/', async (_request, response) => {
    await db.execute(sql`select 1`)
    response.json({ status: 'ok' })
  })
  return routes
}
