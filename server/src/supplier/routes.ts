import { offeredKey, type SupplierAnswer, SupplierMood, SupplierQuery } from '@tembrix/core/records'
import { and, eq, inArray } from 'drizzle-orm'
import { type Request, type Response, Router } from 'express'
import { z } from 'zod'
import { type Database, modules } from '../database'
import { offersOf, writeOver } from '../priceLists'
import { type SimulatedSupplier, simulatedSupplier } from './simulated'
import { within } from './within'

/** How long a supplier is waited for, ms. */
const PATIENCE = 10_000

/**
 * What the supplier sells, and what it says now of what was taken up from it. How the simulated one answers
 * is chosen in a demonstration only (`moods`).
 */
export function supplierRoutes(
  db: Database,
  { moods, supplier = simulatedSupplier() }: { moods: boolean; supplier?: SimulatedSupplier },
): Router {
  const routes = Router()

  routes.get('/search', async (request, response) => {
    const query = SupplierQuery.parse(request.query)
    await answered(response, async (signal): Promise<SupplierAnswer> => {
      const { name } = supplier
      const offers = await supplier.search(query, signal)
      const known = await db.transaction((tx) => offersOf(tx, name, offers.map(offeredKey)))
      return { supplier: name, offers, takenUp: [...known.keys()] }
    })
  })

  /** Asks again about offers of this supplier's, by id; what it no longer sells is out of stock. */
  routes.post('/ask', async (request, response) => {
    const { ids } = z.object({ ids: z.array(z.uuid()).max(500) }).parse(request.body)
    await answered(response, async (signal) => {
      const ours = and(inArray(modules.id, ids), eq(modules.supplier, supplier.name))
      const rows = ids.length === 0 ? [] : await db.select().from(modules).where(ours)
      const articles = rows.map(({ module }) => module.article)
      const offers = new Map(
        (await supplier.ask(articles, signal)).map((offer) => [offer.module.article, offer]),
      )
      const heard = rows.map(({ id, module, price }) => ({
        ...(offers.get(module.article) ?? { module, price, stock: 0, leadDays: null }),
        id,
      }))
      await db.transaction((tx) => writeOver(tx, heard))
      return { asked: rows.length, sold: offers.size }
    })
  })

  if (!moods) return routes

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
