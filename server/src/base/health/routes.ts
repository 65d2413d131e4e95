import { sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Database } from '../database'

/** Whether the database answers, and when this serving of it `started`: a page sees by it that it was restarted. */
export function healthRoutes(db: Database, started: string): Router {
  const routes = Router()
  routes.get('/', async (_request, response) => {
    await db.execute(sql`select 1`)
    response.json({ status: 'ok', started })
  })
  return routes
}
