import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { Collection } from '@tembrix/core/records'
import type { Fields } from './outbox'

/** A change that can be taken back: the fields of one record before and after it. */
export interface Step {
  collection: Collection
  recordId: string
  before: Fields
  after: Fields
}

interface Stacks {
  past: Step[]
  future: Step[]
}

const DEPTH = 200

/** What was done to each job on this visit, and what was undone. */
const slice = createSlice({
  name: 'undo',
  initialState: {} as Record<string, Stacks>,
  reducers: {
    done(state, { payload }: PayloadAction<{ jobId: string; step: Step }>) {
      const past = state[payload.jobId]?.past ?? []
      state[payload.jobId] = { past: [...past, payload.step].slice(-DEPTH), future: [] }
    },
    undone(state, { payload: jobId }: PayloadAction<string>) {
      const step = state[jobId]?.past.pop()
      if (step) state[jobId]?.future.push(step)
    },
    redone(state, { payload: jobId }: PayloadAction<string>) {
      const step = state[jobId]?.future.pop()
      if (step) state[jobId]?.past.push(step)
    },
  },
})

export const { done, redone, undone } = slice.actions
export const undoReducer = slice.reducer
