import { eq, sql } from 'drizzle-orm'
import { fits, models } from '../base/database'
import { HttpError } from '../base/http'
import type { Rules } from '../things/records'

/** Pictures on a job, but for how they come in. */
export const photoRules: Rules<'photos'> = {
  make: null,
  /** One that is not under a map of screws. */
  removing: async (tx, { id }) => {
    const under = sql`${models.screwMap}->>'photoId' = ${id}`
    const [model] = await tx.select({ id: models.id }).from(models).where(under).limit(1)
    const [fit] = await tx
      .select({ id: fits.id })
      .from(fits)
      .where(eq(fits.screwPhotoId, id))
      .limit(1)
    if (model || fit) {
      throw new HttpError(409, 'in_use', 'A map of screws is drawn on this photo.')
    }
  },
}
