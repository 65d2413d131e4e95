import type { Missing, ProofStanding } from '../../bench/diagnose'
import type { Handover, OpenPointCode } from '../../things/records'
import type { RemovedPart } from './parts'

/** What stands open before a job is handed over; amounts in minor units. */
export type OpenPoint =
  | {
      code: Extract<OpenPointCode, 'FITTING_OPEN' | 'DIFFERENT_SEEN' | 'UNSTEADY' | 'NOT_APPROVED'>
    }
  | { code: 'NOT_VERIFIED'; missing: readonly Missing[] }
  | { code: 'LOSS'; tests: readonly string[] }
  | { code: 'UNPAID'; amount: number }
  | { code: 'OLD_MODULE'; removed: readonly RemovedPart[] }
  | { code: 'ACCESSORIES'; items: readonly string[] }

export interface ToHandOver {
  /** The plan changes what is in the slots or how it is set. */
  changed: boolean
  fitted: boolean
  /** How far the proof is; null before anything was looked at. */
  standing: ProofStanding | null
  /** Tests that measured a loss. */
  losses: readonly string[]
  /** A quote stands approved. */
  approved: boolean
  /** What is still to be paid. */
  unpaid: number
  removed: readonly RemovedPart[]
  accessories: readonly string[]
  returned: readonly string[]
}

/** Everything that stands open, in the order in which it is looked at. Where nothing was changed, nothing has to be fitted or verified. */
export function openPointsOf(job: ToHandOver): OpenPoint[] {
  const { standing, losses, unpaid, accessories, returned } = job
  const points: OpenPoint[] = []
  if (job.changed && !job.fitted) points.push({ code: 'FITTING_OPEN' })
  if (job.fitted) {
    if (standing?.kind === 'wrong') points.push({ code: 'DIFFERENT_SEEN' })
    else if (standing?.kind === 'errors') points.push({ code: 'UNSTEADY' })
    else if (standing?.kind !== 'verified') {
      points.push({ code: 'NOT_VERIFIED', missing: standing?.missing ?? ['seen', 'stability'] })
    }
    if (!job.approved) points.push({ code: 'NOT_APPROVED' })
  }
  if (losses.length > 0) points.push({ code: 'LOSS', tests: losses })
  if (unpaid > 0) points.push({ code: 'UNPAID', amount: unpaid })
  const undecided = job.fitted ? job.removed.filter(({ to }) => to === null) : []
  if (undecided.length > 0) points.push({ code: 'OLD_MODULE', removed: undecided })
  const kept = accessories.filter((one) => !returned.includes(one))
  if (kept.length > 0) points.push({ code: 'ACCESSORIES', items: kept })
  return points
}

/** Open points that nobody has given a reason for. */
export const withoutReason = (
  points: readonly OpenPoint[],
  reasons: Handover['reasons'],
): OpenPoint[] => points.filter(({ code }) => (reasons[code] ?? '').trim() === '')
