import { UNVERIFIED } from '@tembrix/core/records'
import { verifications } from '../database'
import { records } from '../records'
import { verificationKind } from '../store'
import { ofJob } from './ofJob'

/** Whether upgrades work: one record a job. */
export const verificationRecords = records('verifications', {
  kind: verificationKind,
  making: async (_, given) => ({ ...UNVERIFIED, ...given }),
  listing: ofJob(verifications),
})
