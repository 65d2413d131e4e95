import { type Collection, KIND_INFO } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import {
  type Change,
  inverse,
  redone,
  undone,
  useAppSelector,
  useAppStore,
  type Write,
} from '../../base/data'
import { list } from '../../base/format'
import { notify } from '../../base/toast'

export interface Undoing {
  undo: (() => void) | undefined
  redo: (() => void) | undefined
}

type Known = { id: string; version: number }

const named = (writes: readonly Write[]) =>
  list([...new Set(writes.map(({ collection }) => KIND_INFO[collection].displayName))])

/**
 * Ways back and forth through what was done to a job or to a record of the shop, by its id, where there are any.
 * `current` gives a record as it is now; `write` sends off what takes something back.
 */
export function useUndoOf(
  id: string,
  current: (collection: Collection, id: string) => Known | undefined,
  write: (writes: readonly Write[]) => void,
): Undoing {
  const store = useAppStore()
  const past = useAppSelector((state) => (state.undo[id]?.past.length ?? 0) > 0)
  const future = useAppSelector((state) => (state.undo[id]?.future.length ?? 0) > 0)
  return useMemo(() => {
    /** Takes the newest of some deeds back that still is something. */
    const back = (which: 'past' | 'future', turn: typeof undone | typeof redone) => () => {
      const deeds = store.getState().undo[id]?.[which] ?? []
      for (let off = 1; off <= deeds.length; off += 1) {
        const writes = inverse((deeds[deeds.length - off] as Change).writes, current)
        if (writes.length === 0 && off < deeds.length) continue
        store.dispatch(turn({ jobId: id, off, step: writes.length > 0 ? { writes } : null }))
        write(writes)
        if (writes.length > 0) {
          notify(`${which === 'past' ? 'Taken back' : 'Done again'}: ${named(writes)}.`)
        }
        return
      }
    }
    return {
      undo: past ? back('past', undone) : undefined,
      redo: future ? back('future', redone) : undefined,
    }
  }, [store, id, past, future, current, write])
}
