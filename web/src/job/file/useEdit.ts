import type { ChangeOf, Collection } from '@tembrix/core/records'
import { useMemo } from 'react'
import {
  changed,
  done,
  type Fields,
  redone,
  type Step,
  undone,
  useAppDispatch,
  useAppSelector,
} from '../../data'

interface Known {
  id: string
  version: number
}

export interface Edit {
  /** Sets fields of one of the job's records; saved by itself. */
  set: <C extends Collection>(collection: C, record: Known, fields: ChangeOf<C>) => void
  /** The same, as one step that can be undone. */
  step: <C extends Collection, T extends Known>(
    collection: C,
    record: T,
    fields: ChangeOf<C> & Partial<T>,
  ) => void
  undo?: () => void
  redo?: () => void
}

/** Ways to change a job's records; `versionOf` gives the version a record was read at. */
export function useEdit(
  jobId: string,
  versionOf: (collection: Collection, id: string) => number | undefined,
): Edit {
  const dispatch = useAppDispatch()
  const stacks = useAppSelector((state) => state.undo[jobId])
  return useMemo(() => {
    const set: Edit['set'] = (collection, record, fields) => {
      const { id, version } = record
      dispatch(changed({ jobId, collection, recordId: id, version }, fields, record))
    }
    const apply = ({ collection, recordId }: Step, from: Fields, to: Fields) => {
      const version = versionOf(collection, recordId)
      if (version !== undefined)
        set(collection, { ...from, id: recordId, version }, to as ChangeOf<typeof collection>)
    }
    const past = stacks?.past.at(-1)
    const future = stacks?.future.at(-1)
    return {
      set,
      step: (collection, record, fields) => {
        const names = Object.keys(fields) as (keyof typeof record)[]
        const before = Object.fromEntries(names.map((name) => [name, record[name]]))
        const after = fields as Fields
        if (names.every((name) => JSON.stringify(record[name]) === JSON.stringify(fields[name])))
          return
        dispatch(done({ jobId, step: { collection, recordId: record.id, before, after } }))
        set(collection, record, fields)
      },
      undo:
        past &&
        (() => {
          apply(past, past.after, past.before)
          dispatch(undone(jobId))
        }),
      redo:
        future &&
        (() => {
          apply(future, future.before, future.after)
          dispatch(redone(jobId))
        }),
    }
  }, [dispatch, jobId, stacks, versionOf])
}
