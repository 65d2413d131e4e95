import { COLLECTIONS } from './collections'
import { FACTS } from './facts'
import { HISTORY_TEXT, type HistoryLine, type Plain } from './history'
import type { Collection } from './kinds'

/** A change that sets fields back to what they were. */
export interface TakenBack {
  collection: Collection
  recordId: string
  fields: Record<string, Plain>
}

/**
 * What takes back a change of the history; null where the line does not say all of it: lists and maps are only
 * named in it, long texts are cut, and what a change may not set cannot be set back.
 */
export function takenBack({
  record,
  recordId,
  action,
  fields,
  changes,
}: Pick<HistoryLine, 'record' | 'recordId' | 'action' | 'fields' | 'changes'>): TakenBack | null {
  const collection = COLLECTIONS.find((one) => FACTS[one].record === record)
  if (!collection || action !== 'changed' || !changes) return null
  const told = Object.entries(changes)
  const isTold = fields.every(
    (name) => FACTS[collection].settable.includes(name) && Object.hasOwn(changes, name),
  )
  const isCut = told.some(([, [was]]) => typeof was === 'string' && was.length > HISTORY_TEXT)
  if (!isTold || isCut || told.length === 0) return null
  return {
    collection,
    recordId,
    fields: Object.fromEntries(told.map(([name, [was]]) => [name, was])),
  }
}
