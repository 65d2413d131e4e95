import { looksBusy } from '@tembrix/core/measure'
import { NewMeasurement, ProbeRuns } from '@tembrix/core/records'
import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../database'
import { HttpError } from '../http'
import { create, measurementKind } from '../store'
import { jobOfToken, newCode, openCode, sixDigits } from './codes'
import type { ProbeListener } from './listener'
import type { Senders } from './senders'

/** The probe’s side: a short code of a job opens it once, and its token sends runs. */
export function sessionRoutes(db: Database, senders: Senders): Router {
  const routes = Router()

  routes.post('/open', async (request, response) => {
    const { code } = z.object({ code: z.string().trim().max(20) }).parse(request.body)
    const { jobId: _, ...opened } = await openCode(db, senders.guardOf(request), sixDigits(code))
    response.json(opened)
  })

  routes.post('/runs', async (request, response) => {
    const { token, configuration, measurements } = ProbeRuns.parse(request.body)
    const jobId = await jobOfToken(db, token)
    if (!jobId) {
      throw new HttpError(410, 'code_late', 'The code has run out. Make a new one in the job.')
    }
    const busy = measurements.some(({ runs }) => looksBusy(runs))
    const session = { jobId, configuration, busy, at: new Date().toISOString() }
    await db.transaction(async (tx) => {
      for (const one of measurements) {
        await create(tx, measurementKind, NewMeasurement.parse({ ...one, ...session }))
      }
    })
    response.status(201).json({ added: measurements.length, busy })
  })

  return routes
}

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
