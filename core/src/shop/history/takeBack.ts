import { deepEqual } from '../../things/model'
import {
  COLLECTIONS,
  type Collection,
  type HistoryLine,
  type Job,
  KINDS,
} from '../../things/records'
import { reopens } from '../handover'
import { differenceOf, valueBefore } from './difference'

/** A change that sets fields back to what they were. */
export interface TakenBack {
  collection: Collection
  recordId: string
  fields: Record<string, unknown>
}

/** The kind of record that a line tells of; undefined of what is not written record by record. */
export const collectionOf = ({ record }: Pick<HistoryLine, 'record'>): Collection | undefined =>
  COLLECTIONS.find((one) => KINDS[one].record === record)

/**
 * What takes a change of the history back from a record as it is; null where that cannot be: the line does not keep
 * all of it, the record was changed since, or no change sets it so, as with what was offered, approved or signed.
 */
export function takenBack(
  { record, recordId, action, fields, changes }: HistoryLine,
  now: Readonly<Record<string, unknown>>,
): TakenBack | null {
  const collection = collectionOf({ record })
  if (!collection || action !== 'changed' || !changes) return null
  const { updateSchema } = KINDS[collection]
  const isTold = fields.every(
    (name) => Object.hasOwn(updateSchema.shape, name) && Object.hasOwn(changes, name),
  )
  if (!isTold || fields.length === 0) return null
  const back: Record<string, unknown> = {}
  for (const [name, difference] of Object.entries(changes)) {
    const is = now[name]
    const was = valueBefore(is, difference)
    if (was === undefined || !deepEqual(differenceOf(was, is), difference)) return null
    back[name] = was
  }
  const isAllowed = updateSchema.safeParse({ version: 1, ...back }).success
  const isOpened = collection === 'jobs' && reopens(now as Pick<Job, 'stage'>, back)
  return isAllowed && !isOpened ? { collection, recordId, fields: back } : null
}
