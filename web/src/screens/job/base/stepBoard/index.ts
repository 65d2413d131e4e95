import type { Assignment } from '@tembrix/core/things/records'
import { createContext, useContext } from 'react'

/** What a step can do to the board beside it. */
export interface StepBoard {
  /** Lights slots: those the hands are at. */
  setLit: (slots: readonly string[]) => void
  /** Shows another arrangement than the job's; null: the job's own again. */
  setShown: (assignment: Assignment | null) => void
}

export const StepBoardContext = createContext<StepBoard>({ setLit: () => {}, setShown: () => {} })

export const useStepBoard = () => useContext(StepBoardContext)
