import { testPass } from '../../things/knowledge'
import { known } from '../../things/model'

/** A plan made shorter, with the reason that the report repeats. */
export interface Shortened {
  passes: number
  reason: string
}

/** How long and how a machine is tested before it is handed over. */
export interface SoakPlan {
  /** Full passes to be made without an error. */
  passes: number
  /** Passes that its settings ask for; more than `passes` where the plan was shortened. */
  asked: number
  /** At working temperature: the case closed, and warm from load. */
  warm: boolean
  /** From the least to the most that is usual, in hours. */
  hours: { low: number; high: number }
  /** What such a test would have shown, 95 times in 100: a fault seen in this share of the passes. */
  shows: number
  /** Longer than the shop takes for it. */
  tooLong: boolean
  shortened: Shortened | null
}

export interface SoakCase {
  /** What is tested, GiB. */
  gib: number
  /** A profile is on, something is set by hand, or it runs above the controller's rating. */
  raised: boolean
  /** The most that the shop takes for it, in hours; null for no limit. */
  limitHours: number | null
  shortened: Shortened | null
}

export const SOAK = known(
  { standard: { passes: 3, warm: false }, raised: { passes: 8, warm: true } },
  'Three clean passes would have shown a fault that is seen in two passes of three, eight one that is seen in one of three (95 times in 100). Settings beyond the standard fail rarely and when warm.',
  '2026-12',
)

/** Shares of passes that are spoken of, falling. */
const SHARES = [19 / 20, 9 / 10, 4 / 5, 2 / 3, 1 / 2, 1 / 3, 1 / 4, 1 / 5, 1 / 10, 1 / 20]
const SURE = 0.95

/** The rarest fault that so many clean passes would have shown 95 times in 100, as a share of passes; 1 for none made. */
export const faultShownIn = (passes: number): number =>
  SHARES.findLast((share) => 1 - (1 - share) ** passes >= SURE) ?? 1

/** The one plan of a job: the quote's test line, the step at the bench, the verification and the report speak of it. */
export function soakPlan({ gib, raised, limitHours, shortened }: SoakCase): SoakPlan {
  const { passes: asked, warm } = SOAK.value[raised ? 'raised' : 'standard']
  const cut = shortened && shortened.reason.trim() !== '' && shortened.passes < asked
  const passes = cut ? Math.max(1, shortened.passes) : asked
  const pass = testPass(gib)
  const hours = { low: (passes * pass.low) / 60, high: (passes * pass.high) / 60 }
  return {
    passes,
    asked,
    warm,
    hours,
    shows: faultShownIn(passes),
    tooLong: limitHours !== null && hours.low > limitHours,
    shortened: cut ? shortened : null,
  }
}
