import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit'
import {
  type ChangeOf,
  type Collection,
  equalIgnoringWhitespace,
  KIND_INFO,
  mergeFields,
  type NewOf,
} from '@tembrix/core/things/records'
import { asIn, type Fields, type Write } from './writes'

export type { Fields } from './writes'

/**
 * Why a write waits for a person: others changed the same thing to something else (`clashes` names the
 * fields; none for a removal), its record was removed elsewhere, or the server would not take it.
 */
export type HeldReason =
  | { kind: 'conflict'; stored: Fields; clashes: string[] }
  | { kind: 'gone' }
  | { kind: 'refused'; why: string }

/** A write on its way to the server. Entries go out in order; those of one record never overtake each other. */
export interface Entry {
  id: string
  /** The job it belongs to; empty for the shop's own records. */
  jobId: string
  collection: Collection
  recordId: string
  /** `expect` writes nothing: its act holds only while the record is at this version. */
  action: 'create' | 'change' | 'remove' | 'expect'
  /** The version the write was made against; unknown for a create. */
  version: number
  fields: Fields
  /** What these fields were before, to tell what others changed meanwhile. */
  base: Fields
  /**
   * It was on its way and no answer came: the server may have it. It is sent again just as it was, so
   * that it can be told from what others changed; what is changed since goes by itself.
   */
  tried?: boolean
  /** How often the server failed on it. */
  failed?: number
  /** What it belongs to: all of an act is written, or nothing. */
  act?: Act
  /** It waits for a person, and what else is written to the same record waits behind it. */
  held?: HeldReason
}

/** A deed of several writes, by an id of its own; `name` says in words what it is. */
export interface Act {
  id: string
  name: string
}

/** `shown`: the server is away, and nothing waits for it. */
export type Link = 'saved' | 'shown' | 'waiting' | 'sending' | 'away' | 'no-room' | 'conflict'

export interface Outbox {
  entries: Entry[]
  sending: string | null
  /** False after the server could not be reached, until it answers again. */
  reachable: boolean
  /** The server is there, and its disk takes nothing. */
  noRoom: boolean
  /** Whether the browser keeps what waits: false where its storage is full or forbidden. */
  kept: boolean
  /** Values typed that cannot be accepted yet, by record and field, kept as they are. */
  drafts: Record<string, Fields>
}

export const emptyOutbox: Outbox = {
  entries: [],
  sending: null,
  reachable: true,
  noRoom: false,
  kept: true,
  drafts: {},
}

type Target = Pick<Entry, 'jobId' | 'collection' | 'recordId' | 'version'>
type TargetIn<C extends Collection> = Target & { collection: C }

export const keyOf = ({ collection, recordId }: Pick<Entry, 'collection' | 'recordId'>) =>
  `${collection}/${recordId}`

export const mayJoin = ({
  act,
  action,
  collection,
}: Pick<Entry, 'act' | 'action' | 'collection'>): boolean =>
  act === undefined && (action === 'change' || (action === 'create' && KIND_INFO[collection].joins))

/** So often the server may fail on a write before it is set aside. */
export const FAILS_AT_MOST = 3

/** An entry with all that is written with it. */
export const entriesOfAct = (entries: readonly Entry[], one: Entry): Entry[] =>
  one.act ? entries.filter(({ act }) => act?.id === one.act?.id) : [one]

/** What waits for a held entry: the rest of its act, and what is written to the same records after it. */
export function blockedBy(entries: readonly Entry[], held: Entry): Entry[] {
  const act = entriesOfAct(entries, held)
  const keys = act.map(keyOf)
  const at = entries.indexOf(held)
  return entries.filter(
    (one, place) =>
      one !== held && !one.held && (act.includes(one) || (place > at && keys.includes(keyOf(one)))),
  )
}

const entryOf = (state: Outbox, id: string): Entry | undefined =>
  state.entries.find((one) => one.id === id)

/** An entry by its id with all that is written with it; none where it is gone. */
function allOf(state: Outbox, id: string): Entry[] {
  const entry = entryOf(state, id)
  return entry ? entriesOfAct(state.entries, entry) : []
}

/** Fits a write to its record as it is stored now: what only one side changed goes together, else it is held. */
function rebase(entry: Entry, stored: Fields): void {
  entry.version = stored.version as number
  if (entry.action !== 'change') return
  const { fields, clashes } = mergeFields(
    KIND_INFO[entry.collection].entries,
    entry.base,
    entry.fields,
    stored,
  )
  if (clashes.length > 0) {
    entry.held = { kind: 'conflict', stored, clashes }
    return
  }
  settleOn(entry, fields, stored)
}

/**
 * Fits what still goes out for a record to it as it is stored now, each write to what the one before it makes of
 * the record. `wrote` is what this side sent of it: stored in another form (a time, say), or together with what
 * others changed, it is no change of somebody else’s to what was built upon it here.
 */
function rebaseFollowing(laters: readonly Entry[], stored: Fields, wrote: Fields): void {
  let made = stored
  let own = wrote
  for (const later of laters) {
    for (const [name, was] of Object.entries(later.base)) {
      if (name in own && equalIgnoringWhitespace(was, own[name])) later.base[name] = made[name]
    }
    own = { ...own, ...later.fields }
    rebase(later, made)
    if (later.action === 'change') made = { ...made, ...later.fields }
  }
}

function settleOn(entry: Entry, fields: Fields, stored: Fields): void {
  entry.fields = fields
  entry.base = asIn(stored, fields)
  entry.version = stored.version as number
  delete entry.held
  delete entry.tried
}

/** Whether the server may have an entry without our knowing. */
function mark(state: Outbox, id: string, tried: boolean): void {
  for (const entry of allOf(state, id)) {
    if (tried) entry.tried = true
    else delete entry.tried
  }
}

const slice = createSlice({
  name: 'outbox',
  initialState: emptyOutbox,
  reducers: {
    /** Sets fields of a record, which is given as it was. Changes not yet on their way are sent as one. */
    changed: {
      prepare: (target: Target, fields: Fields, record: object) => ({
        payload: { target, fields, base: asIn(record, fields), id: nanoid() },
      }),
      reducer(
        state,
        { payload }: PayloadAction<{ target: Target; fields: Fields; base: Fields; id: string }>,
      ) {
        const { target, fields, base, id } = payload
        const at = state.entries.findLastIndex((entry) => keyOf(entry) === keyOf(target))
        const last = state.entries[at]
        // What was created or removed since may be what the change names: it goes out behind that.
        const inOrder = state.entries.slice(at + 1).every(({ action }) => action === 'change')
        const { held } = last ?? {}
        const joins = last && mayJoin(last) && !last.tried && held?.kind !== 'gone'
        if (joins && (inOrder || held)) {
          last.base = { ...base, ...last.base }
          Object.assign(last.fields, fields)
          delete last.held
          delete last.failed
          // A conflict stays one, now between what was typed last and what is stored.
          if (held?.kind === 'conflict') rebase(last, held.stored)
        } else {
          state.entries.push({ ...target, id, action: 'change', fields, base })
        }
      },
    },
    created: {
      prepare: (target: Omit<Target, 'version'>, fields: Fields) => ({
        payload: {
          ...target,
          version: 0,
          id: nanoid(),
          action: 'create' as const,
          fields,
          base: {},
        },
      }),
      reducer(state, { payload }: PayloadAction<Entry>) {
        state.entries.push(payload)
      },
    },
    removed: {
      prepare: (target: Target) => ({
        payload: { ...target, id: nanoid(), action: 'remove' as const, fields: {}, base: {} },
      }),
      reducer(state, { payload }: PayloadAction<Entry>) {
        state.entries.push(payload)
      },
    },
    /** Several writes that are one deed. */
    acted: {
      prepare: (jobId: string, name: string, writes: readonly Write[]) => {
        const act = { id: crypto.randomUUID(), name }
        return { payload: writes.map((write) => entryFor(jobId, write, act)) }
      },
      reducer(state, { payload }: PayloadAction<Entry[]>) {
        state.entries.push(...payload)
      },
    },
    sending(state, { payload }: PayloadAction<string>) {
      state.sending = payload
      mark(state, payload, true)
    },
    /** The server has it; later writes of the same record go out against what it answered. */
    sent(state, { payload }: PayloadAction<{ id: string; answer: Fields | null }>) {
      const entry = state.entries.find(({ id }) => id === payload.id)
      state.entries = state.entries.filter(({ id }) => id !== payload.id)
      state.sending = null
      state.reachable = true
      state.noRoom = false
      if (!entry) return
      const isSame = (one: Entry) => keyOf(one) === keyOf(entry)
      if (payload.answer)
        rebaseFollowing(state.entries.filter(isSame), payload.answer, entry.fields)
      for (const later of state.entries) {
        if (isSame(later) || later.jobId !== entry.jobId || later.held?.kind !== 'refused') continue
        // What was refused may have named what is stored only now.
        delete later.held
        delete later.failed
      }
    },
    /** The server was found to be there, or not. */
    reached(state, { payload }: PayloadAction<boolean>) {
      state.reachable = payload
    },
    unreachable(state) {
      state.sending = null
      state.reachable = false
    },
    serverDiskFull(state) {
      state.sending = null
      state.reachable = true
      state.noRoom = true
    },
    /** It waits for a person; everything else goes on. */
    held(state, { payload }: PayloadAction<{ id: string; held: HeldReason }>) {
      const entry = entryOf(state, payload.id)
      if (entry) entry.held = payload.held
      mark(state, payload.id, false)
      state.sending = null
      state.reachable = true
    },
    /** The server failed on it; it is tried again a few times and set aside then. */
    failed(state, { payload }: PayloadAction<{ id: string; why: string }>) {
      state.sending = null
      state.reachable = true
      const entry = state.entries.find(({ id }) => id === payload.id)
      if (!entry) return
      entry.failed = (entry.failed ?? 0) + 1
      if (entry.failed >= FAILS_AT_MOST) entry.held = { kind: 'refused', why: payload.why }
    },
    /** The record has moved on to what is stored. */
    recordMovedOn(state, { payload }: PayloadAction<{ id: string; stored: Fields }>) {
      state.sending = null
      state.reachable = true
      const entry = entryOf(state, payload.id)
      if (!entry) return
      delete entry.tried
      const moved = entry.version !== payload.stored.version
      rebase(entry, payload.stored)
      if (moved && (entry.action === 'remove' || entry.action === 'expect')) {
        entry.held = { kind: 'conflict', stored: payload.stored, clashes: [] }
      }
    },
    /** Settles a conflict for this side, with everything that only the other side changed. */
    insisted(state, { payload: id }: PayloadAction<string>) {
      const entry = state.entries.find((one) => one.id === id)
      if (entry?.held?.kind !== 'conflict') return
      const { stored } = entry.held
      const { fields } = mergeFields(
        KIND_INFO[entry.collection].entries,
        entry.base,
        entry.fields,
        stored,
      )
      settleOn(entry, fields, stored)
    },
    /** Settles a conflict for the other side; what only this side changed still goes out. */
    yielded(state, { payload: id }: PayloadAction<string>) {
      const entry = state.entries.find((one) => one.id === id)
      if (entry?.held?.kind !== 'conflict') return
      const { stored } = entry.held
      const { collection, base } = entry
      const { entries: inside } = KIND_INFO[collection]
      const { fields } = mergeFields(inside, base, entry.fields, stored, 'theirs')
      const left = Object.entries(fields).filter(
        ([name, value]) => !equalIgnoringWhitespace(value, stored[name]),
      )
      // A deed of several writes is done as a whole or not at all.
      const isWhole = entry.act !== undefined || entry.action !== 'change'
      if (isWhole || left.length === 0) {
        const gone = entriesOfAct(state.entries, entry).map((one) => one.id)
        state.entries = state.entries.filter((one) => !gone.includes(one.id))
        rebaseFollowing(
          state.entries.filter((one) => keyOf(one) === keyOf(entry)),
          stored,
          {},
        )
      } else settleOn(entry, Object.fromEntries(left), stored)
    },
    /** Sends what was set aside once more. */
    released(state, { payload: id }: PayloadAction<string>) {
      for (const entry of allOf(state, id)) {
        delete entry.held
        delete entry.failed
      }
    },
    /** Gives a write up with its act, and what else waits for the same records. */
    dropped(state, { payload: id }: PayloadAction<string>) {
      const keys = allOf(state, id).map(keyOf)
      state.entries = state.entries.filter((one) => !keys.includes(keyOf(one)))
    },
    kept(state, { payload }: PayloadAction<boolean>) {
      state.kept = payload
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

/** Sets fields of a record, which is given as it was; saved by itself. */
export const changed = <C extends Collection>(
  target: TargetIn<C>,
  fields: ChangeOf<C>,
  record: object,
) => slice.actions.changed(target, fields, record)

/** Makes a record under an id of its own; saved by itself. */
export const created = <C extends Collection>(
  target: Omit<TargetIn<C>, 'version'>,
  fields: NewOf<C>,
) => slice.actions.created(target, fields)

/** A write as an entry of its own. */
function entryFor(
  jobId: string,
  { action, collection, recordId, ...write }: Write,
  act: Act,
): Entry {
  const version = 'version' in write ? write.version : 0
  const base = 'before' in write ? write.before : {}
  const fields = action === 'remove' ? {} : write.fields
  return { id: nanoid(), jobId, collection, recordId, action, version, fields, base, act }
}

export const {
  acted,
  drafted,
  dropped,
  failed,
  held,
  insisted,
  kept,
  reached,
  serverDiskFull,
  released,
  removed,
  sending,
  sent,
  recordMovedOn,
  unreachable,
  yielded,
} = slice.actions
export const outboxReducer = slice.reducer

/**
 * The next write to go out: the first that is not held nor behind a held one of its record. One that the
 * server failed on lets those of other jobs pass; those of its own may rest on it.
 */
export function nextEntry({ entries }: Pick<Outbox, 'entries'>): Entry | undefined {
  const held = new Set(entries.filter((entry) => entry.held).map(keyOf))
  const open = entries.filter(
    (entry) => !entriesOfAct(entries, entry).some((one) => held.has(keyOf(one))),
  )
  const failing = new Set(open.filter(({ failed }) => failed).map(({ jobId }) => jobId))
  return open.find(({ jobId }) => !failing.has(jobId)) ?? open[0]
}

export function linkOf(outbox: Outbox): Link {
  if (outbox.entries.some(({ held }) => held && held.kind !== 'refused')) return 'conflict'
  if (outbox.noRoom && outbox.entries.length > 0) return 'no-room'
  if (outbox.sending) return outbox.reachable ? 'sending' : 'away'
  if (outbox.entries.length === 0) return outbox.reachable ? 'saved' : 'shown'
  return outbox.reachable ? 'waiting' : 'away'
}
