import { PlanRequest } from '@tembrix/core/plan'
import { Router } from 'express'
import { Gone, planInThread } from './thread'

/** Every trade-off worth having; a request whose sender goes away is given up. */
export function plannerRoutes(): Router {
  const routes = Router()
  routes.post('/', async (request, response) => {
    const asked = PlanRequest.parse(request.body)
    const gone = new AbortController()
    response.on('close', () => gone.abort())
    try {
      response.json(await planInThread(asked, gone.signal))
    } catch (error) {
      if (!(error instanceof Gone)) throw error
    }
  })
  return routes
}
