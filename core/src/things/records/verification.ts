import { z } from 'zod'
import { ACCEPTABLE, ACTIONS, ErrorLog, Tried } from '../model'
import type { Blank, KindOfRecord } from './kind'
import { TwoChanges } from './measurement'
import { OwnId, ShortText, Stored, Versioned } from './stored'

const Amount = z.number().min(0).max(100_000).nullable()

/** What was seen on the set-up screen and in the system; null for what nobody has looked at. */
export const SeenFigures = z.object({
  totalGiB: Amount,
  slots: z.record(z.string().max(40), z.number().min(0).max(65_536)),
  rate: Amount,
  ways: z.int().min(1).max(16).nullable(),
  cl: z.int().min(1).max(200).nullable(),
  memoryClock: Amount,
  controllerClock: Amount,
  fabricClock: Amount,
  eccActive: z.boolean().nullable(),
})

/** Modules by slot in a trial, as `moduleId unit`. */
const Arranged = z.record(z.string().max(40), z.string().max(60))

/** A trial made while a fault was looked for, and what came of it. */
export const TrialMade = z.object({
  id: z.uuid(),
  arrangement: Arranged,
  reseat: z.boolean(),
  profile: z.boolean(),
  depth: z.enum(['start', 'test']),
  action: z.enum(ACTIONS).nullable().default(null),
  /** A start right after a test, the machine not let cool. */
  warm: z.boolean().optional(),
  /** Of the first trial: the trouble comes only when warm, or from cold too; left out where nobody knows. */
  onlyWarm: z.boolean().optional(),
  /** Whoever noted it was not sure. */
  unsure: z.boolean().default(false),
  /** What beeps or lights said, with the board’s manual as their key. */
  code: z.string().max(200).default(''),
  outcome: z.discriminatedUnion('kind', [
    z.object({ kind: z.enum(['NO_START', 'ERRORS', 'PASS']) }),
    z.object({ kind: z.literal('MISSING'), slots: z.array(z.string().max(40)).min(1).max(16) }),
  ]),
  at: z.iso.datetime(),
  by: ShortText,
})
export type TrialMade = z.infer<typeof TrialMade>

/** A stability test: how many passes and errors in how many hours. */
export const StabilityRun = z.object({
  id: z.uuid(),
  test: z.string().trim().min(1, 'Which test?').max(120),
  passes: z.int('Whole passes.').min(0).max(100_000),
  errors: z.int('Whole errors.').min(0).max(1_000_000_000),
  hours: z.number('Hours.').min(0).max(10_000),
  /** What was in the slots then; left out on tests of before it was noted. */
  plan: z.string().max(4000).optional(),
  /** At working temperature: the case closed, warm from load. */
  warm: z.boolean().optional(),
  /** Hottest module under the test, °C, where a sensor says. */
  hottest: z.number('Degrees.').min(0, 'Not below 0.').max(150, 'At most 150.').nullish(),
  /** How much memory the test reached, GiB, where it says. */
  reachedGiB: z.number('GB.').positive('More than 0.').max(65_536).nullish(),
  at: z.iso.datetime(),
  by: ShortText,
})
export type StabilityRun = z.infer<typeof StabilityRun>

/** Settings that were tried while tuning, and what came of it. */
export const TuningRun = Tried.extend({ id: z.uuid(), at: z.iso.datetime(), by: ShortText })
export type TuningRun = z.infer<typeof TuningRun>

/** Hardware errors that the system had logged when somebody looked. */
export const LoggedErrors = ErrorLog.extend({ at: z.iso.datetime(), by: ShortText })
export type LoggedErrors = z.infer<typeof LoggedErrors>

/** A soak plan made shorter than its settings ask for. */
export const ShortenedSoak = z.object({
  passes: z.int('Whole passes.').min(1, 'At least one.').max(100),
  reason: ShortText,
})

/** Values of the setup beside speed and timings that tuning may touch; as the setup spells them. */
export const BESIDES = ['commandRate', 'refreshInterval', 'fabricClock'] as const
const FoundAndSet = z.object({ found: ShortText, set: ShortText })
export const TuneBesides = z.object({
  /** Kind of die on the modules, where somebody knows. */
  die: ShortText,
  commandRate: FoundAndSet,
  refreshInterval: FoundAndSet,
  fabricClock: FoundAndSet,
})
export type TuneBesides = z.infer<typeof TuneBesides>

const fields = {
  seen: SeenFigures,
  trials: z.array(TrialMade).max(200),
  stability: z.array(StabilityRun).max(200),
  tuning: z.array(TuningRun).max(200),
  /** Null while nobody has noted any. */
  besides: TuneBesides.nullable(),
  /** Null where the soak test is as long as it is asked for. */
  soak: ShortenedSoak.nullable(),
  /** The system's error log since the fitting, as often as somebody looked; the last counts. */
  errorLogs: z.array(LoggedErrors).max(50),
  /** What is accepted otherwise than planned, each with its reason. */
  accepted: z.partialRecord(z.enum(ACCEPTABLE), z.string().max(300)),
  /** The two changes that are measured one by one; null while only before and after are. */
  changes: TwoChanges.nullable(),
}

export const VerificationChange = z.object(fields).partial()
export type VerificationChange = z.infer<typeof VerificationChange>
export const VerificationPatch = Versioned.extend(VerificationChange.shape)
export const NewVerification = OwnId.extend({ jobId: z.uuid(), ...VerificationChange.shape })

/** Whether a job’s upgrade works: what was seen, how a fault was looked for, stability. One a job, under its id. */
export const Verification = Stored.extend({ jobId: z.uuid(), ...fields })
export type Verification = z.infer<typeof Verification>

/** A machine nobody has looked at since it was fitted. */
const BLANK: Blank<Verification> = {
  seen: {
    totalGiB: null,
    slots: {},
    rate: null,
    ways: null,
    cl: null,
    memoryClock: null,
    controllerClock: null,
    fabricClock: null,
    eccActive: null,
  },
  trials: [],
  stability: [],
  tuning: [],
  besides: null,
  soak: null,
  errorLogs: [],
  accepted: {},
  changes: null,
}

export const VERIFICATIONS = {
  record: 'verification',
  displayName: 'the verification',
  inJob: 'at-most-one',
  shownIn: [],
  createSchema: NewVerification,
  updateSchema: VerificationPatch,
  stored: Verification,
  blank: BLANK,
  entries: ['seen', 'trials', 'stability', 'tuning', 'errorLogs', 'accepted'],
} as const satisfies KindOfRecord
