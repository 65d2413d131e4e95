import { evaluate } from '@tembrix/core/evaluate'
import { EvaluationRequest } from '@tembrix/core/model'
import { Router } from 'express'

export function evaluateRoutes(): Router {
  const routes = Router()
  routes.post('/', (request, response) => {
    response.json(evaluate(EvaluationRequest.parse(request.body)))
  })
  return routes
}
