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

/** What a field was and is, where both are plain: a text, a number, a day, yes or no. */
const Plain = z.union([z.string(), z.number(), z.boolean(), z.null()])
export type Plain = z.infer<typeof Plain>

/** The most letters of a text that are kept in the history. */
export const HISTORY_TEXT = 500

/**
 * One write: what was done to which record by whom, the names of the fields it set, and of the plain ones
 * what each was and is; `changes` null on lines of before that was kept.
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
  changes: z.record(z.string(), z.tuple([Plain, Plain])).nullable(),
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
