import { type Collection, FACTS } from '@tembrix/core/records'
import { useMemo } from 'react'
import {
  type Change,
  inverse,
  recordIn,
  redone,
  undone,
  useAppSelector,
  useAppStore,
  type Write,
} from '../../../base/data'
import { list } from '../../../base/format'
import { notify } from '../../../base/toast'
import { useJobAt } from './JobContext'

const named = (writes: readonly Write[]) =>
  list([...new Set(writes.map(({ collection }) => FACTS[collection].called))])

/** Ways back and forth through the job's deeds, where there are any. */
export function useUndo(): { undo: (() => void) | undefined; redo: (() => void) | undefined } {
  const store = useAppStore()
  const jobAt = useJobAt()
  const { file, edit } = jobAt()
  const jobId = file.id
  const past = useAppSelector((state) => (state.undo[jobId]?.past.length ?? 0) > 0)
  const future = useAppSelector((state) => (state.undo[jobId]?.future.length ?? 0) > 0)
  return useMemo(() => {
    const current = (collection: Collection, id: string) => recordIn(jobAt().file, collection, id)
    /** Takes the newest of some deeds back that still is something. */
    const back = (which: 'past' | 'future', turn: typeof undone | typeof redone) => () => {
      const deeds = store.getState().undo[jobId]?.[which] ?? []
      for (let off = 1; off <= deeds.length; off += 1) {
        const writes = inverse((deeds[deeds.length - off] as Change).writes, current)
        if (writes.length === 0 && off < deeds.length) continue
        store.dispatch(turn({ jobId, off, step: writes.length > 0 ? { writes } : null }))
        edit.settle('what was taken back', writes)
        if (writes.length > 0)
          notify(`${which === 'past' ? 'Taken back' : 'Done again'}: ${named(writes)}.`)
        return
      }
    }
    return {
      undo: past ? back('past', undone) : undefined,
      redo: future ? back('future', redone) : undefined,
    }
  }, [store, jobId, past, future, edit, jobAt])
}
