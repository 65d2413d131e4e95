import { same } from '../model'
import { COLLECTIONS, type Collection, FACTS, type HistoryLine } from '../records'
import { differenceOf, valueBefore } from './difference'

/** A change that sets fields back to what they were. */
export interface TakenBack {
  collection: Collection
  recordId: string
  fields: Record<string, unknown>
}

/** The kind of record that a line tells of; undefined of what is not written record by record. */
export const collectionOf = ({ record }: Pick<HistoryLine, 'record'>): Collection | undefined =>
  COLLECTIONS.find((one) => FACTS[one].record === record)

/**
 * What takes a change of the history back from a record as it is; null where that cannot be known: the line does
 * not keep all of it, the record was changed since, or a change may not set the field.
 */
export function takenBack(
  { record, recordId, action, fields, changes }: HistoryLine,
  now: Readonly<Record<string, unknown>>,
): TakenBack | null {
  const collection = collectionOf({ record })
  if (!collection || action !== 'changed' || !changes) return null
  const { settable } = FACTS[collection]
  const isTold = fields.every((name) => settable.includes(name) && Object.hasOwn(changes, name))
  if (!isTold || fields.length === 0) return null
  const back: Record<string, unknown> = {}
  for (const [name, difference] of Object.entries(changes)) {
    const is = now[name]
    const was = valueBefore(is, difference)
    if (was === undefined || !same(differenceOf(was, is), difference)) return null
    back[name] = was
  }
  return { collection, recordId, fields: back }
}
