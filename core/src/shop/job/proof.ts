import {
  type Arrangement,
  type CauseTable,
  type Difference,
  differences,
  type FaultSearch,
  type Made,
  memoryErrors,
  type NewErrors,
  newErrors,
  type ProofStanding,
  searchOf,
  standing,
  suspect,
} from '../../bench/diagnose'
import {
  type Ceilings,
  type KeptRuns,
  type MeasuredChannels,
  measuredChannels,
  middleOf,
  testedOf,
} from '../../bench/measure'
import { type SoakPlan, soakPlan } from '../../bench/soak'
import { fillingOrder } from '../../judging/plan'
import { type Reading, SYSTEM, saidOfSubject } from '../../reading/inputs'
import {
  deepEqual,
  type ErrorLog,
  isRegistered,
  type Machine,
  type Module,
} from '../../things/model'
import {
  type Assignment,
  isFreeFor,
  type JobFile,
  type ReadingRecord,
  type ShopModule,
  type Sizing,
  type Terms,
  UNVERIFIED,
  type Verification,
} from '../../things/records'
import type { Situation } from './situation'

/** What was measured and seen on a job, and how its slots were found and are planned. */
export interface Shown {
  file: {
    measurements: readonly KeptRuns[]
    /** At most one. */
    verifications: readonly Pick<Verification, 'seen'>[]
    /** Graphics memory that is set; left out where nothing is sized. */
    sizing?: Pick<Sizing, 'graphicsGiB'>
  }
  now: Situation
  planned: Situation
}

/** A job as far as its proof goes. */
export interface ToProve extends Shown {
  file: Pick<JobFile, 'measurements' | 'verifications'> & Pick<Shown['file'], 'sizing'>
  machine: Machine
  /** What tests of bandwidth have shown on machines with several channels. */
  ceilings: Ceilings
  /** The system's error log before anything was changed; null where nobody took it. */
  errorsFound: ErrorLog | null
}

/** What bandwidths measured tell of the channels at work after the change. */
export function channelsMeasured({
  file,
  now,
  planned,
  ceilings,
}: Shown & Pick<ToProve, 'ceilings'>): MeasuredChannels {
  const { seen } = file.verifications[0] ?? UNVERIFIED
  return measuredChannels(testedOf(file.measurements), {
    before: now.evaluation,
    after: planned.evaluation,
    seen: { rate: rateSeen(seen, planned), ways: seen.ways },
    topRate: topRateOf(planned),
    ceilings,
  })
}

/** The highest figures that this job’s tests of bandwidth show, where several channels are known to be at work. */
export function ceilingsShown(job: Shown): Ceilings {
  const { atLeast, rateSeen: sure } = channelsMeasured({ ...job, ceilings: {} })
  const { seen } = job.file.verifications[0] ?? UNVERIFIED
  if ((seen.ways ?? 0) < 2 && !(sure && atLeast > 1)) return {}
  return Object.fromEntries(
    testedOf(job.file.measurements)
      .filter(({ bandwidth }) => bandwidth !== null)
      .map((one) => [one.test, middleOf(one, 'after')]),
  )
}

/** The rate seen, MT/s: a figure of half the planned rate is the clock. */
export function rateSeen(
  { rate, memoryClock }: Verification['seen'],
  { evaluation: { run } }: Situation,
): number | null {
  if (rate === null) return memoryClock === null ? null : 2 * memoryClock
  return run && Math.abs(2 * rate - run.dataRate) <= CLOCK_SLACK ? 2 * rate : rate
}
const CLOCK_SLACK = 16

const topRateOf = ({ placement, evaluation: { run } }: Situation): number =>
  Math.max(
    run?.dataRate ?? 0,
    ...Object.values(placement).flatMap((module) =>
      (module?.speeds ?? []).map(({ dataRate }) => dataRate),
    ),
  )

/** In what the machine as it is seen, and measured, differs from what the plan should give. */
export function differencesFound(job: Omit<ToProve, 'errorsFound'>): Difference[] {
  const { file, machine, now, planned } = job
  const { seen } = file.verifications[0] ?? UNVERIFIED
  const asBefore = channelsMeasured(job).stayed ? (now.evaluation.zones[0]?.ways ?? null) : null
  const ways = seen.ways ?? asBefore
  const shown = { ...seen, ways }
  const graphicsGiB = file.sizing?.graphicsGiB ?? 0
  return differences(machine, planned.placement, planned.settings, shown, graphicsGiB)
}

/** What is in the slots as planned, as stability tests note it. */
export const planKey = ({ assignment, settings }: Situation): string =>
  JSON.stringify([Object.entries(arrangementOf(assignment)).sort(), settings.profile])

/** Memory that a test can reach, GiB: what is installed but for what graphics are set to take. */
export const testableGiB = (
  { evaluation: { capacity } }: Pick<Situation, 'evaluation'>,
  sizing: Pick<Sizing, 'graphicsGiB'> | undefined,
): number => Math.max(0, capacity.installedGiB - (sizing?.graphicsGiB ?? 0))

/** The soak plan of what is planned, or what of it somebody shortened. */
export function soakOf(
  { settings, evaluation: { run, capacity } }: Pick<Situation, 'settings' | 'evaluation'>,
  shortened: Verification['soak'],
  { soakHours }: Pick<Terms, 'soakHours'>,
): SoakPlan {
  const isRaised =
    run !== null && (run.profile || settings.manual != null || run.dataRate > run.controllerRating)
  return soakPlan({
    gib: capacity.installedGiB,
    raised: isRaised,
    limitHours: soakHours,
    shortened,
  })
}

/** The system's error log as it was when the machine came in: the last that was read before the work was done. */
export function errorsFound(
  { readings, fits }: Pick<JobFile, 'readings' | 'fits'>,
  decode: (record: ReadingRecord) => Reading,
): ErrorLog | null {
  const done = fits[0]?.finishedAt ?? null
  const before = readings.filter(({ createdAt }) => done === null || createdAt < done)
  const logs = before.flatMap(
    (record) => saidOfSubject(decode(record).observations, SYSTEM).errorLog ?? [],
  )
  return logs.at(-1) ?? null
}

/** Errors logged since the fitting, by the last log taken; null where none was, or nobody knows when they came. */
export function errorsSince(
  { errorLogs = [] }: Pick<Verification, 'errorLogs'>,
  found: ErrorLog | null,
): NewErrors | null {
  const last = errorLogs.at(-1)
  return last ? newErrors(last, errorLogs.at(-2) ?? found) : null
}

/** How far the job's proof is; null before anything was looked at. */
export function standingOf(
  job: ToProve,
  terms: Pick<Terms, 'testHours' | 'soakHours'>,
): ProofStanding | null {
  const { file, planned } = job
  const [record] = file.verifications
  if (!record) return null
  const { seen, stability, accepted } = record
  const soak = soakOf(planned, record.soak ?? null, terms)
  const logged = errorsSince(record, job.errorsFound)
  const losses = testedOf(file.measurements).filter(
    ({ against }) => against.after?.verdict === 'loss',
  )
  return standing({
    found: differencesFound(job),
    seen,
    filled: Object.keys(planned.assignment),
    channels: planned.evaluation.zones[0]?.ways ?? 1,
    channelsAtLeast: channelsMeasured(job).atLeast,
    stability,
    soak,
    gib: testableGiB(planned, file.sizing),
    plan: planKey(planned),
    ruleHours: terms.testHours,
    errorsLogged: logged ? memoryErrors(logged) : 0,
    losses: losses.length,
    accepted: accepted ?? {},
  })
}

/** Trials made; before there is one, a module that is not seen counts as what the first start showed. */
export function trialsMade(
  { trials }: Pick<Verification, 'trials'>,
  found: readonly Difference[],
  { assignment, settings }: Pick<Situation, 'assignment' | 'settings'>,
): readonly Made[] {
  // Trials of before actions, unsure answers and codes were noted lack them.
  const noted = trials.map((trial) => ({ ...trial, action: trial.action ?? null }))
  const slots = slotsMissing(found)
  if (slots.length === 0 || trials.length > 0) return noted
  return [
    {
      arrangement: arrangementOf(assignment),
      reseat: false,
      profile: settings.profile,
      depth: 'start',
      action: null,
      outcome: { kind: 'MISSING', slots },
    },
  ]
}

/** Whether a trial had the machine open, so that its outer covers may still be off. */
export function openedBy(trials: readonly Made[], planned: Assignment): boolean {
  const start = arrangementOf(planned)
  return trials.some(
    ({ reseat, action, arrangement }) =>
      reseat || action === 'clean' || action === 'connect' || !deepEqual(arrangement, start),
  )
}

/** Slots whose module is not seen. */
function slotsMissing(found: readonly Difference[]): string[] {
  const empty = found.filter(({ code }) => code === 'SLOT_EMPTY').flatMap(({ slots }) => slots)
  if (empty.length > 0) return empty
  return found.find(({ code }) => code === 'CHANNEL_GONE')?.slots ?? []
}

/** Modules by slot as the fault finder knows them: `moduleId unit`. */
export function arrangementOf(assignment: Assignment): Arrangement {
  return Object.fromEntries(
    Object.entries(assignment).map(([slot, { moduleId, unit }]) => [slot, `${moduleId} ${unit}`]),
  )
}

/** The way back from `arrangementOf`. */
export function assignmentOf(arrangement: Arrangement): Assignment {
  return Object.fromEntries(
    Object.entries(arrangement).map(([slot, module]) => {
      const [moduleId = '', unit = '0'] = module.split(' ')
      return [slot, { moduleId, unit: Number(unit) }]
    }),
  )
}

/** The most modules, and slots, that suspicion is worked out for. */
const SUSPECTS_AT_MOST = 64

/**
 * Modules known to be good: what ran in the machine before and is not planned to stay, and what lies tested
 * on the shelf for nobody else, of the machine's kind; the machine's own first.
 */
export function knownGood(
  machine: Machine,
  now: Situation,
  planned: Situation,
  shelf: readonly ShopModule[],
  jobId: string,
): Record<string, Module> {
  const kept = new Set(Object.values(arrangementOf(planned.assignment)))
  const own = Object.entries(arrangementOf(now.assignment)).flatMap(([slot, name]) => {
    const module = now.placement[slot]
    return module && !kept.has(name) ? [[name, module] as const] : []
  })
  const shop = shelf.flatMap((piece) => {
    const { id, source, module, testedOn } = piece
    const name = `${id} 0`
    const suits =
      source === 'shelf' &&
      testedOn !== null &&
      !kept.has(name) &&
      isFreeFor(piece, { id: jobId, machines: 1 }) &&
      module.generation === machine.generation &&
      module.formFactor === machine.formFactor
    return suits ? [[name, module] as const] : []
  })
  return Object.fromEntries([...own, ...shop])
}

/** What is suspected after these trials of a machine fitted as planned; null with nothing placed, or too much. */
export function faultSearch(
  machine: Machine,
  { assignment, placement, settings }: Pick<Situation, 'assignment' | 'placement' | 'settings'>,
  trials: readonly Made[],
  causes: CauseTable,
  known: Readonly<Record<string, Module>> = {},
  fitted = true,
): FaultSearch | null {
  const arrangement = arrangementOf(assignment)
  const modules = Object.values(arrangement)
  const order = fillingOrder(machine)
  if (modules.length === 0 || Math.max(modules.length, order.length) > SUSPECTS_AT_MOST) return null
  const sizes = {
    ...Object.fromEntries(
      Object.entries(known).map(([name, { capacityGiB }]) => [name, capacityGiB]),
    ),
    ...Object.fromEntries(
      Object.entries(arrangement).map(([slot, name]) => [name, placement[slot]?.capacityGiB ?? 8]),
    ),
  }
  const bench = {
    order,
    mustFill: machine.slots.filter(({ mustFill }) => mustFill).map(({ id }) => id),
    modules,
    known: Object.keys(known),
    profiles: settings.profile,
    sizes,
    generation: machine.generation,
    registered: Object.values(placement).some((one) => one && isRegistered(one.buffering)),
    channels: machine.channels.length,
  }
  const complaint = { fitted, warm: trials[0]?.onlyWarm ?? null }
  return searchOf(
    suspect(bench, arrangement, settings.profile, causes, complaint),
    trials,
    complaint,
  )
}
