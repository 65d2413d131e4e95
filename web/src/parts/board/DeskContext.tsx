import type { Machine } from '@tembrix/core/things/model'
import {
  type Assigned,
  type Assignment,
  assign,
  clear,
  nextUnit,
  type Piece,
  slotHolding,
} from '@tembrix/core/things/records'
import {
  createContext,
  useContext,
  useEffect,
  useLayoutEffect,
  useState,
  useSyncExternalStore,
} from 'react'

/** A piece in the hand: from the tray, or out of a slot. */
export interface HeldPiece {
  piece: Piece
  assigned: Assigned
}

/** What the desk is given to work on. */
export interface Given {
  machine: Machine
  assignment: Assignment
  pieces: ReadonlyMap<string, Piece>
  /** Takes what the hand has changed; null where the board only follows. */
  onAssignment: ((assignment: Assignment) => void) | null
  /** Slots nobody has looked into, which are not drawn as empty. */
  unseen?: readonly string[] | undefined
}

/** A question that is answered by pressing one of these slots. */
export interface Asking {
  slots: readonly string[]
  answer: (slot: string) => void
}

export interface DeskState extends Given {
  held: HeldPiece | null
  asking: Asking | null
  /** The last thing done, for those who listen. */
  said: string
}

/** What the hand can do at the board. */
interface Actions {
  pick: (moduleId: string, fromSlot?: string) => HeldPiece | null
  drop: () => void
  put: (slot: string, what?: HeldPiece | null) => void
  takeOut: (slot: string) => void
  /** What a press on a slot does: put down what is held, put it back, or pick up what is there. */
  press: (slot: string) => void
  /** What a press on a piece of the tray does. */
  pressPiece: (moduleId: string) => void
}

export interface DeskStore extends Actions {
  state: () => DeskState
  set: (changes: Partial<DeskState>) => void
  subscribe: (hear: () => void) => () => void
}

export const DeskContext = createContext<DeskStore | null>(null)

export function useDeskStore(): DeskStore {
  const store = useContext(DeskContext)
  if (!store) throw new Error('no desk around')
  return store
}

/**
 * A part of the desk's state. A slot or piece is drawn again only when its own part changes, so that
 * a move on a large board costs no more than the two slots it touches.
 */
export function useDesk<T>(select: (state: DeskState) => T): T {
  const { subscribe, state } = useDeskStore()
  return useSyncExternalStore(subscribe, () => select(state()))
}

/** Lets the board's slots answer a question while it stands; null asks nothing. */
export function useAskBoard(asking: Asking | null): void {
  const store = useDeskStore()
  useEffect(() => {
    store.set({ asking })
    return () => store.set({ asking: null })
  }, [store, asking])
}

/** The desk's store, kept to what it is given. */
export function useNewDesk(given: Given): DeskStore {
  const [store] = useState(() => newDesk({ ...given, held: null, asking: null, said: '' }))
  useLayoutEffect(() => store.set(given))
  return store
}

const nameOf = ({ piece }: HeldPiece) => `${piece.module.capacityGiB} GB ${piece.module.article}`

function newDesk(initial: DeskState): DeskStore {
  let current = initial
  const hearers = new Set<() => void>()

  function set(changes: Partial<DeskState>): void {
    const names = Object.keys(changes) as (keyof DeskState)[]
    if (names.every((name) => Object.is(current[name], changes[name]))) return
    current = { ...current, ...changes }
    for (const hear of hearers) hear()
  }

  /** Shown at once: what comes back from whoever takes it is the same. */
  function change(said: string, assignment: Assignment): void {
    const { onAssignment } = current
    if (onAssignment) {
      set({ held: null, said, assignment })
      onAssignment(assignment)
    } else if (current.held) store.drop()
  }

  const store: DeskStore = {
    state: () => current,
    set,
    subscribe(hear) {
      hearers.add(hear)
      return () => hearers.delete(hear)
    },
    pick(moduleId, fromSlot) {
      const { pieces, assignment, onAssignment } = current
      const piece = pieces.get(moduleId)
      if (!piece || !onAssignment) return null
      const inSlot = fromSlot === undefined ? undefined : assignment[fromSlot]
      const unit = piece.source === 'supplier' ? nextUnit(assignment, moduleId) : 0
      const held = { piece, assigned: inSlot ?? { moduleId, unit } }
      set({ held, said: `Holding ${nameOf(held)}. Choose a slot, or Escape to put it back.` })
      return held
    },
    drop() {
      set({ held: null, said: 'Put back.' })
    },
    put(slot, what = current.held) {
      if (what)
        change(
          `${nameOf(what)} is in slot ${slot}.`,
          assign(current.assignment, slot, what.assigned),
        )
    },
    takeOut(slot) {
      if (!current.assignment[slot]) return
      change(`Slot ${slot} is empty.`, clear(current.assignment, slot))
    },
    press(slot) {
      const { assignment, held, asking } = current
      if (!held && asking?.slots.includes(slot)) {
        set({ asking: null })
        asking.answer(slot)
        return
      }
      const there = assignment[slot]
      const own = held && slotHolding(assignment, held.assigned) === slot
      if (own) store.drop()
      else if (held) store.put(slot)
      else if (there) store.pick(there.moduleId, slot)
    },
    pressPiece(moduleId) {
      const { assignment, held, pieces } = current
      if (held?.piece.id === moduleId) return store.drop()
      const single = pieces.get(moduleId)?.source !== 'supplier'
      store.pick(moduleId, single ? slotHolding(assignment, { moduleId, unit: 0 }) : undefined)
    },
  }
  return store
}
