import type { KindOfRecord } from './kind'
import { type Collection, KINDS } from './kinds'

type InfoOf<K extends KindOfRecord> = Pick<
  K,
  'record' | 'displayName' | 'inJob' | 'shownIn' | 'blank' | 'entries'
> & {
  /** Whether a change may go out within the create before it. */
  joins: boolean
}

/**
 * What a screen has to know of every kind of record it writes: all but the schemas. It is data, and the
 * build of the page keeps it as such (`web/vite.config.ts`), so that the kinds' schemas do not load first.
 */
export const KIND_INFO = Object.fromEntries(
  Object.entries(KINDS).map(([collection, kind]) => [collection, infoOf(kind)]),
) as { [C in Collection]: InfoOf<(typeof KINDS)[C]> }

function infoOf<K extends KindOfRecord>(kind: K): InfoOf<K> {
  const { record, displayName, inJob, shownIn, blank, entries } = kind
  return { record, displayName, inJob, shownIn, blank, entries, joins: joins(kind) }
}

/** Not where a job has one, perhaps begun at another screen, nor where a change may set what a create does not take. */
function joins({ inJob, createSchema, updateSchema }: KindOfRecord): boolean {
  const taken = Object.keys(createSchema.shape)
  const settable = Object.keys(updateSchema.shape).filter((name) => name !== 'version')
  return inJob !== 'at-most-one' && settable.every((name) => taken.includes(name))
}
