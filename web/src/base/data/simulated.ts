import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { StandIn } from '@tembrix/core/bench/simulate'

/** Simulated machines on the bench, by the job they stand in for; gone with the page. */
const slice = createSlice({
  name: 'simulated',
  initialState: {} as Record<string, StandIn>,
  reducers: {
    simulatedKept(state, { payload }: PayloadAction<{ jobId: string; machine: StandIn }>) {
      return { ...state, [payload.jobId]: payload.machine }
    },
    simulatedPutAway(state, { payload }: PayloadAction<string>) {
      delete state[payload]
    },
  },
})

export const { simulatedKept, simulatedPutAway } = slice.actions
export const simulatedReducer = slice.reducer
