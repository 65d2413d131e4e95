import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { Fields, Write } from './writes'

/** A deed that can be taken back: what was written, with what was there before. */
export type Step = readonly Write[]

interface Stacks {
  past: Step[]
  future: Step[]
}

export type Deeds = Record<string, Stacks>

const DEPTH = 200

/** What was done to each job at this tab, and what was taken back. */
const slice = createSlice({
  name: 'undo',
  initialState: {} as Deeds,
  reducers: {
    done(state, { payload: { jobId, step } }: PayloadAction<{ jobId: string; step: Step }>) {
      const past = (state[jobId]?.past ?? []) as Step[]
      const last = past.at(-1)
      const typed = last && typedOn(last, step)
      const next = typed ? [...past.slice(0, -1), typed] : [...past, step]
      return { ...state, [jobId]: { past: next.slice(-DEPTH), future: [] } }
    },
    /** The last deeds were taken back, or were nothing any more; `step` takes that back in turn. */
    undone(state, { payload }: PayloadAction<Turned>) {
      return { ...state, [payload.jobId]: turned(state[payload.jobId] as Stacks, payload) }
    },
    redone(state, { payload }: PayloadAction<Turned>) {
      const { past, future } = turned(flipped(state[payload.jobId] as Stacks), payload)
      return { ...state, [payload.jobId]: { past: future, future: past } }
    },
  },
})

interface Turned {
  jobId: string
  /** How many deeds are off the stack. */
  off: number
  step: Step | null
}

const flipped = ({ past, future }: Stacks): Stacks => ({ past: future, future: past })

const turned = ({ past, future }: Stacks, { off, step }: Turned): Stacks => ({
  past: past.slice(0, past.length - off),
  future: step ? [...future, step] : future,
})

/** Two deeds that are one: the same value typed on. */
function typedOn([last, ...more]: Step, [next, ...others]: Step): Step | null {
  if (more.length > 0 || others.length > 0) return null
  if (last?.action !== 'change' || next?.action !== 'change') return null
  const [name, ...rest] = Object.keys(next.fields)
  const same = last.collection === next.collection && last.recordId === next.recordId
  if (!same || name === undefined || rest.length > 0) return null
  if (Object.keys(last.fields).join() !== name) return null
  if (![last.fields, next.fields].every((fields) => isTyped(fields, name))) return null
  return [{ ...next, before: last.before }]
}

const isTyped = (fields: Fields, name: string): boolean =>
  ['string', 'number'].includes(typeof fields[name])

export const { done, redone, undone } = slice.actions
export const undoReducer = slice.reducer

const KEY = 'tembrix.undo'

/** What was done at this tab before it was loaded again. */
export function restoreDeeds(keep: Storage): Deeds {
  try {
    return JSON.parse(keep.getItem(KEY) ?? '{}')
  } catch {
    return {}
  }
}

/** Keeps what was done; of a long work the later half where not all has room. */
export function keepDeeds(keep: Storage, deeds: Deeds): void {
  try {
    keep.setItem(KEY, JSON.stringify(deeds))
  } catch {
    const later = ({ past }: Stacks): Stacks => ({
      past: past.slice(Math.ceil(past.length / 2)),
      future: [],
    })
    const held = Object.entries(deeds).map(([jobId, stacks]) => [jobId, later(stacks)] as const)
    const left = held.filter(([, { past }]) => past.length > 0)
    if (left.length > 0) keepDeeds(keep, Object.fromEntries(left))
    else keep.removeItem(KEY)
  }
}
