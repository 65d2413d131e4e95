import { eq, sql } from 'drizzle-orm'
import { machines, models, type Transaction, validatedLists } from '../base/database'
import { HttpError } from '../base/http'
import type { Rules } from '../things/records'
import { listKind, remove } from '../things/store'

/** The shop's records of machines by model. */
export const modelRules: Rules<'models'> = {
  listing: () => ({ order: { by: sql`lower(${models.machine}->>'name')` } }),
  /** One that no customer's machine is of, with its lists. */
  removing: async (tx, { id }) => {
    const [used] = await tx
      .select({ id: machines.id })
      .from(machines)
      .where(eq(machines.modelId, id))
      .limit(1)
    if (used) throw new HttpError(409, 'in_use', 'A customer’s machine is of this model.')
    await removeLists(tx, id)
  },
}

async function removeLists(tx: Transaction, modelId: string): Promise<void> {
  const lists = await tx
    .select({ id: validatedLists.id, version: validatedLists.version })
    .from(validatedLists)
    .where(eq(validatedLists.modelId, modelId))
  for (const { id, version } of lists) await remove(tx, listKind, id, version)
}
