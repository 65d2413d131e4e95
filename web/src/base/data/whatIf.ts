import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { Machine, Module } from '@tembrix/core/things/model'
import type { Assignment } from '@tembrix/core/things/records'

/** A machine and modules tried in it, without a job. Of each module there are as many as are wanted. */
export interface WhatIf {
  machine: Machine
  modules: { id: string; module: Module }[]
  slots: Assignment
  profile: boolean
}

interface Tried {
  past: (WhatIf | null)[]
  present: WhatIf | null
  future: (WhatIf | null)[]
}

const DEPTH = 200

const slice = createSlice({
  name: 'whatIf',
  initialState: { past: [], present: null, future: [] } as Tried,
  reducers: {
    /** What is tried now; the state before can be had back. */
    tried(state, { payload }: PayloadAction<WhatIf | null>) {
      state.past = [...state.past, state.present].slice(-DEPTH)
      state.present = payload
      state.future = []
    },
    /** Begins with what a link holds. */
    opened(_state, { payload }: PayloadAction<WhatIf | null>) {
      return { past: [], present: payload, future: [] }
    },
    triedBefore(state) {
      const before = state.past.pop()
      if (before === undefined) return
      state.future.push(state.present)
      state.present = before
    },
    triedAgain(state) {
      const next = state.future.pop()
      if (next === undefined) return
      state.past.push(state.present)
      state.present = next
    },
  },
})

export const { opened, tried, triedAgain, triedBefore } = slice.actions
export const whatIfReducer = slice.reducer
