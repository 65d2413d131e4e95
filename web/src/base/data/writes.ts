import {
  type ChangeOf,
  type Collection,
  KIND_INFO,
  mergeFields,
  type NewOf,
} from '@tembrix/core/things/records'

export type Fields = Record<string, unknown>

interface Of {
  collection: Collection
  recordId: string
}

/** One write of a deed: `before` is what the fields were, `fields` of a removal the whole record. */
export type Write = Of &
  (
    | { action: 'create'; fields: Fields }
    | { action: 'change'; version: number; before: Fields; fields: Fields }
    | { action: 'remove'; version: number; fields: Fields }
    /** Writes nothing: the deed was decided on this record as it is. */
    | { action: 'expect'; version: number; fields: Fields }
  )

interface Known {
  id: string
  version: number
}

/** What a record holds in place of these fields. */
export const asIn = (record: object, fields: Fields): Fields =>
  Object.fromEntries(Object.keys(fields).map((name) => [name, (record as Fields)[name]]))

/** Makes a record under an id of its own. */
export const making = <C extends Collection>(
  collection: C,
  fields: NewOf<C>,
  recordId: string = crypto.randomUUID(),
): Write => ({ action: 'create', collection, recordId, fields })

/** Sets fields of a record, which is given as it is. */
export const changing = <C extends Collection>(
  collection: C,
  record: Known,
  fields: ChangeOf<C>,
): Extract<Write, { action: 'change' }> => ({
  action: 'change',
  collection,
  recordId: record.id,
  version: record.version,
  before: asIn(record, fields),
  fields,
})

/** Takes a record out, which is given as it is. */
export const removing = (collection: Collection, record: Known): Write => ({
  action: 'remove',
  collection,
  recordId: record.id,
  version: record.version,
  fields: { ...record },
})

/** Writes nothing; the deed holds only while this record is as it is. */
export const expecting = (collection: Collection, record: Known): Write => ({
  action: 'expect',
  collection,
  recordId: record.id,
  version: record.version,
  fields: {},
})

/** What the store adds to a record, which is none of what it is made of. */
const STAMPS = ['id', 'version', 'createdAt', 'updatedAt']

/**
 * The writes that take a deed back, the last first. `current` gives a record as it is now, undefined where
 * it is gone; what others did since stays.
 */
export function inverse(
  writes: readonly Write[],
  current: (collection: Collection, id: string) => Known | undefined,
): Write[] {
  return writes.toReversed().flatMap((write): Write[] => {
    const { collection, recordId } = write
    const now = current(collection, recordId)
    if (write.action === 'create') return now ? [removing(collection, now)] : []
    if (write.action === 'remove') {
      const made = Object.entries(write.fields).filter(([name]) => !STAMPS.includes(name))
      return now
        ? []
        : [{ action: 'create', collection, recordId, fields: Object.fromEntries(made) }]
    }
    if (write.action === 'expect' || !now) return []
    const { entries } = KIND_INFO[collection]
    const { fields } = mergeFields(entries, write.fields, write.before, now as unknown as Fields)
    const { version } = now
    return [{ action: 'change', collection, recordId, version, before: asIn(now, fields), fields }]
  })
}
