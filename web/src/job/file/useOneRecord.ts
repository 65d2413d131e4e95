import type { Stored } from '@tembrix/core/records'
import { useCallback, useMemo } from 'react'
import { created, type Fields, useAppDispatch } from '../../data'
import { useJob } from './JobContext'

type Of<Blank> = Blank & Stored & { jobId: string }

/** The record of a kind that a job has one of, under the job’s id: `blank` until the first thing is noted, which makes it. */
export function useOneRecord<Blank>(
  collection: 'fits' | 'verifications',
  known: Of<Blank> | undefined,
  blank: Blank,
): { record: Of<Blank>; set: (fields: Fields) => void } {
  const { file, edit } = useJob()
  const dispatch = useAppDispatch()
  const record = useMemo(() => {
    const unstored = { id: file.id, jobId: file.id, version: 0, createdAt: '', updatedAt: '' }
    return known ?? { ...blank, ...unstored }
  }, [known, blank, file.id])
  const set = useCallback(
    (fields: Fields) => {
      if (!known) {
        dispatch(created({ jobId: file.id, collection, recordId: file.id }, { jobId: file.id }))
      }
      edit.set(collection, record, fields)
    },
    [known, record, collection, file.id, dispatch, edit],
  )
  return { record, set }
}
