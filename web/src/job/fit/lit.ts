import { createContext, useContext } from 'react'

/** Lights slots of the board: those the hands are at. */
export const LitContext = createContext<(slots: readonly string[]) => void>(() => {})

export const useLit = () => useContext(LitContext)
