import type { ChangeOf, Stored } from '@tembrix/core/records'
import { useCallback, useMemo } from 'react'
import { created, useAppDispatch } from '../../data'
import { useJob } from './JobContext'

type Of<Blank> = Blank & Stored & { jobId: string }

/** The record of a kind that a job has one of, under the job’s id: `blank` until the first thing is noted, which makes it. */
export function useOneRecord<C extends 'fits' | 'verifications', Blank>(
  collection: C,
  known: Of<Blank> | undefined,
  blank: Blank,
): { record: Of<Blank>; set: (fields: ChangeOf<C>) => void } {
  const { file, edit } = useJob()
  const dispatch = useAppDispatch()
  const record = useMemo(() => {
    const unstored = { id: file.id, jobId: file.id, version: 0, createdAt: '', updatedAt: '' }
    return known ?? { ...blank, ...unstored }
  }, [known, blank, file.id])
  const set = useCallback(
    (fields: ChangeOf<C>) => {
      if (!known) {
        dispatch(created({ jobId: file.id, collection, recordId: file.id }, { jobId: file.id }))
      }
      edit.set(collection, record, fields)
    },
    [known, record, collection, file.id, dispatch, edit],
  )
  return { record, set }
}
