import { eq } from 'drizzle-orm'
import { Router } from 'express'
import { z } from 'zod'
import { type Database, passwords, type Transaction } from '../../base/database'
import { HttpError } from '../../base/http'
import { change, find, idOf, jobKind, noteOf } from '../../things/store'
import { seal, unseal } from './seal'

const Given = z.object({ password: z.string().min(1, 'Which password?').max(200) })

/**
 * The password that a customer left for a job: encrypted, shown when somebody asks for it (which the history
 * notes), and gone when the job closes.
 */
export function passwordRoutes(db: Database, key: () => Uint8Array): Router {
  const routes = Router()

  routes.get('/:id/password', async (request, response) => {
    const id = idOf(request.params)
    const password = await db.transaction(async (tx) => {
      const job = await find(tx, jobKind, id)
      const [kept] = await tx.select().from(passwords).where(eq(passwords.jobId, id))
      if (!kept) return null
      const said = unseal(key(), id, kept.sealed)
      if (said === null) {
        throw new HttpError(
          409,
          'other_key',
          'This password was kept with the key of another data folder. Ask the customer for it.',
        )
      }
      await noteOf(tx, jobKind, job, 'passwordShown')
      return said
    })
    response.json({ password })
  })

  routes.put('/:id/password', async (request, response) => {
    const id = idOf(request.params)
    const { password } = Given.parse(request.body)
    await db.transaction(async (tx) => {
      const { version, stage } = await find(tx, jobKind, id)
      if (stage === 'closed') throw new HttpError(409, 'closed', 'This job is closed.')
      const sealed = seal(key(), id, password)
      await tx
        .insert(passwords)
        .values({ jobId: id, sealed })
        .onConflictDoUpdate({ target: passwords.jobId, set: { sealed } })
      await change(tx, jobKind, id, { version, login: 'kept' })
    })
    response.status(204).end()
  })

  return routes
}

/** Forgets the password of a job. */
export const forgetPassword = async (tx: Transaction, jobId: string): Promise<void> => {
  await tx.delete(passwords).where(eq(passwords.jobId, jobId))
}
