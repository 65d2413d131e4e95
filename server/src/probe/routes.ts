import { looksBusy } from '@tembrix/core/measure'
import { NewMeasurement, ProbeRuns } from '@tembrix/core/records'
import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../database'
import { HttpError } from '../http'
import { create, measurementKind } from '../store'
import { Guard, jobOfToken, newCode, openCode } from './codes'

/** The probe’s side: a short code of a job, and the measurements it sends. */
export function probeRoutes(db: Database): Router {
  const routes = Router()
  const guard = new Guard()

  routes.post('/codes', async (request, response) => {
    const { jobId } = z.object({ jobId: z.uuid() }).parse(request.body)
    response.status(201).json(await newCode(db, jobId))
  })

  routes.post('/open', async (request, response) => {
    const { code } = z.object({ code: z.string().trim().max(20) }).parse(request.body)
    response.json(await openCode(db, guard, code.replace(/\s/g, '')))
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
