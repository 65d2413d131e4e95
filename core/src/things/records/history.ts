import { z } from 'zod'
import { KINDS } from './kinds'

/** Every kind of record there is a history of. */
export const RECORD_KINDS = [
  ...Object.values(KINDS).map(({ record }) => record),
  'list',
  'shop',
  'price-list',
] as const
export const RecordKind = z.enum(RECORD_KINDS)
export type RecordKind = z.infer<typeof RecordKind>

/**
 * What differs between two values, as jsondiffpatch writes it: `[was, is]`, `[is]` of what came, `[was, 0, 0]` of
 * what went; of objects by key; of lists (`_t: 'a'`) by place now, and by `_place` then.
 */
export const Delta = z.json()
export type Delta = z.infer<typeof Delta>

/**
 * One write: what was done to which record by whom, the names of the fields it set, and what differs in each
 * since; of a change too large to keep, its name only. `changes` null on lines of before that was kept.
 */
export const HistoryLine = z.object({
  id: z.int(),
  at: z.iso.datetime(),
  jobId: z.uuid().nullable(),
  record: RecordKind,
  recordId: z.uuid(),
  action: z.enum(['created', 'changed', 'removed']),
  fields: z.array(z.string()),
  by: z.string(),
  changes: z.record(z.string(), Delta).nullable(),
})
export type HistoryLine = z.infer<typeof HistoryLine>

/** A write that is through, as it is told to every screen: which record, and the version it has now. */
export const Written = HistoryLine.pick({
  jobId: true,
  record: true,
  recordId: true,
  action: true,
}).extend({ version: z.int() })
export type Written = z.infer<typeof Written>
