import { deepEqual } from '@tembrix/core/things/model'
import type { ChangeOf, Collection } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { asIn, changing, put, recordUndo, useAppDispatch, type Write } from '../../../../base/data'

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
}

/** Ways to change a job's records. */
export function useEdit(jobId: string): Edit {
  const dispatch = useAppDispatch()
  return useMemo(() => {
    const settle: Edit['settle'] = (name, writes) => {
      for (const action of put(jobId, name, writes)) dispatch(action)
    }
    const act = (name: string, writes: readonly Write[], typing?: string) => {
      if (writes.length === 0) return
      dispatch(recordUndo({ jobId, step: { writes, typing } }))
      settle(name, writes)
    }
    return {
      set: (collection, record, fields) => settle('', [changing(collection, record, fields)]),
      step: (collection, record, fields, typing) => {
        if (deepEqual(asIn(record, fields), fields)) return
        act('', [changing(collection, record, fields)], typing)
      },
      act,
      settle,
    }
  }, [dispatch, jobId])
}
