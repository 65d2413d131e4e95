import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../../base/database'
import { HttpError } from '../../base/http'
import { newCode } from './codes'
import type { ProbeListener } from './listener'
import type { Senders } from './senders'
import { sessionRoutes } from './session'

/** The shop’s side: codes, and whether the probe can be reached from the shop’s network. */
export function probeRoutes(
  db: Database,
  senders: Senders,
  listener: ProbeListener | null,
): Router {
  const routes = Router()

  routes.post('/codes', async (request, response) => {
    const { jobId } = z.object({ jobId: z.uuid() }).parse(request.body)
    response.status(201).json(await newCode(db, jobId))
  })

  routes.get('/listener', (_request, response) => {
    response.json(listener?.state ?? { configured: false, address: null })
  })

  routes.put('/listener', async (request, response) => {
    const { on } = z.object({ on: z.boolean() }).parse(request.body)
    if (!listener?.state.configured) {
      throw new HttpError(
        409,
        'not_configured',
        'Start Tembrix with TEMBRIX_PROBE=0.0.0.0:4311 first: so it is known where the probe may be reached.',
      )
    }
    try {
      await (on ? listener.on() : listener.off())
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error)
      throw new HttpError(409, 'not_reachable', `The probe’s address cannot be opened: ${why}`)
    }
    response.json(listener.state)
  })

  routes.use(sessionRoutes(db, senders))
  return routes
}
