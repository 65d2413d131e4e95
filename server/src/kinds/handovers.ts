import { handoverRefusal } from '@tembrix/core/shop/handover'
import { NOT_HANDED_OVER } from '@tembrix/core/things/records'
import { HttpError, invalid } from '../base/http'
import { forgetPassword } from '../shop/passwords'
import type { Rules } from '../things/records'
import { change, find, jobKind } from '../things/store'

/** How jobs end: one record a job. What was signed stays as it was; collecting closes the job. */
export const handoverRules: Rules<'handovers'> = {
  making: async (_, given) => ({ ...NOT_HANDED_OVER, ...given }),
  changing: async (_, handover, patch) => {
    const { version: _version, ...fields } = patch
    const refusal = handoverRefusal(handover, fields)
    if (!refusal) return patch
    const { code, message, field } = refusal
    throw field ? invalid([{ path: field, message }]) : new HttpError(409, code, message)
  },
  written: async (tx, { jobId }, patch) => {
    if (!patch?.collected) return
    const job = await find(tx, jobKind, jobId)
    await change(tx, jobKind, jobId, { version: job.version, stage: 'closed' })
    await forgetPassword(tx, jobId)
  },
}
