import { known } from '../../things/model'
import { controlsMissing } from './control'
import { isBad, isUnseen, levelOf, type Made } from './evidence'
import { type Active, activeOf, type Expectation, expectationOf } from './expectation'
import { handlingsFrom, isWarmNow } from './handlings'
import { type Named, observed, type Suspicion, suspects } from './inference'
import { oddsOf, timesNeeded } from './rivals'
import { isWarm, minutesOfTrial, outcomeOfKey, type Trial, type TrialOutcome } from './trial'
import {
  curePassesMissing,
  explanationOf,
  type FaultSearch,
  isCurable,
  isUntouched,
  type Leading,
  levelOfComplaint,
  touchesIt,
  warmthIsOpen,
} from './verdict'

/** A trial worth making. */
export interface Proposal {
  trial: Trial
  /** Expected minutes: a trial without a start is waited for and not tested. */
  minutes: number
  /** Expected information, bits. */
  bits: number
  why: Why
}

/** Reason of a trial, in one word. */
export type Why =
  /** The symptom is to be seen twice before anything is touched. */
  | 'SEE_AGAIN'
  /** It puts right what is likeliest. */
  | 'CURE'
  /** It tells parts apart. */
  | 'TELL_APART'
  /** It is a control that is missing before the likeliest part may be named. */
  | 'CONTROL'
  /** It has to pass as it was brought, before it counts as put right. */
  | 'STAYS_CURED'

/** What an outcome of a trial would mean: how likely it is, and what would be suspected then. */
export interface Meaning {
  outcome: TrialOutcome
  chance: number
  suspect: Named
}

/** Values, in bits, that rank trials beside their information. */
export const TRIAL_WORTH = known(
  {
    /** A control that is still missing, for the part that leads. */
    control: 0.6,
    /** A fault put right. */
    cure: { fitted: 2.5, later: 0.3 },
  },
  'A judgement: right after a fitting the aim is a machine that works, and which seat it was is no matter; later a name is owed before a part is replaced.',
)
const WORTH = TRIAL_WORTH.value
/** Controls count in full once a part is this likely, and from this likelihood on. */
const LEADS = { fully: 0.9, from: 0.5 }
/** Trials that tell less are not worth their minutes. */
const LEAST_BITS = 0.005
/** Minutes at the hands beside the trial itself: to go to the bench, look and note. */
const ATTENTION = 2

/** Trials worth making from here, the best for its minutes first. */
export function proposals(search: FaultSearch, most = 4): Proposal[] {
  const { trials } = search
  const early = isUntouched(search) && !isSeenTwice(search)
  const score = scorer(search)
  const possible = early ? repeatsOf(search) : handlingsFrom(search)
  const scored = possible
    .filter((trial) => early || tells(trial, trials))
    .map((trial) => score(trial))
  const useful = early
    ? scored
    : scored.filter(({ gain }) => gain > LEAST_BITS).sort((a, b) => b.worth - a.worth)
  const kept = early ? useful : withFewRestarts(useful, search)
  return kept.slice(0, most).map(({ trial, minutes, bits, why }) => ({
    trial,
    minutes,
    bits,
    why: early ? 'SEE_AGAIN' : why,
  }))
}

interface Scored extends Proposal {
  /** Value in bits. */
  gain: number
  /** Value in bits a minute. */
  worth: number
}

/** Scores trials from where the search stands. */
function scorer(search: FaultSearch): (trial: Trial) => Scored {
  const { suspicion, trials, complaint, began, leading } = search
  const { bench, arrangement, profile } = suspicion
  // Of what a cure puts right there is no other control.
  const isHeld = leading.isCured || !isCurable(leading.parts)
  const share = (leading.chance - LEADS.from) / (LEADS.fully - LEADS.from)
  const weight = isHeld ? Math.min(1, Math.max(0, share)) : 0
  const { rival, times } = oddsOf(
    suspicion,
    began,
    explanationOf(suspicion, leading),
    leading.isCured,
  )
  const active = activeOf(suspicion, rival)
  const group = groupOf(leading, suspicion, active)
  const enough = timesNeeded(bench, leading.isCured)
  const missing = weight > 0 ? missingFor(leading, search, trials) : 0
  const cure = complaint.fitted ? WORTH.cure.fitted : WORTH.cure.later
  return (trial) => {
    const expected = expectationOf(suspicion, trial, active)
    const starts = 1 - (expected.chances.get('NO_START') ?? 0)
    const minutes = minutesOfTrial(bench, arrangement, profile, trial, starts)
    const evidence =
      weight > 0 && times < enough && group >= 0 && rival >= 0
        ? Math.min(Math.max(1, Math.log2(enough / times)), expected.evidence(group, rival))
        : 0
    const nearer =
      weight > 0 && missing > 0 ? missing - missingAfter(leading, search, trial, expected) : 0
    const control = weight * (evidence + WORTH.control * Math.max(0, nearer))
    const cures = leading.isCured ? 0 : cure * expected.cures
    const gain = expected.bits + cures + control
    const why =
      control > Math.max(expected.bits, cures)
        ? leading.isCured
          ? 'STAYS_CURED'
          : 'CONTROL'
        : cures > expected.bits
          ? 'CURE'
          : 'TELL_APART'
    return { trial, minutes, bits: expected.bits, why, gain, worth: gain / (minutes + ATTENTION) }
  }
}

/** Place of what leads among the active groups; -1 where it is in none. */
function groupOf({ parts, isCured }: Leading, { named }: Suspicion, { groups }: Active): number {
  if (isCured) return 0
  return groups.findIndex((at) => at >= 0 && named[at]?.join() === parts.join())
}

/** How many controls are missing for what leads. */
function missingFor(leading: Leading, search: FaultSearch, trials: readonly Made[]): number {
  if (leading.isCured) return curePassesMissing({ ...search, trials })
  return controlsMissing(leading.parts, search.suspicion.bench, trials).length
}

/** How many would be missing after a trial, averaged over its likelier outcomes. */
function missingAfter(
  leading: Leading,
  search: FaultSearch,
  trial: Trial,
  { chances }: Expectation,
): number {
  let [sum, all] = [0, 0]
  for (const [key, chance] of chances) {
    if (chance < SPOKEN) continue
    const made = [...search.trials, { ...trial, outcome: outcomeOfKey(key) }]
    sum += chance * missingFor(leading, search, made)
    all += chance
  }
  return all > 0 ? sum / all : 0
}

/** Outcomes likely enough to be spoken of. */
const SPOKEN = 0.02

/** What each outcome that is likely enough would mean, the likeliest first. */
export function meanings(suspicion: Suspicion, trial: Trial): Meaning[] {
  return [...expectationOf(suspicion, trial).chances]
    .filter(([, chance]) => chance >= SPOKEN)
    .sort((a, b) => b[1] - a[1])
    .map(([key, chance]) => {
      const outcome = outcomeOfKey(key)
      const [first] = suspects(observed(suspicion, trial, outcome))
      return { outcome, chance, suspect: first as Named }
    })
}

/** Whether the symptom was seen twice as the machine was brought. */
function isSeenTwice({ trials }: FaultSearch): boolean {
  return trials.filter(isBad).length >= 2
}

/** Starts without anything wrong after which it is tested. */
const STARTS_UNSEEN = 3

/** The machine as it stands, once more: a start from cold, a start right after a test, or a test. */
function repeatsOf(search: FaultSearch): Trial[] {
  const { trials } = search
  const [first, ...since] = trials as [Made, ...Made[]]
  const again = {
    arrangement: first.arrangement,
    reseat: false,
    profile: first.profile,
    action: null,
  }
  const start: Trial = { ...again, depth: 'start' }
  const test: Trial = { ...again, depth: 'test' }
  const warmStart: Trial = { ...start, warm: true }
  if (isUnseen(trials)) {
    return trials.filter(({ depth }) => depth === 'start').length < STARTS_UNSEEN
      ? [start, test]
      : [test]
  }
  const level = levelOfComplaint(search)
  if (level === 2) return [test]
  if (level === 1) return isWarmNow(trials) ? [warmStart, test] : [test]
  const colds = since.filter((trial) => !isWarm(trial)).length
  if (colds >= STARTS_UNSEEN && warmthIsOpen(search)) return [test, start]
  // One start of the warm machine is enough for whoever does not know.
  return trials.at(-1)?.depth === 'test' && isWarmNow(trials) ? [warmStart, start] : [start, test]
}

/** A bare start tells nothing of what shows only under test. */
const tells = (trial: Trial, trials: readonly Made[]): boolean =>
  trial.depth === 'test' || trials.some((one) => isBad(one) && levelOf(one) < 2)

/** Plain restarts are at most a third of the trials of a fault that shows each time. */
function withFewRestarts(scored: Scored[], search: FaultSearch): Scored[] {
  const { trials, leading } = search
  const plain = (trial: Trial, before: Trial | undefined) =>
    before !== undefined && !touchesIt(trial, before) && trial.depth === before.depth
  const restarts = trials.filter((trial, at) => at > 0 && plain(trial, trials[at - 1])).length
  if (leading.isCured || comesAndGoes(trials)) return scored
  if (3 * (restarts + 1) <= trials.length) return scored
  const others = scored.filter(({ trial }) => !plain(trial, trials.at(-1)))
  return others.length > 0 ? others : scored
}

/** Whether the same trial came out both ways. */
export const comesAndGoes = (trials: readonly Made[]): boolean =>
  trials.some(
    (one, at) =>
      isBad(one) &&
      trials
        .slice(at + 1)
        .some((other) => !isBad(other) && !touchesIt(other, one) && levelOf(other) >= levelOf(one)),
  )
