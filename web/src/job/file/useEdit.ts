import { same } from '@tembrix/core/model'
import type { ChangeOf, Collection } from '@tembrix/core/records'
import { useMemo } from 'react'
import {
  asIn,
  changing,
  done,
  inverse,
  put,
  redone,
  type Step,
  undone,
  useAppDispatch,
  useAppSelector,
  type Write,
} from '../../data'

interface Known {
  id: string
  version: number
}

type Set = <C extends Collection>(collection: C, record: Known, fields: ChangeOf<C>) => void
/** `typing` names what is being typed, so that it is one step however often it is saved. */
type Stepping = <C extends Collection>(
  collection: C,
  record: Known,
  fields: ChangeOf<C>,
  typing?: string,
) => void

export interface Edit {
  /** Sets fields of one of the job's records, as one step that can be undone; saved by itself. */
  step: Stepping
  /** The same for good: what is a matter of record, or of the clock. */
  set: Set
  /** Writes that belong together, as one step: all of them are stored, or none. `name` says what they are. */
  act: (name: string, writes: readonly Write[]) => void
  /** The same for good. */
  settle: (name: string, writes: readonly Write[]) => void
  undo?: () => void
  redo?: () => void
}

/** Ways to change a job's records; `current` gives a record as it is now. */
export function useEdit(
  jobId: string,
  current: (collection: Collection, id: string) => Known | undefined,
): Edit {
  const dispatch = useAppDispatch()
  const stacks = useAppSelector((state) => state.undo[jobId])
  return useMemo(() => {
    const settle: Edit['settle'] = (name, writes) => {
      for (const action of put(jobId, name, writes)) dispatch(action)
    }
    const act = (name: string, writes: readonly Write[], typing?: string) => {
      if (writes.length === 0) return
      dispatch(done({ jobId, step: { writes, typing } }))
      settle(name, writes)
    }
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
      set: (collection, record, fields) => settle('', [changing(collection, record, fields)]),
      step: (collection, record, fields, typing) => {
        if (same(asIn(record, fields), fields)) return
        act('', [changing(collection, record, fields)], typing)
      },
      act,
      settle,
      ...(past.length > 0 ? { undo: back(past, undone) } : {}),
      ...(future.length > 0 ? { redo: back(future, redone) } : {}),
    }
  }, [dispatch, jobId, stacks, current])
}
