import { UNVERIFIED } from '@tembrix/core/records'
import type { Rules } from '../records'

/** Whether upgrades work: one record a job. */
export const verificationRules: Rules<'verifications'> = {
  making: async (_, given) => ({ ...UNVERIFIED, ...given }),
}
