import express, { Router } from 'express'
import type { Database } from '../../base/database'
import { HttpError } from '../../base/http'
import { inPool } from '../../base/pool'
import { redeemCode, sixDigits } from './codes'
import { keepReport, type WriteAll } from './keepReport'
import type { Senders } from './senders'

/** The longest report that is taken, bytes. */
const LONGEST = 1_500_000

/**
 * What the collect script of a customer's machine sends: its text, by a code of the job. Answers in plain
 * words, as they appear in its console. A text that says nothing of memory does not use up the code.
 */
export function reportRoutes(db: Database, senders: Senders, writeAll: WriteAll): Router {
  const routes = Router()
  routes.use(express.raw({ type: () => true, limit: LONGEST }))
  routes.post('/:code', async (request, response) => {
    const guard = senders.guardOf(request)
    guard.check(Date.now())
    const bytes = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0)
    const code = sixDigits(request.params.code)
    const text = await inPool({ work: 'report', bytes })
    if (text === null) {
      throw new HttpError(400, 'no_report', 'This text says nothing of a machine’s memory.')
    }
    const { jobId, number } = await redeemCode(db, guard, code)
    await keepReport(db, jobId, text, writeAll)
    response.status(201).type('text').send(`Received, for job ${number}.\n`)
  })
  return routes
}
