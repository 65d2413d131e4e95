import { UNFITTED } from '@tembrix/core/things/records'
import { HttpError } from '../base/http'
import {
  finish,
  finishedNow,
  putAside,
  refuseAbsent,
  serialsThatCame,
  slotsBefore,
  takeUpAgain,
} from '../bench/fits'
import type { Rules } from '../things/records'
import { reindex } from '../things/search'

/** The work at the bench: one record a job. */
export const fitRules: Rules<'fits'> = {
  making: async (_, fit) => ({ ...UNFITTED, ...fit, finishedAt: null, fittedAs: null }),
  changing: async (tx, fit, { finished, goesOn, ...patch }) => {
    if (goesOn) {
      const fittedAs = fit.fittedAs ?? (await slotsBefore(tx, { ...fit, ...patch }))
      return { ...patch, finishedAt: null, fittedAs }
    }
    if (fit.finishedAt && (finished || patch.removed)) {
      throw new HttpError(409, 'finished', 'This fitting is finished.')
    }
    if (!finished) return patch
    await refuseAbsent(tx, { ...fit, ...patch })
    const came = await serialsThatCame(tx, fit.jobId)
    const serials = { ...came, ...fit.serials, ...patch.serials }
    return { ...patch, serials, ...(await finishedNow(tx, fit.jobId)) }
  },
  written: async (tx, fit, patch) => {
    if (patch?.finished) await finish(tx, fit)
    if (patch?.replaced) await putAside(tx, fit)
    if (patch?.goesOn) await takeUpAgain(tx, fit.jobId)
    if (!patch || patch.finished || patch.serials) await reindex(tx, { id: fit.jobId })
  },
}
