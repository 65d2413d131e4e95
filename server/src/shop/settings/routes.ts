import { STARTING_USES } from '@tembrix/core/judging/sizing'
import { ShopPatch } from '@tembrix/core/things/records'
import { Router } from 'express'
import type { Database, Transaction } from '../../base/database'
import {
  answerPage,
  change,
  create,
  historyPage,
  listed,
  ofRecord,
  Paging,
  shopKind,
} from '../../things/store'

/** There is one shop. */
export const THE_SHOP = '00000000-0000-4000-8000-000000000001'

export function shopRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (_request, response) => {
    response.json(await db.transaction(readShop))
  })

  routes.get('/history', async (request, response) => {
    const paging = Paging.parse(request.query)
    const lines = await db.transaction(async (tx) => {
      const { id } = await readShop(tx)
      return historyPage(tx, ofRecord(id), paging)
    })
    answerPage(request, response, lines)
  })

  routes.patch('/', async (request, response) => {
    const patch = ShopPatch.parse(request.body)
    const changed = await db.transaction(async (tx) => {
      const { id } = await readShop(tx)
      return change(tx, shopKind, id, patch)
    })
    response.json(changed)
  })

  return routes
}

/** The shop's settings; a new shop begins with the trade's rules of thumb. */
export async function readShop(tx: Transaction) {
  const [shop] = await listed(tx, shopKind)
  if (shop) return shop
  const start = { id: THE_SHOP, uses: STARTING_USES, policy: 'balanced' as const }
  return (await create(tx, shopKind, start)).row
}
