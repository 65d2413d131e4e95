import { eq } from 'drizzle-orm'
import { z } from 'zod'
import { machines } from '../base/database'
import type { Rules } from '../things/records'
import { reindex } from '../things/search'
import { customerKind, find, modelKind } from '../things/store'

const Query = z.object({ customerId: z.uuid().optional() })

export const machineRules: Rules<'machines'> = {
  making: async (tx, machine) => {
    await find(tx, customerKind, machine.customerId)
    if (machine.modelId) await find(tx, modelKind, machine.modelId)
    return machine
  },
  changing: async (tx, _, patch) => {
    if (patch.modelId) await find(tx, modelKind, patch.modelId)
    return patch
  },
  written: (tx, { id }) => reindex(tx, { machineId: id }),
  /** One customer's (`?customerId=`) or all, the last changed first. */
  listing: (query) => {
    const { customerId } = Query.parse(query)
    return {
      where: customerId ? eq(machines.customerId, customerId) : undefined,
      order: { by: machines.lastWrite, descending: true },
    }
  },
}
