import { createContext, use } from 'react'

/** Provider: fields inside cannot be changed while its value is true, since their record takes no more changes. */
export const Locked = createContext(false)

export const useLocked = (): boolean => use(Locked)
