import { ForecastShape, forecast } from '@tembrix/core/forecast'
import { PriceShape, priced } from '@tembrix/core/quote'
import { SizeShape, size } from '@tembrix/core/sizing'
import { Router } from 'express'

/** How much memory is needed, and what to spend on. */
export function sizeRoutes(): Router {
  return answering((body) => size(SizeShape.parse(body)))
}

/** What a change of memory should bring. */
export function forecastRoutes(): Router {
  return answering((body) => forecast(ForecastShape.parse(body)))
}

/** What an offer comes to. */
export function priceRoutes(): Router {
  return answering((body) => priced(PriceShape.parse(body)))
}

function answering(of: (body: unknown) => unknown): Router {
  const routes = Router()
  routes.post('/', (request, response) => {
    response.json(of(request.body))
  })
  return routes
}
