import { UNFITTED } from '@tembrix/core/records'
import { finish, finishedNow } from '../fits'
import { HttpError } from '../http'
import type { Rules } from '../records'
import { retell } from '../search'

/** The work at the bench: one record a job. */
export const fitRules: Rules<'fits'> = {
  making: async (_, fit) => ({ ...UNFITTED, ...fit, finishedAt: null }),
  changing: async (_, { finishedAt }, { finished, ...patch }) => {
    if (finishedAt && (finished || patch.removed)) {
      throw new HttpError(409, 'finished', 'This fitting is finished.')
    }
    return { ...patch, ...(finished ? finishedNow() : {}) }
  },
  written: async (tx, fit, patch) => {
    if (patch?.finished) await finish(tx, fit)
    if (!patch || patch.finished || patch.serials) await retell(tx, { id: fit.jobId })
  },
}
