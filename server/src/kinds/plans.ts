import { HttpError } from '../http'
import { leadOthers, refuseFollower } from '../jobs'
import { checkAssignment, keepPieces } from '../placements'
import type { Rules } from '../records'
import { find, jobKind } from '../store'

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
