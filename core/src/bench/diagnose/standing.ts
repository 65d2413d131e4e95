import type { Acceptable } from '../../things/model'
import { heldBy, type SoakPlan } from '../soak'
import type { Difference, DifferenceCode, ShownFigures } from './expected'

export { ACCEPTABLE, type Acceptable } from '../../things/model'

/**
 * What is missing of what the job promised: the memory in all, every slot, the speed, the channels (shown,
 * or measured), the soak plan held and as long as the shop's rule asks for, and no measured loss left open.
 */
export type Missing = 'seen' | 'slots' | 'stability' | 'testRule' | Acceptable

/** How far the proof is that an upgrade works: what is the gravest, and all that stands against it. */
export interface ProofStanding {
  kind: 'wrong' | 'errors' | 'open' | 'verified'
  /** Something is seen otherwise than planned. */
  wrong: boolean
  /** A test, or the system's log, shows errors. */
  errors: boolean
  /** What has still to be done before it can be handed over. */
  missing: Missing[]
}

/** A stability test; `plan` says what was in the slots then, left out where nobody noted it. */
export interface StabilityTest {
  passes: number
  errors: number
  hours: number
  plan?: string | undefined
  warm?: boolean | undefined
}

export interface ToStand {
  found: readonly Difference[]
  seen: Pick<ShownFigures, 'totalGiB' | 'slots' | 'rate' | 'ways'>
  /** Slots that are to be filled, and channels that are to be at work. */
  filled: readonly string[]
  channels: number
  /** So many channels at least, by what was measured. */
  channelsAtLeast: number
  stability: readonly StabilityTest[]
  /** The test that has to hold, and how much memory it is over, GiB. */
  soak: SoakPlan
  gib: number
  /** What is in the slots now. */
  plan: string
  /** How long the shop tests every machine; null for no rule. */
  ruleHours: number | null
  /** Memory errors that the system has logged since the fitting. */
  errorsLogged: number
  /** Tests that measured a loss. */
  losses: number
  accepted: Readonly<Partial<Record<Acceptable, string>>>
}

const SPEED: readonly DifferenceCode[] = ['BASE_RATE', 'STEP_LOWER', 'TIMING_LOOSER', 'RATE_HIGHER']

/**
 * The tests that count: of this plan, after the last that failed. One that failed stays on record and is
 * superseded by what passed since.
 */
export function testsThatCount<T extends StabilityTest>(tests: readonly T[], plan: string): T[] {
  const own = tests.filter((test) => test.plan === undefined || test.plan === plan)
  const failed = own.findLastIndex(({ errors }) => errors > 0)
  const since = own.slice(failed + 1)
  return failed >= 0 && !since.some(({ passes }) => passes > 0) ? own.slice(failed) : since
}

/** Hours of testing, all runs together. */
export const hoursOf = (stability: readonly { hours: number }[]): number =>
  stability.reduce((sum, { hours }) => sum + hours, 0)

export function standing(input: ToStand): ProofStanding {
  const { found, seen, filled, channels, channelsAtLeast, ruleHours, losses } = input
  const isAccepted = (one: Acceptable) => (input.accepted[one] ?? '').trim() !== ''
  const stands = ({ harmless, code }: Difference) =>
    !harmless && !(SPEED.includes(code) && isAccepted('speed'))
  const tests = testsThatCount(input.stability, input.plan)
  const wrong = found.some(stands)
  const errors = tests.some((one) => one.errors > 0) || input.errorsLogged > 0
  const tested = heldBy(input.soak, tests, input.gib)
  const lacks: Record<Missing, boolean> = {
    seen: seen.totalGiB === null,
    slots: filled.some((slot) => seen.slots[slot] === undefined),
    speed: seen.rate === null && !isAccepted('speed'),
    channels:
      channels > 1 && seen.ways === null && channelsAtLeast < channels && !isAccepted('channels'),
    stability: !tested,
    testRule: ruleHours !== null && hoursOf(tests) < ruleHours,
    loss: losses > 0 && !isAccepted('loss'),
  }
  const missing = (Object.keys(lacks) as Missing[]).filter((one) => lacks[one])
  const open = missing.length > 0 ? 'open' : 'verified'
  return { kind: wrong ? 'wrong' : errors ? 'errors' : open, wrong, errors, missing }
}
