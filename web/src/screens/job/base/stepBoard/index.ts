import type { Assignment } from '@tembrix/core/things/records'
import { createContext, useContext } from 'react'

/** What a step can do to the board beside it. */
export interface Bench {
  /** Lights slots: those the hands are at. */
  setLit: (slots: readonly string[]) => void
  /** Shows another arrangement than the job's; null: the job's own again. */
  setShown: (assignment: Assignment | null) => void
}

export const BenchContext = createContext<Bench>({ setLit: () => {}, setShown: () => {} })

export const useBench = () => useContext(BenchContext)
