import { UNFITTED } from '@tembrix/core/things/records'
import { HttpError } from '../base/http'
import { finish, finishedNow, serialsThatCame } from '../bench/fits'
import type { Rules } from '../things/records'
import { reindex } from '../things/search'

/** The work at the bench: one record a job. */
export const fitRules: Rules<'fits'> = {
  making: async (_, fit) => ({ ...UNFITTED, ...fit, finishedAt: null }),
  changing: async (tx, { jobId, finishedAt, serials }, { finished, ...patch }) => {
    if (finishedAt && (finished || patch.removed)) {
      throw new HttpError(409, 'finished', 'This fitting is finished.')
    }
    if (!finished) return patch
    const came = await serialsThatCame(tx, jobId)
    return { ...patch, serials: { ...came, ...serials, ...patch.serials }, ...finishedNow() }
  },
  written: async (tx, fit, patch) => {
    if (patch?.finished) await finish(tx, fit)
    if (!patch || patch.finished || patch.serials) await reindex(tx, { id: fit.jobId })
  },
}
