import { eq } from 'drizzle-orm'
import { Router } from 'express'
import { z } from 'zod'
import { type Database, jobs, machines } from '../../base/database'
import {
  customerKind,
  find,
  idOf,
  jobKind,
  listed,
  machineKind,
  versionOf,
} from '../../things/store'
import { everythingOf } from '../exchange'
import { erase } from './erase'
import { visitsOf } from './visits'

const OfDay = z.object({
  today: z.iso.date().default(() => new Date().toISOString().slice(0, 10)),
})

/** Visits of a machine with what each left on record. */
export function machineRoutes(db: Database): Router {
  const routes = Router()
  routes.get('/:id/visits', async (request, response) => {
    const { today } = OfDay.parse(request.query)
    response.json(await visitsOf(db, { machineId: idOf(request.params) }, today))
  })
  return routes
}

/** Everything the shop has of a customer, as a file; and taken out, on their request. */
export function customerRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/:id/file', async (request, response) => {
    const id = idOf(request.params)
    const archive = await db.transaction(async (tx) => {
      const customer = await find(tx, customerKind, id)
      const owned = await listed(tx, machineKind, eq(machines.customerId, id))
      const theirs = await listed(tx, jobKind, eq(jobs.customerId, id))
      return everythingOf(tx, { customer, machines: owned }, theirs)
    })
    response.set({
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="customer.zip"',
    })
    archive.pipe(response)
  })

  /** Visits of a customer with what each left on record. */
  routes.get('/:id/visits', async (request, response) => {
    const { today } = OfDay.parse(request.query)
    response.json(await visitsOf(db, { customerId: idOf(request.params) }, today))
  })

  routes.delete('/:id/person', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction((tx) => erase(tx, id, version))
    response.status(204).end()
  })

  return routes
}
