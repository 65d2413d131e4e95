import { ForecastShape, forecast } from '@tembrix/core/forecast'
import { CompareShape, compare } from '@tembrix/core/measure'
import { PriceShape, priced } from '@tembrix/core/quote'
import { SizeShape, size } from '@tembrix/core/sizing'
import { Router } from 'express'
import type { Database } from '../database'
import { learned } from '../learned'

/** How much memory is needed, and what to spend on. */
export function sizeRoutes(): Router {
  return answering((body) => size(SizeShape.parse(body)))
}

/** What a change of memory should bring; the shop’s own results stand behind it. */
export function forecastRoutes(db: Database): Router {
  return answering(async (body) => {
    const asked = ForecastShape.parse(body)
    const { results } = await learned(db)
    return forecast({ ...asked, results })
  })
}

/** Whether sessions before and after a change tell of a gain. */
export function compareRoutes(): Router {
  return answering((body) => compare(CompareShape.parse(body)))
}

/** What an offer comes to. */
export function priceRoutes(): Router {
  return answering((body) => priced(PriceShape.parse(body)))
}

function answering(of: (body: unknown) => unknown): Router {
  const routes = Router()
  routes.post('/', async (request, response) => {
    response.json(await of(request.body))
  })
  return routes
}
