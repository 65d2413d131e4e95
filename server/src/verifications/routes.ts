import { NewVerification, UNVERIFIED, VerificationPatch } from '@tembrix/core/records'
import { eq } from 'drizzle-orm'
import { Router } from 'express'
import { type Database, verifications } from '../database'
import { answerCreated, change, create, find, idOf, jobKind, verificationKind } from '../store'

/** Whether upgrades work: one record a job, under the job’s id, so that it is begun once. */
export function verificationRoutes(db: Database): Router {
  const routes = Router()

  routes.post('/', async (request, response) => {
    const { jobId, ...given } = NewVerification.parse(request.body)
    const created = await db.transaction(async (tx) => {
      await find(tx, jobKind, jobId)
      const [known] = await tx.select().from(verifications).where(eq(verifications.jobId, jobId))
      if (known) return { row: known, fresh: false }
      return create(tx, verificationKind, { ...UNVERIFIED, ...given, id: jobId, jobId })
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, verificationKind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = VerificationPatch.parse(request.body)
    response.json(await db.transaction((tx) => change(tx, verificationKind, id, patch)))
  })

  return routes
}
