import {
  UNVERIFIED,
  type Verification,
  type VerificationChange,
} from '@tembrix/core/things/records'
import { useJob } from './JobContext'
import { useOneRecord } from './useOneRecord'

/** The job’s record of what was seen, tried and tested; begun with the first thing noted. */
export function useVerification(): {
  record: Verification
  set: (fields: VerificationChange) => void
} {
  const { file } = useJob()
  return useOneRecord('verifications', file.verifications[0], UNVERIFIED)
}
