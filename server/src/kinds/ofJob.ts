import { eq } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'
import { z } from 'zod'

const Query = z.object({ jobId: z.uuid().optional() })

/** A list that `?jobId=` narrows to one job's. */
export const ofJob = (table: { jobId: PgColumn }) => (query: unknown) => {
  const { jobId } = Query.parse(query)
  return { where: jobId ? eq(table.jobId, jobId) : undefined }
}

/** May always be removed. */
export const freely = async (): Promise<void> => {}
