import { createSlice, original, type PayloadAction, prepareAutoBatched } from '@reduxjs/toolkit'
import type { Write } from './writes'

/** A deed that can be taken back: what was written, with what was there before. */
export interface Change {
  writes: readonly Write[]
  /** What is being typed; typed on, it is the same deed. */
  typing?: string | undefined
}

/** What is noted along with the deed before it, of the same record, and taken back with it. */
export const ALONG = 'along'

interface Stacks {
  past: Change[]
  future: Change[]
}

export type UndoHistory = Record<string, Stacks>

const DEPTH = 200

/** What was done to each job at this tab, and what was taken back. */
const slice = createSlice({
  name: 'undo',
  initialState: {} as UndoHistory,
  reducers: {
    // What was there is taken as it is, without drafts: they would be made of every deed there was.
    recordUndo: {
      // Heard along with the write that follows.
      prepare: prepareAutoBatched<Recorded>(),
      reducer(draft, { payload: { jobId, step } }: PayloadAction<Recorded>) {
        const state = original(draft) as UndoHistory
        const past = state[jobId]?.past ?? []
        const last = past.at(-1)
        const typed = last && typedOn(last, step)
        const next = typed ? [...past.slice(0, -1), typed] : [...past, step]
        return { ...state, [jobId]: { past: next.slice(-DEPTH), future: [] } }
      },
    },
    /** The last deeds were taken back, or were nothing any more; `step` takes that back in turn. */
    undone(draft, { payload }: PayloadAction<Turned>) {
      const state = original(draft) as UndoHistory
      return { ...state, [payload.jobId]: turned(state[payload.jobId] as Stacks, payload) }
    },
    redone(draft, { payload }: PayloadAction<Turned>) {
      const state = original(draft) as UndoHistory
      const { past, future } = turned(flipped(state[payload.jobId] as Stacks), payload)
      return { ...state, [payload.jobId]: { past: future, future: past } }
    },
  },
})

interface Recorded {
  jobId: string
  step: Change
}

interface Turned {
  jobId: string
  /** How many deeds are off the stack. */
  off: number
  step: Change | null
}

const flipped = ({ past, future }: Stacks): Stacks => ({ past: future, future: past })

const turned = ({ past, future }: Stacks, { off, step }: Turned): Stacks => ({
  past: past.slice(0, past.length - off),
  future: step ? [...future, step] : future,
})

/** Two deeds of one record that are one: a value typed on, or what is noted along with it. */
function typedOn({ writes: [last, ...more], typing }: Change, next: Change): Change | null {
  const [write, ...others] = next.writes
  if (more.length > 0 || others.length > 0) return null
  if (last?.action !== 'change' || write?.action !== 'change') return null
  if (last.collection !== write.collection || last.recordId !== write.recordId) return null
  const isSame = next.typing === undefined ? isText(last, write) : next.typing === typing
  if (!isSame && next.typing !== ALONG) return null
  const before = { ...write.before, ...last.before }
  const fields = { ...last.fields, ...write.fields }
  return { writes: [{ ...write, before, fields }], typing }
}

/** Both set the same one field to a text or a figure. */
function isText(...writes: Write[]): boolean {
  const fields = writes.map((write) => Object.entries(write.fields))
  const typed = ['string', 'number']
  const names = new Set(fields.flatMap((all) => all.map(([name]) => name)))
  return names.size === 1 && fields.flat().every(([, value]) => typed.includes(typeof value))
}

export const { recordUndo, redone, undone } = slice.actions
export const undoReducer = slice.reducer

const KEY = 'tembrix.undo'

/** What was done at this tab before it was loaded again. */
export function restoreUndoHistory(keep: Storage): UndoHistory {
  try {
    return JSON.parse(keep.getItem(KEY) ?? '{}')
  } catch {
    return {}
  }
}

/** Keeps what was done; of a long work the later half where not all has room. */
export function keepUndoHistory(keep: Storage, deeds: UndoHistory): void {
  try {
    keep.setItem(KEY, JSON.stringify(deeds))
  } catch {
    const later = ({ past }: Stacks): Stacks => ({
      past: past.slice(Math.ceil(past.length / 2)),
      future: [],
    })
    const held = Object.entries(deeds).map(([jobId, stacks]) => [jobId, later(stacks)] as const)
    const left = held.filter(([, { past }]) => past.length > 0)
    if (left.length > 0) keepUndoHistory(keep, Object.fromEntries(left))
    else keep.removeItem(KEY)
  }
}
