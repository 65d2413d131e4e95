import type { Missing, ProofStanding } from '../../bench/diagnose'
import type { Handover, OpenPointCode } from '../../things/records'
import type { RemovedPart } from './parts'

/** What stands open before a job is handed over; amounts in minor units. */
export type OpenPoint =
  | {
      code: Extract<
        OpenPointCode,
        | 'FITTING_OPEN'
        | 'DIFFERENT_SEEN'
        | 'UNSTEADY'
        | 'NOT_AS_AGREED'
        | 'NOT_VERIFIED'
        | 'NOT_SEEN'
        | 'SLOTS_NOT_SEEN'
        | 'SPEED_NOT_SEEN'
        | 'CHANNELS_NOT_SEEN'
        | 'NOT_APPROVED'
      >
    }
  /** Passes of the soak plan made and planned. */
  | { code: 'SOAK_SHORT'; made: number; planned: number }
  /** Hours tested, and those of the shop's rule. */
  | { code: 'TEST_SHORT'; hours: number; rule: number }
  | { code: 'LOSS'; tests: readonly string[] }
  | { code: 'UNPAID'; amount: number }
  | { code: 'OLD_MODULE'; removed: readonly RemovedPart[] }
  | { code: 'ACCESSORIES'; items: readonly string[] }

/** Passes that count and hours logged, with those that were planned and promised. */
export interface TestedSoFar {
  passes: number
  planned: number
  hours: number
  /** Null for a shop without a rule. */
  rule: number | null
}

export interface ToHandOver {
  /** The plan changes what is in the slots or how it is set. */
  changed: boolean
  fitted: boolean
  /** How far the proof is; null before anything was looked at. */
  standing: ProofStanding | null
  /** What was tested, of what was to be. */
  tested: TestedSoFar
  /** Tests that measured a loss. */
  losses: readonly string[]
  /** A quote stands approved. */
  approved: boolean
  /** What was fitted is what was agreed to. */
  asAgreed: boolean
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
    if (!standing) points.push({ code: 'NOT_VERIFIED' })
    else points.push(...pointsOfProof(standing, job.tested))
    if (job.approved && !job.asAgreed) points.push({ code: 'NOT_AS_AGREED' })
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

/** Everything that stands against the proof: none of it hides another. */
function pointsOfProof(
  { wrong, errors, missing }: ProofStanding,
  tested: TestedSoFar,
): OpenPoint[] {
  return [
    ...(wrong ? [{ code: 'DIFFERENT_SEEN' as const }] : []),
    ...(errors ? [{ code: 'UNSTEADY' as const }] : []),
    ...missing.flatMap((one) => pointOfMissing(one, tested)),
  ]
}

function pointOfMissing(
  missing: Missing,
  { passes, planned, hours, rule }: TestedSoFar,
): OpenPoint[] {
  switch (missing) {
    case 'seen':
      return [{ code: 'NOT_SEEN' }]
    case 'slots':
      return [{ code: 'SLOTS_NOT_SEEN' }]
    case 'speed':
      return [{ code: 'SPEED_NOT_SEEN' }]
    case 'channels':
      return [{ code: 'CHANNELS_NOT_SEEN' }]
    case 'stability':
      return [{ code: 'SOAK_SHORT', made: passes, planned }]
    case 'testRule':
      return [{ code: 'TEST_SHORT', hours, rule: rule ?? 0 }]
    case 'loss':
      // A loss is a point of its own, with its tests.
      return []
  }
}

/** Open points that nobody has given a reason for. */
export const withoutReason = (
  points: readonly OpenPoint[],
  reasons: Handover['reasons'],
): OpenPoint[] => points.filter(({ code }) => (reasons[code] ?? '').trim() === '')
