import { UNVERIFIED } from '@tembrix/core/things/records'
import type { Rules } from '../things/records'

/** Whether upgrades work: one record a job. */
export const verificationRules: Rules<'verifications'> = {
  making: async (_, given) => ({ ...UNVERIFIED, ...given }),
}
