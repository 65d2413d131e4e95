import { type Response, Router } from 'express'
import type { Database } from '../../base/database'
import { listenForChanges } from '../store'

/** Between two signs of life, so that nobody takes a quiet connection for a dead one, ms. */
const QUIET = 20_000

/**
 * What was written, as it is written, to every screen that asks (`text/event-stream`): each event is a
 * `Written` as JSON. What came before a screen asked is not told; it reads its records itself.
 */
export function changeRoutes(db: Database): Router {
  const routes = Router()
  const screens = new Set<Response>()
  let listening: Promise<unknown> | null = null

  /** Listens once for all screens; where that failed, the next one tries again. */
  async function listen(): Promise<void> {
    listening ??= listenForChanges(db, (written) => {
      for (const screen of screens) screen.write(`data: ${written}\n\n`)
    })
    try {
      await listening
    } catch (error) {
      listening = null
      throw error
    }
  }

  routes.get('/', async (_request, response) => {
    await listen()
    response.set({
      'content-type': 'text/event-stream',
      // Nothing on the way may hold it back, nor this server's own compression.
      'cache-control': 'no-store, no-transform',
    })
    response.write('retry: 1000\n\n')
    // It may have gone meanwhile.
    if (response.destroyed) return
    screens.add(response)
    const life = setInterval(() => response.write(':\n\n'), QUIET)
    response.on('close', () => {
      clearInterval(life)
      screens.delete(response)
    })
  })

  return routes
}
