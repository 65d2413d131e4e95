import { NewPriceList, PriceListPiece } from '@tembrix/core/things/records'
import { Router } from 'express'
import { analyzeTables, type Database, priceLists } from '../../base/database'
import {
  answerCreated,
  answerPage,
  create,
  find,
  idOf,
  Paging,
  pageOf,
  priceListKind,
} from '../../things/store'
import { endList, takeIn } from './takeIn'

/**
 * Suppliers' price lists; what they sell is among the modules. A list is begun, taken in piece by piece,
 * each in a transaction of its own so that others are answered in between, and ended.
 */
export function priceListRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (request, response) => {
    const order = { by: priceLists.firstWrite, descending: true }
    const paging = Paging.parse(request.query)
    answerPage(request, response, await pageOf(db, priceListKind, paging, undefined, order))
  })

  routes.post('/', async (request, response) => {
    const list = NewPriceList.parse(request.body)
    answerCreated(response, await db.transaction((tx) => create(tx, priceListKind, list)))
  })

  routes.post('/:id/offers', async (request, response) => {
    const id = idOf(request.params)
    const piece = PriceListPiece.parse(request.body)
    response.json(
      await db.transaction(async (tx) => takeIn(tx, await find(tx, priceListKind, id), piece)),
    )
  })

  routes.post('/:id/end', async (request, response) => {
    const id = idOf(request.params)
    const ended = await db.transaction(async (tx) => endList(tx, await find(tx, priceListKind, id)))
    await analyzeTables(db, ['modules'])
    response.json(ended)
  })

  return routes
}
