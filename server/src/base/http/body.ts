import express, { type RequestHandler } from 'express'
import { HttpError, malformedText, storable } from '../errors'

/** Refuses a body that is said to be of another kind. */
export const jsonOnly: RequestHandler = (request, _response, next) => {
  if (request.is('application/json') === false) {
    throw new HttpError(415, 'not_json', 'Send application/json.')
  }
  next()
}

/** Reads a JSON body of at most `limit`. Text that the database cannot hold is refused here. */
export const jsonBody = (limit: string): RequestHandler[] => [
  jsonOnly,
  express.json({ limit, strict: false }),
  (request, _response, next) => {
    if (!storable(request.body)) throw malformedText()
    next()
  },
]
