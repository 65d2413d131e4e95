import type { Machine } from '@tembrix/core/model'
import {
  type Assigned,
  type Assignment,
  assign,
  clear,
  nextUnit,
  type Piece,
  slotHolding,
} from '@tembrix/core/records'
import { createContext, useContext, useLayoutEffect, useMemo, useRef, useState } from 'react'

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
  /** What a press on a slot does: put down what is held, put it back, or pick up what is there. */
  press: (slot: string) => void
  /** What a press on a piece of the tray does. */
  pressPiece: (moduleId: string) => void
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

interface State extends Given {
  held: Held | null
  setHeld: (held: Held | null) => void
  setSaid: (said: string) => void
}

type Actions = Pick<Desk, 'pick' | 'drop' | 'put' | 'takeOut' | 'press' | 'pressPiece'>

const nameOf = ({ piece }: Held) => `${piece.module.capacityGiB} GiB ${piece.module.article}`

/** What the hand can do at the board, always on the state of the moment. */
function actionsOn(now: () => State): Actions {
  const actions: Actions = {
    pick(moduleId, fromSlot) {
      const { pieces, assignment, setHeld, setSaid } = now()
      const piece = pieces.get(moduleId)
      if (!piece) return null
      const inSlot = fromSlot === undefined ? undefined : assignment[fromSlot]
      const unit = piece.source === 'supplier' ? nextUnit(assignment, moduleId) : 0
      const held = { piece, assigned: inSlot ?? { moduleId, unit } }
      setHeld(held)
      setSaid(`Holding ${nameOf(held)}. Choose a slot, or Escape to put it back.`)
      return held
    },
    drop() {
      now().setHeld(null)
      now().setSaid('Put back.')
    },
    put(slot, what = now().held) {
      const { assignment, onAssignment, setHeld, setSaid } = now()
      if (!what) return
      onAssignment(assign(assignment, slot, what.assigned))
      setHeld(null)
      setSaid(`${nameOf(what)} is in slot ${slot}.`)
    },
    takeOut(slot) {
      const { assignment, onAssignment, setHeld, setSaid } = now()
      if (!assignment[slot]) return
      onAssignment(clear(assignment, slot))
      setHeld(null)
      setSaid(`Slot ${slot} is empty.`)
    },
    press(slot) {
      const { assignment, held } = now()
      const there = assignment[slot]
      const own = held && slotHolding(assignment, held.assigned) === slot
      if (own) actions.drop()
      else if (held) actions.put(slot)
      else if (there) actions.pick(there.moduleId, slot)
    },
    pressPiece(moduleId) {
      const { assignment, held, pieces } = now()
      if (held?.piece.id === moduleId) return actions.drop()
      const single = pieces.get(moduleId)?.source !== 'supplier'
      actions.pick(moduleId, single ? slotHolding(assignment, { moduleId, unit: 0 }) : undefined)
    },
  }
  return actions
}

export function useDeskState(given: Given): Desk {
  const { machine, assignment, pieces } = given
  const [held, setHeld] = useState<Held | null>(null)
  const [said, setSaid] = useState('')
  const state = useRef<State>(null)
  useLayoutEffect(() => {
    state.current = { ...given, held, setHeld, setSaid }
  })
  const [actions] = useState(() => actionsOn(() => state.current as State))
  return useMemo(
    () => ({ machine, assignment, pieces, held, said, ...actions }),
    [machine, assignment, pieces, held, said, actions],
  )
}
