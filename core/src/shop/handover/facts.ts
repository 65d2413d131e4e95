import { hoursOf, type NewErrors, testsThatCount } from '../../bench/diagnose'
import { changesBetween, type MemoryChange, testedOf } from '../../bench/measure'
import { countedPasses, faultShownIn, heldBy, type SoakPlan, type SoakRun } from '../../bench/soak'
import type { Forecast } from '../../judging/forecast'
import { deepEqual, type Machine } from '../../things/model'
import {
  type Handover,
  type JobFile,
  NOT_HANDED_OVER,
  type Piece,
  type Terms,
  UNVERIFIED,
} from '../../things/records'
import {
  channelsMeasured,
  errorsSince,
  planKey,
  promisedOf,
  rateSeen,
  type Situation,
  soakOf,
  standingOf,
  type ToProve,
  testableGiB,
} from '../job'
import { isAsAgreed } from './asAgreed'
import { type Gained, gainsOf } from './gained'
import { type NextUpgrade, nextUpgrades } from './nextSteps'
import { type OpenPoint, openPointsOf } from './openPoints'
import {
  type FittedPart,
  partsFitted,
  partsRemoved,
  partsReplaced,
  type RemovedPart,
  type ReplacedPart,
} from './parts'
import { agreedOption, paidIn, unpaid } from './payment'

/** A figure as it was read off the running machine, or as it follows from what is in it. */
export interface Stated {
  value: number
  seen: boolean
}

/** Stability tests that count: how many, their hours in all, and whether all passed without an error. */
export interface Steadiness {
  tests: number
  hours: number
  /** Passes that count, of all tests. */
  passes: number
  /** No test gave an error. Without passes that count it says nothing. */
  clean: boolean
  /** The soak plan held. */
  held: boolean
  /** The rarest fault that these passes would have shown, as a share of passes. */
  shows: number
  /** Why the plan was made shorter; null where it was not. */
  shortened: string | null
}

/** What a hand over rests on: everything the report says, and what stands open. Sizes in GiB, speeds in MT/s. */
export interface HandoverFacts {
  machine: Machine
  before: Situation
  after: Situation
  /** The plan changes what is in the slots or how it is set. */
  changed: boolean
  /** The work at the bench is done. */
  fitted: boolean
  /** Title of the work agreed to in place of a change of memory; null without such an agreement. */
  otherWork: string | null
  parts: FittedPart[]
  removed: RemovedPart[]
  /** Modules of the shop's that were found bad and replaced before the hand over. */
  replaced: ReplacedPart[]
  now: { memory: Stated; speed: Stated | null; channels: Stated }
  gains: Gained[]
  /** Properties altered by the change of memory; a gain belongs to all of them together. */
  altered: MemoryChange[]
  /** What the change was expected to bring; null where it could not be said. */
  forecast: Forecast | null
  steadiness: Steadiness | null
  /** Errors that the system has logged since the fitting; null where nobody looked, or knows when they came. */
  errorsLogged: NewErrors | null
  /** Somebody looked whether hibernation and page files fit the drive beside the new memory. */
  filesLookedAt: boolean
  next: NextUpgrade[]
  /** What the customer agreed to pay, in minor units; null where nothing was agreed on. */
  toPay: number | null
  paid: number
  points: OpenPoint[]
}

export interface ToReport extends ToProve {
  file: Pick<
    JobFile,
    | 'id'
    | 'lead'
    | 'fits'
    | 'handovers'
    | 'quotes'
    | 'measurements'
    | 'verifications'
    | 'accessories'
    | 'sizing'
  >
  pieces: ReadonlyMap<string, Piece>
}

function steadinessOf(tests: readonly SoakRun[], plan: SoakPlan, gib: number): Steadiness {
  const { passes } = countedPasses(tests, gib)
  return {
    tests: tests.length,
    hours: hoursOf(tests),
    passes,
    clean: tests.every(({ errors }) => errors === 0),
    held: heldBy(plan, tests, gib),
    shows: faultShownIn(passes),
    shortened: plan.shortened?.reason ?? null,
  }
}

/** A plan that somebody saw at its speed, or that may be promised; else what it falls back to. */
function asSeenOrPromised(machine: Machine, planned: Situation, rate: number | null): Situation {
  const asked = planned.evaluation.run?.dataRate ?? 0
  return rate !== null && rate >= asked ? planned : promisedOf(machine, planned).situation
}

/** Everything that is on record of how a job ended. `terms` say how long the shop tests. */
export function handoverFacts(
  job: ToReport,
  forecast: Forecast | null,
  terms: Pick<Terms, 'testHours' | 'soakHours'>,
): HandoverFacts {
  const { file, machine, now: before, planned, pieces } = job
  const [fit] = file.fits
  const { seen, stability, soak } = file.verifications[0] ?? UNVERIFIED
  const handover: Pick<Handover, 'payments' | 'returned'> = file.handovers[0] ?? NOT_HANDED_OVER
  const changed =
    !deepEqual(before.assignment, planned.assignment) ||
    !deepEqual(before.settings, planned.settings)
  const fitted = fit?.finishedAt != null
  const shown = fitted ? seen : UNVERIFIED.seen
  const rate = rateSeen(shown, planned)
  const after = fitted ? asSeenOrPromised(machine, planned, rate) : before
  const work = { jobId: file.id, now: before, planned: after, pieces, fit }
  const removed = partsRemoved(work)
  const gains = gainsOf(testedOf(file.measurements), forecast)
  const option = agreedOption(file.quotes)
  const counted = testsThatCount(stability, planKey(planned))
  const soakPlanned = soakOf(planned, soak ?? null, terms)
  const testable = testableGiB(planned, file.sizing)
  const countedNow = countedPasses(counted, testable)
  const channels = fitted ? channelsMeasured(job) : null
  const { capacity, run, zones } = after.evaluation
  const ways = zones[0]?.ways ?? 1
  const measured = channels !== null && channels.atLeast >= ways && ways > 1
  return {
    machine,
    before,
    after,
    changed,
    fitted,
    otherWork: option?.other && option.other !== 'nothing' ? option.title : null,
    parts: partsFitted(work),
    removed,
    replaced: partsReplaced(work),
    now: {
      memory: stated(shown.totalGiB, capacity.installedGiB),
      speed: rate === null && !run ? null : stated(rate, run?.dataRate ?? 0),
      channels: stated(shown.ways ?? (measured ? ways : null), ways),
    },
    gains,
    altered: fitted ? changesBetween(before, planned) : [],
    forecast: fitted ? forecast : null,
    steadiness: fitted && counted.length > 0 ? steadinessOf(counted, soakPlanned, testable) : null,
    errorsLogged: fitted ? errorsSince(file.verifications[0] ?? UNVERIFIED, job.errorsFound) : null,
    filesLookedAt: fit?.ticks.FILES_FIT?.state === 'done',
    next: nextUpgrades(machine, after),
    // Several like machines are paid together, with the first.
    toPay: file.lead ? null : (option?.toPay ?? null),
    paid: paidIn(handover.payments),
    points: openPointsOf({
      changed,
      fitted,
      standing: standingOf(job, terms),
      tested: {
        passes: soakPlanned.warm ? countedNow.warm : countedNow.passes,
        planned: soakPlanned.passes,
        hours: hoursOf(counted),
        rule: terms.testHours,
      },
      losses: gains.filter(({ compared }) => compared.verdict === 'loss').map(({ test }) => test),
      approved: option !== null,
      asAgreed:
        option === null ||
        option.other !== undefined ||
        isAsAgreed(option, machine, planned, pieces),
      unpaid: file.lead ? 0 : unpaid(option, handover.payments),
      removed,
      accessories: file.accessories,
      returned: handover.returned,
    }),
  }
}

const stated = (seen: number | null, otherwise: number): Stated =>
  seen === null ? { value: otherwise, seen: false } : { value: seen, seen: true }
