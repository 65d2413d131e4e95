import type { Collection } from '@tembrix/core/records'
import { useMemo } from 'react'
import {
  inverse,
  recordIn,
  redone,
  type Step,
  undone,
  useAppDispatch,
  useAppSelector,
} from '../../data'
import { useJob } from './JobContext'

/** Ways back and forth through the job's deeds, where there are any. */
export function useUndo(): { undo: (() => void) | undefined; redo: (() => void) | undefined } {
  const dispatch = useAppDispatch()
  const { file, edit } = useJob()
  const { settle } = edit
  const jobId = file.id
  const stacks = useAppSelector((state) => state.undo[jobId])
  return useMemo(() => {
    const current = (collection: Collection, id: string) => recordIn(file, collection, id)
    /** Takes the newest of some deeds back that still is something. */
    const back = (deeds: readonly Step[], turn: typeof undone | typeof redone) => () => {
      for (let off = 1; off <= deeds.length; off += 1) {
        const writes = inverse((deeds[deeds.length - off] as Step).writes, current)
        if (writes.length === 0 && off < deeds.length) continue
        dispatch(turn({ jobId, off, step: writes.length > 0 ? { writes } : null }))
        settle('what was taken back', writes)
        return
      }
    }
    const { past = [], future = [] } = stacks ?? {}
    return {
      undo: past.length > 0 ? back(past, undone) : undefined,
      redo: future.length > 0 ? back(future, redone) : undefined,
    }
  }, [dispatch, jobId, stacks, settle, file])
}
