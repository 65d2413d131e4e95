import { asc, desc, type SQL, sql } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'
import { z } from 'zod'

/** The most rows of one page. */
const MOST = 1000
const USUAL = 100

/** Where a page ends: what its last row is ordered by, and its id. */
const Cursor = z.tuple([z.union([z.string(), z.number()]), z.string()])
type Cursor = readonly [string | number, string]

const asCursor = z
  .string()
  .max(2000)
  .transform((text, context) => {
    const parsed = Cursor.safeParse(decoded(text))
    if (parsed.success) return parsed.data
    context.addIssue({ code: 'custom', message: 'There is no such page.' })
    return z.NEVER
  })

/** How much of a list is asked for, and after which row; by the query of its address. */
export const Paging = z.object({
  limit: z.coerce.number().int().min(1).max(MOST).default(USUAL),
  after: asCursor.optional(),
})
export type Paging = z.infer<typeof Paging>

export interface Page<T> {
  rows: T[]
  /** What `after` is for the page that follows; null where this is the last. */
  next: string | null
}

/** What a list is ordered by, first; rows alike in it by their ids. */
export interface ListOrder {
  by: PgColumn | SQL
  descending?: boolean
}

export const onePage = <T>(rows: T[]): Page<T> => ({ rows, next: null })

/** Rows that come after a page's cursor. */
export function afterCursor(
  { by, descending }: ListOrder,
  id: PgColumn,
  { after }: Paging,
): SQL | undefined {
  if (!after) return undefined
  const [value, last] = after
  return descending
    ? sql`(${by}, ${id}) < (${value}, ${last})`
    : sql`(${by}, ${id}) > (${value}, ${last})`
}

export const ordering = ({ by, descending }: ListOrder, id: PgColumn): SQL[] =>
  descending ? [desc(by), desc(id)] : [asc(by), asc(id)]

/** A page of rows of which one more was read than is wanted. */
export function cutPage<T>(read: { row: T; cursor: Cursor }[], { limit }: Paging): Page<T> {
  const shown = read.slice(0, limit)
  const last = read.length > limit ? shown.at(-1) : undefined
  return {
    rows: shown.map(({ row }) => row),
    next: last ? Buffer.from(JSON.stringify(last.cursor)).toString('base64url') : null,
  }
}

function decoded(text: string): unknown {
  try {
    return JSON.parse(Buffer.from(text, 'base64url').toString())
  } catch {
    return null
  }
}
