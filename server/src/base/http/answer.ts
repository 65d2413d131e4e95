import type { ErrorRequestHandler, RequestHandler } from 'express'
import { describe, HttpError, rootOf } from '../errors'

export const unknownRoute: RequestHandler = () => {
  throw new HttpError(404, 'not_found', 'There is nothing at this address.')
}

/** Answers every error in one shape and never with a stack trace. What is our own fault is logged. */
export const answerError: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) return next(error)
  const { status, code, message, fields, again } = describe(error)
  if (again) response.setHeader('Retry-After', again)
  // Without what was asked: a query's parameters are customers' data.
  if (status >= 500) {
    const { message } = rootOf(error)
    const { stack = '' } = error as Error
    const where = stack.slice(stack.indexOf('\n    at '))
    console.error(`${request.method} ${request.path} failed: ${message}${where}`)
  }
  response.status(status).json({ error: { code, message, ...(fields ? { fields } : {}) } })
}
