import { and, like, type SQL } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'
import { z } from 'zod'

/** Words looked for, as they were typed. */
export const Search = z
  .string()
  .max(200)
  .refine((text) => !text.includes('\0'), 'This text cannot be searched for.')
  .default('')

/** Rows in whose `said` every word is found. */
export function saying(said: PgColumn, search: string): SQL | undefined {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  return and(...words.map((word) => like(said, `%${word.replace(/[\\%_]/g, '\\$&')}%`)))
}
