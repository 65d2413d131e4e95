import express, { type RequestHandler, Router } from 'express'
import { jsonOnly } from '../http'
import { inPool } from './pool'
import type { POOL_TASKS } from './tasks'

/** Work whose answer is JSON as it is. */
type OnJson = {
  [W in keyof typeof POOL_TASKS]: Awaited<ReturnType<(typeof POOL_TASKS)[W]>> extends Uint8Array
    ? W
    : never
}[keyof typeof POOL_TASKS]

/** One address that works something out of what it is sent; nothing is stored. `known` is what the server adds. */
export function computing(
  work: OnJson,
  limit: string,
  known: () => Promise<unknown> = async () => null,
): Router {
  const routes = Router()
  const compute: RequestHandler = async (request, response) => {
    const gone = new AbortController()
    response.on('close', () => gone.abort())
    // It may have gone while its request was read.
    if (response.destroyed) gone.abort()
    const bytes = request.body instanceof Uint8Array ? request.body : new Uint8Array()
    try {
      const answer = await inPool({ work, bytes, known: await known() }, gone.signal)
      response.type('json').send(Buffer.from(answer))
    } catch (error) {
      // Who asked has gone away.
      if (!gone.signal.aborted) throw error
    }
  }
  routes.post('/', jsonOnly, express.raw({ type: () => true, limit }), compute)
  return routes
}
