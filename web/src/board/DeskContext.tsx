import type { Machine } from '@tembrix/core/model'
import {
  type Assigned,
  type Assignment,
  assign,
  clear,
  nextUnit,
  type Piece,
} from '@tembrix/core/records'
import { createContext, useCallback, useContext, useMemo, useState } from 'react'

/** A piece in the hand: from the tray, or out of a slot. */
export interface Held {
  piece: Piece
  assigned: Assigned
}

export interface Desk {
  machine: Machine
  assignment: Assignment
  pieces: ReadonlyMap<string, Piece>
  held: Held | null
  said: string
  pick: (moduleId: string, fromSlot?: string) => Held | null
  drop: () => void
  put: (slot: string, what?: Held | null) => void
  takeOut: (slot: string) => void
}

export const DeskContext = createContext<Desk | null>(null)

export function useDesk(): Desk {
  const desk = useContext(DeskContext)
  if (!desk) throw new Error('useDesk outside a desk')
  return desk
}

interface Given {
  machine: Machine
  assignment: Assignment
  pieces: ReadonlyMap<string, Piece>
  onAssignment: (assignment: Assignment) => void
}

/** What the hand can do at the board: pick a piece up, put it in a slot, take one out. */
export function useDeskState({ machine, assignment, pieces, onAssignment }: Given): Desk {
  const [held, setHeld] = useState<Held | null>(null)
  const [said, setSaid] = useState('')

  const resolve = useCallback(
    (moduleId: string, fromSlot?: string): Held | null => {
      const piece = pieces.get(moduleId)
      if (!piece) return null
      const inSlot = fromSlot === undefined ? undefined : assignment[fromSlot]
      const unit = piece.source === 'supplier' ? nextUnit(assignment, moduleId) : 0
      return { piece, assigned: inSlot ?? { moduleId, unit } }
    },
    [assignment, pieces],
  )

  return useMemo(() => {
    const name = ({ piece }: Held) => `${piece.module.capacityGiB} GiB ${piece.module.article}`
    return {
      machine,
      assignment,
      pieces,
      held,
      said,
      pick: (moduleId, fromSlot) => {
        const next = resolve(moduleId, fromSlot)
        setHeld(next)
        if (next) setSaid(`Holding ${name(next)}. Choose a slot, or Escape to put it back.`)
        return next
      },
      drop: () => {
        setHeld(null)
        setSaid('Put back.')
      },
      put: (slot, what = held) => {
        if (!what) return
        onAssignment(assign(assignment, slot, what.assigned))
        setHeld(null)
        setSaid(`${name(what)} is in slot ${slot}.`)
      },
      takeOut: (slot) => {
        if (!assignment[slot]) return
        onAssignment(clear(assignment, slot))
        setHeld(null)
        setSaid(`Slot ${slot} is empty.`)
      },
    }
  }, [machine, assignment, pieces, held, said, resolve, onAssignment])
}
