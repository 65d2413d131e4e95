import { isClosed, isTakenOnceClosed } from '@tembrix/core/shop/handover'
import { deepEqual } from '@tembrix/core/things/model'
import type { ChangeOf, Collection } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import {
  asIn,
  changing,
  put,
  recordUndo,
  useAppDispatch,
  useAppStore,
  type Write,
} from '../../../../base/data'
import { notify } from '../../../../base/toast'
import { fileSelector } from './view'

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

/** Whether a write is one that a collected job still takes. */
const isTaken = (write: Write): boolean =>
  isTakenOnceClosed(write.collection, write.action === 'change' ? write.fields : {})

/** Ways to change a job's records. One that is collected takes few of them, and says so. */
export function useEdit(jobId: string): Edit {
  const dispatch = useAppDispatch()
  const store = useAppStore()
  return useMemo(() => {
    const file = fileSelector(jobId)
    const isRefused = (writes: readonly Write[]): boolean => {
      const job = file(store.getState())
      if (!job || !isClosed(job) || writes.every(isTaken)) return false
      notify('This job is closed and stays as it is. What comes later is a new visit.')
      return true
    }
    const settle: Edit['settle'] = (name, writes) => {
      if (isRefused(writes)) return
      for (const action of put(jobId, name, writes)) dispatch(action)
    }
    const act = (name: string, writes: readonly Write[], typing?: string) => {
      if (writes.length === 0 || isRefused(writes)) return
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
  }, [dispatch, jobId, store])
}
