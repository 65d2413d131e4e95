import type { Missing, ProofStanding } from '../../bench/diagnose'
import type { Handover, OpenPointCode } from '../../things/records'
import type { RemovedPart } from './parts'

/** Figures that are looked at on the running machine. */
const LOOKED_AT = ['seen', 'slots', 'speed', 'channels'] as const satisfies readonly Missing[]
export type Looked = (typeof LOOKED_AT)[number]

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
        | 'NOT_APPROVED'
      >
    }
  /** Figures that nobody has looked at. */
  | { code: 'NOT_SEEN'; what: readonly Looked[] }
  /** Passes of the soak plan made and planned; `rule` is the shop's, in hours, where nothing was tested at all. */
  | { code: 'SOAK_SHORT'; made: number; planned: number; rule: number | null }
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
  /** Tests made, and tests that were planned. */
  tested: TestedSoFar
  /** Tests that measured a loss. */
  losses: readonly string[]
  /** A quote stands approved. */
  approved: boolean
  /** The modules fitted are those of the option agreed to. */
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
  const unseen = LOOKED_AT.filter((one) => missing.includes(one))
  return [
    ...(wrong ? [{ code: 'DIFFERENT_SEEN' as const }] : []),
    ...(errors ? [{ code: 'UNSTEADY' as const }] : []),
    ...(unseen.length > 0 ? [{ code: 'NOT_SEEN' as const, what: unseen }] : []),
    ...pointsOfTests(missing, tested),
  ]
}

/** Tests that are too short for the soak plan or the shop's rule; no test at all is one point for both. */
function pointsOfTests(
  missing: readonly Missing[],
  { passes, planned, hours, rule }: TestedSoFar,
): OpenPoint[] {
  const isShort = missing.includes('stability')
  const isUntested = isShort && hours === 0
  return [
    ...(isShort
      ? [
          {
            code: 'SOAK_SHORT' as const,
            made: passes,
            planned,
            rule: isUntested ? rule : null,
          },
        ]
      : []),
    ...(missing.includes('testRule') && !isUntested
      ? [{ code: 'TEST_SHORT' as const, hours, rule: rule ?? 0 }]
      : []),
  ]
}

/** Open points that nobody has given a reason for. */
export const withoutReason = (
  points: readonly OpenPoint[],
  reasons: Handover['reasons'],
): OpenPoint[] => points.filter(({ code }) => (reasons[code] ?? '').trim() === '')
