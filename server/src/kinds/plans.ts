import { HttpError } from '../base/http'
import { checkAssignment, keepPieces } from '../bench/placements'
import { leadOthers, refuseFollower } from '../shop/jobs'
import type { Rules } from '../things/records'
import { find, jobKind } from '../things/store'

export const planRules: Rules<'plans'> = {
  making: async (tx, plan) => {
    await refuseFollower(tx, plan.jobId)
    await checkAssignment(tx, plan.jobId, 'placement', plan.placement ?? {})
    return plan
  },
  changing: async (tx, { jobId }, patch) => {
    await refuseFollower(tx, jobId)
    if (patch.placement) await checkAssignment(tx, jobId, 'placement', patch.placement)
    return patch
  },
  /** Any but the one on the board. */
  removing: async (tx, { id, jobId }) => {
    const { planId } = await find(tx, jobKind, jobId)
    if (planId === id) {
      throw new HttpError(409, 'on_board', 'This plan is on the board; it stays with its job.')
    }
  },
  written: async (tx, { id, jobId }) => {
    await keepPieces(tx, jobId)
    const { planId } = await find(tx, jobKind, jobId)
    if (planId === id) await leadOthers(tx, jobId)
  },
}
