import { looksBusy } from '@tembrix/core/bench/measure'
import { NewMeasurement, ProbeRuns } from '@tembrix/core/things/records'
import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../../base/database'
import { HttpError } from '../../base/http'
import { create, measurementKind } from '../../things/store'
import { jobOfToken, redeemCode, sixDigits } from './codes'
import type { Senders } from './senders'

/** The probe’s side: a short code of a job opens it once, and its token sends runs. */
export function sessionRoutes(db: Database, senders: Senders): Router {
  const routes = Router()

  routes.post('/open', async (request, response) => {
    const { code } = z.object({ code: z.string().trim().max(20) }).parse(request.body)
    const { jobId: _, ...opened } = await redeemCode(db, senders.guardOf(request), sixDigits(code))
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
