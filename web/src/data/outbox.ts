import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit'

export type Collection =
  | 'customers'
  | 'machines'
  | 'modules'
  | 'jobs'
  | 'plans'
  | 'quotes'
  | 'fits'
  | 'verifications'
  | 'measurements'
  | 'frames'
  | 'readings'
  | 'photos'
  | 'models'
  | 'validated-lists'
export type Fields = Record<string, unknown>

/** A write on its way to the server. Entries go out in order; those of one record never overtake each other. */
export interface Entry {
  id: string
  /** The job it belongs to; empty for the shop's own records. */
  jobId: string
  collection: Collection
  recordId: string
  action: 'create' | 'change' | 'remove'
  /** The version the write was made against; unknown for a create. */
  version: number
  fields: Fields
  /**
   * It was on its way and no answer came: the server may have it. It is sent again just as it was, so
   * that it can be told from what others changed; what is changed since goes by itself.
   */
  tried?: boolean
  /** Why the server would not take it, in its own words; it waits for a better value. */
  refused?: string
}

export type Link = 'saved' | 'waiting' | 'sending' | 'away' | 'conflict'

export interface Outbox {
  entries: Entry[]
  sending: string | null
  /** False after the server could not be reached, until it answers again. */
  reachable: boolean
  /** The entry whose record was changed elsewhere meanwhile. */
  conflict: string | null
  /** Values typed that cannot be accepted yet, by record and field, kept as they are. */
  drafts: Record<string, Fields>
}

export const emptyOutbox: Outbox = {
  entries: [],
  sending: null,
  reachable: true,
  conflict: null,
  drafts: {},
}

type Target = Pick<Entry, 'jobId' | 'collection' | 'recordId' | 'version'>

export const keyOf = ({ collection, recordId }: Pick<Entry, 'collection' | 'recordId'>) =>
  `${collection}/${recordId}`

/**
 * Their create is sent by itself: a job has one of them, perhaps begun at another screen, or a change may
 * set what a create does not take.
 */
const CREATED_ALONE: readonly Collection[] = ['fits', 'verifications', 'quotes', 'jobs']

export const mayJoin = ({ action, collection }: Pick<Entry, 'action' | 'collection'>): boolean =>
  action === 'change' || (action === 'create' && !CREATED_ALONE.includes(collection))

/** Whether the server may have an entry without our knowing. */
function mark(state: Outbox, id: string, tried: boolean): void {
  const entry = state.entries.find((one) => one.id === id)
  if (!entry) return
  if (tried) entry.tried = true
  else delete entry.tried
}

const slice = createSlice({
  name: 'outbox',
  initialState: emptyOutbox,
  reducers: {
    /** Sets fields of a record. Changes not yet on their way are sent as one. */
    changed: {
      prepare: (target: Target, fields: Fields) => ({ payload: { target, fields, id: nanoid() } }),
      reducer(state, { payload }: PayloadAction<{ target: Target; fields: Fields; id: string }>) {
        const { target, fields, id } = payload
        const at = state.entries.findLastIndex((entry) => keyOf(entry) === keyOf(target))
        const last = state.entries[at]
        // What was created or removed since may be what the change names: it goes out behind that.
        const inOrder = state.entries.slice(at + 1).every(({ action }) => action === 'change')
        if (last && mayJoin(last) && !last.tried && (inOrder || last.refused)) {
          Object.assign(last.fields, fields)
          delete last.refused
        } else {
          state.entries.push({ ...target, id, action: 'change', fields })
        }
      },
    },
    created: {
      prepare: (target: Omit<Target, 'version'>, fields: Fields) => ({
        payload: { ...target, version: 0, id: nanoid(), action: 'create' as const, fields },
      }),
      reducer(state, { payload }: PayloadAction<Entry>) {
        state.entries.push(payload)
      },
    },
    removed: {
      prepare: (target: Target) => ({
        payload: { ...target, id: nanoid(), action: 'remove' as const, fields: {} },
      }),
      reducer(state, { payload }: PayloadAction<Entry>) {
        state.entries.push(payload)
      },
    },
    sending(state, { payload }: PayloadAction<string>) {
      state.sending = payload
      mark(state, payload, true)
    },
    /** The server has it; later writes of the same record go out against its new version. */
    sent(state, { payload }: PayloadAction<{ id: string; version: number | null }>) {
      const entry = state.entries.find(({ id }) => id === payload.id)
      state.entries = state.entries.filter(({ id }) => id !== payload.id)
      state.sending = null
      state.reachable = true
      state.conflict = null
      for (const later of state.entries) {
        if (entry && keyOf(later) === keyOf(entry) && payload.version !== null) {
          later.version = payload.version
        }
      }
    },
    unreachable(state) {
      state.sending = null
      state.reachable = false
    },
    refused(state, { payload }: PayloadAction<{ id: string; why: string }>) {
      const entry = state.entries.find(({ id }) => id === payload.id)
      if (entry) entry.refused = payload.why
      mark(state, payload.id, false)
      state.sending = null
      state.reachable = true
    },
    conflicted(state, { payload }: PayloadAction<string>) {
      mark(state, payload, false)
      state.sending = null
      state.reachable = true
      state.conflict = payload
    },
    /** Settles a conflict for this side: the write goes out against the version found. */
    insisted(state, { payload }: PayloadAction<{ id: string; version: number }>) {
      for (const entry of state.entries) {
        if (entry.id === payload.id) entry.version = payload.version
      }
      state.conflict = null
    },
    /** Gives a write up, and what else waits for the same record. */
    dropped(state, { payload }: PayloadAction<string>) {
      const entry = state.entries.find(({ id }) => id === payload)
      state.entries = state.entries.filter((one) => entry && keyOf(one) !== keyOf(entry))
      state.conflict = null
    },
    drafted(state, { payload }: PayloadAction<{ key: string; field: string; value: unknown }>) {
      const { key, field, value } = payload
      const fields = state.drafts[key] ?? {}
      state.drafts[key] = fields
      if (value === undefined) delete fields[field]
      else fields[field] = value
      if (Object.keys(fields).length === 0) delete state.drafts[key]
    },
  },
})

export const {
  changed,
  conflicted,
  created,
  drafted,
  dropped,
  insisted,
  refused,
  removed,
  sending,
  sent,
  unreachable,
} = slice.actions
export const outboxReducer = slice.reducer

/** The next write to go out: the first that is not refused and not behind a refused or conflicting one. */
export function nextEntry({ entries, conflict }: Outbox): Entry | undefined {
  const held = new Set(entries.filter((entry) => entry.refused || entry.id === conflict).map(keyOf))
  return entries.find((entry) => !held.has(keyOf(entry)))
}

export function linkOf(outbox: Outbox): Link {
  if (outbox.conflict) return 'conflict'
  if (outbox.sending) return outbox.reachable ? 'sending' : 'away'
  if (outbox.entries.length === 0) return 'saved'
  return outbox.reachable ? 'waiting' : 'away'
}
