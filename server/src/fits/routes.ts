import { FitPatch, NewFit, UNFITTED } from '@tembrix/core/records'
import { eq } from 'drizzle-orm'
import { Router } from 'express'
import { type Database, fits } from '../database'
import { HttpError } from '../http'
import { answerCreated, change, create, find, fitKind, idOf, jobKind } from '../store'
import { finish, finishedNow } from './finish'

/** The work at the bench: one record a job, under the job's id, so that it is begun once. */
export function fitRoutes(db: Database): Router {
  const routes = Router()

  routes.post('/', async (request, response) => {
    const { jobId, runningSince = null, ...fit } = NewFit.parse(request.body)
    const created = await db.transaction(async (tx) => {
      await find(tx, jobKind, jobId)
      const [known] = await tx.select().from(fits).where(eq(fits.jobId, jobId))
      if (known) return { row: known, fresh: false }
      return create(tx, fitKind, {
        ...UNFITTED,
        ...fit,
        runningSince: dateOf(runningSince),
        finishedAt: null,
        id: jobId,
        jobId,
      })
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, fitKind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const { finished, runningSince, ...patch } = FitPatch.parse(request.body)
    const changed = await db.transaction(async (tx) => {
      const { finishedAt } = await find(tx, fitKind, id)
      if (finishedAt && (finished || patch.removed)) {
        throw new HttpError(409, 'finished', 'This fitting is finished.')
      }
      const fit = await change(tx, fitKind, id, {
        ...patch,
        ...(runningSince === undefined ? {} : { runningSince: dateOf(runningSince) }),
        ...(finished ? finishedNow : {}),
      })
      if (finished) await finish(tx, fit)
      return fit
    })
    response.json(changed)
  })

  return routes
}

const dateOf = (iso: string | null): Date | null => (iso === null ? null : new Date(iso))
