import { eq } from 'drizzle-orm'
import { Router } from 'express'
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

  routes.delete('/:id/person', async (request, response) => {
    const id = idOf(request.params)
    const version = versionOf(request.query)
    await db.transaction((tx) => erase(tx, id, version))
    response.status(204).end()
  })

  return routes
}
