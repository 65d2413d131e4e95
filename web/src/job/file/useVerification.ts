import { UNVERIFIED, type Verification, type VerificationChange } from '@tembrix/core/records'
import { useCallback, useMemo } from 'react'
import { created, useAppDispatch } from '../../data'
import { useJob } from './JobContext'

/** The job’s record of what was seen, tried and tested; begun with the first thing noted. */
export function useVerification(): {
  record: Verification
  set: (fields: VerificationChange) => void
} {
  const { file, edit } = useJob()
  const dispatch = useAppDispatch()
  const known = file.verifications[0]
  const record: Verification = useMemo(
    () =>
      known ?? {
        ...UNVERIFIED,
        id: file.id,
        jobId: file.id,
        version: 0,
        createdAt: '',
        updatedAt: '',
      },
    [known, file.id],
  )
  const set = useCallback(
    (fields: VerificationChange) => {
      if (!known) {
        const target = { jobId: file.id, collection: 'verifications' as const, recordId: file.id }
        dispatch(created(target, { jobId: file.id }))
      }
      edit.set('verifications', record, fields)
    },
    [known, record, file.id, dispatch, edit],
  )
  return { record, set }
}
