import { NewPriceList } from '@tembrix/core/records'
import { desc, eq } from 'drizzle-orm'
import { Router } from 'express'
import { type Database, priceLists } from '../database'
import { answerCreated } from '../store'
import { takeIn } from './takeIn'

/** Suppliers' price lists as they were taken in; what they sell is among the modules. */
export function priceListRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (_request, response) => {
    response.json(
      await db.select().from(priceLists).orderBy(desc(priceLists.firstWrite)).limit(200),
    )
  })

  routes.post('/', async (request, response) => {
    const list = NewPriceList.parse(request.body)
    const taken = await db.transaction(async (tx) => {
      const [known] = list.id
        ? await tx.select().from(priceLists).where(eq(priceLists.id, list.id))
        : []
      return known ? { row: known, fresh: false } : takeIn(tx, list)
    })
    answerCreated(response, taken)
  })

  return routes
}
