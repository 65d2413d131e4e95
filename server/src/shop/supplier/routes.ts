import {
  offeredKey,
  type SupplierAnswer,
  SupplierBehaviour,
  SupplierQuery,
} from '@tembrix/core/things/records'
import { and, eq, inArray } from 'drizzle-orm'
import { type Request, type Response, Router } from 'express'
import { z } from 'zod'
import { type Database, modules } from '../../base/database'
import { offersOf, writeOver } from '../../reading/priceLists'
import { type SimulatedSupplier, simulatedSupplier } from './simulated'
import { within } from './within'

/** How long a supplier is waited for, ms. */
const PATIENCE = 10_000

/**
 * What the supplier sells, and what it says now of what was taken up from it. How the simulated one answers
 * is chosen in a demonstration only (`mayMisbehave`).
 */
export function supplierRoutes(
  db: Database,
  {
    mayMisbehave,
    supplier = simulatedSupplier(),
  }: { mayMisbehave: boolean; supplier?: SimulatedSupplier },
): Router {
  const routes = Router()

  routes.get('/', (_request, response) => {
    response.json({ name: supplier.name })
  })

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
      const arrived = rows.map(({ id, module, price }) => ({
        ...(offers.get(module.article) ?? { module, price, stock: 0, leadDays: null }),
        id,
      }))
      await db.transaction((tx) => writeOver(tx, arrived))
      return { asked: rows.length, sold: offers.size }
    })
  })

  if (!mayMisbehave) return routes

  routes.get('/behaviour', (_request, response) => {
    response.json({ behaviour: supplier.behaviour, supplier: supplier.name })
  })

  routes.put('/behaviour', (request: Request, response) => {
    supplier.behaviour = z.object({ behaviour: SupplierBehaviour }).parse(request.body).behaviour
    response.json({ behaviour: supplier.behaviour, supplier: supplier.name })
  })

  return routes
}

/** Answers in time or with an error; what nobody waits for any more is given up. */
export async function answered(
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
