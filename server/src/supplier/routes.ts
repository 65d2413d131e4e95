import { SupplierMood, SupplierQuery } from '@tembrix/core/records'
import { and, eq, inArray } from 'drizzle-orm'
import { type Request, type Response, Router } from 'express'
import { z } from 'zod'
import { type Database, modules } from '../database'
import { written } from '../priceLists'
import { simulatedSupplier } from './simulated'
import { within } from './within'

/** How long a supplier is waited for, ms. */
const PATIENCE = 10_000

/** What the supplier sells, and what it says now of what was taken up from it. */
export function supplierRoutes(db: Database, supplier = simulatedSupplier()): Router {
  const routes = Router()

  routes.get('/search', async (request, response) => {
    const query = SupplierQuery.parse(request.query)
    await answered(response, async (signal) => ({
      supplier: supplier.name,
      offers: await supplier.search(query, signal),
    }))
  })

  /** Asks anew about offers of this supplier's, by id; what it no longer sells is out of stock. */
  routes.post('/ask', async (request, response) => {
    const { ids } = z.object({ ids: z.array(z.uuid()).max(500) }).parse(request.body)
    await answered(response, async (signal) => {
      const ours = and(inArray(modules.id, ids), eq(modules.supplier, supplier.name))
      const rows = ids.length === 0 ? [] : await db.select().from(modules).where(ours)
      const articles = rows.map(({ module }) => module.article)
      const offers = new Map(
        (await supplier.ask(articles, signal)).map((offer) => [offer.module.article, offer]),
      )
      return db.transaction(async (tx) => {
        for (const { id, module } of rows) {
          const offer = offers.get(module.article)
          const { price, ...unsold } = written({ module, price: 0, stock: 0, leadDays: null })
          await tx
            .update(modules)
            .set(offer ? written(offer) : unsold)
            .where(eq(modules.id, id))
        }
        return { asked: rows.length, sold: offers.size }
      })
    })
  })

  routes.get('/mood', (_request, response) => {
    response.json({ mood: supplier.mood, supplier: supplier.name })
  })

  routes.put('/mood', (request: Request, response) => {
    supplier.mood = z.object({ mood: SupplierMood }).parse(request.body).mood
    response.json({ mood: supplier.mood, supplier: supplier.name })
  })

  return routes
}

/** Answers in time or with an error; what nobody waits for any more is given up. */
async function answered(
  response: Response,
  ask: (signal: AbortSignal) => Promise<unknown>,
): Promise<void> {
  const gone = new AbortController()
  response.on('close', () => gone.abort())
  try {
    response.json(await within(PATIENCE, gone.signal, ask))
  } catch (error) {
    if (!gone.signal.aborted) throw error
  }
}
