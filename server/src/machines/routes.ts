import { MachinePatch, NewMachineRecord } from '@tembrix/core/records'
import { desc, eq } from 'drizzle-orm'
import { Router } from 'express'
import { z } from 'zod'
import { type Database, machines } from '../database'
import {
  answerCreated,
  change,
  create,
  customerKind,
  find,
  idOf,
  machineKind,
  modelKind,
} from '../store'

const Query = z.object({ customerId: z.uuid().optional() })

export function machineRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/', async (request, response) => {
    const { customerId } = Query.parse(request.query)
    const wanted = customerId ? eq(machines.customerId, customerId) : undefined
    response.json(
      await db.select().from(machines).where(wanted).orderBy(desc(machines.updatedAt)).limit(2000),
    )
  })

  routes.post('/', async (request, response) => {
    const machine = NewMachineRecord.parse(request.body)
    const created = await db.transaction(async (tx) => {
      await find(tx, customerKind, machine.customerId)
      if (machine.modelId) await find(tx, modelKind, machine.modelId)
      return create(tx, machineKind, machine)
    })
    answerCreated(response, created)
  })

  routes.get('/:id', async (request, response) => {
    const id = idOf(request.params)
    response.json(await db.transaction((tx) => find(tx, machineKind, id)))
  })

  routes.patch('/:id', async (request, response) => {
    const id = idOf(request.params)
    const patch = MachinePatch.parse(request.body)
    const changed = await db.transaction(async (tx) => {
      if (patch.modelId) await find(tx, modelKind, patch.modelId)
      return change(tx, machineKind, id, patch)
    })
    response.json(changed)
  })

  return routes
}
