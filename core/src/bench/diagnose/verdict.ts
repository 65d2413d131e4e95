import { controlsMissing, passesNeeded } from './control'
import { isBad, levelOf, type Made } from './evidence'
import type { Fault } from './fault'
import type { Complaint } from './hypotheses'
import { type Named, type Suspicion, suspects, type Weighing } from './inference'
import { type Explanation, oddsOf, timesNeeded } from './rivals'
import { type Action, middleOfTest, sameArrangement, type Trial } from './trial'

/** Where the search stands: what is suspected, how likely it was after the first symptom, and all that was tried. */
export interface FaultSearch {
  suspicion: Suspicion
  /** What was suspected after the first symptom. */
  began: Suspicion
  /** The first symptom, then the trials. */
  trials: readonly Made[]
  /** The same trials, each with what was suspected before and after it. */
  answers: readonly Weighing[]
  complaint: Complaint
  leading: Leading
}

/** How a search ends. */
export type EndOfTrials =
  /** The parts at fault, proven by their controls. */
  | { state: 'named'; parts: string[]; chance: number }
  /** Put right, with what was done since the symptom was last seen; which of the parts it was is no matter. */
  | { state: 'cured'; parts: string[]; chance: number; done: CureStep[] }
  /** The symptom has not come again. */
  | { state: 'nothing'; cannotExclude: Unseen[] }

export type CureStep = 'reseat' | Action

/** Faults that clean trials leave possible: one that shows in fewer than one of three, and one that shows only when warm. */
export type Unseen = 'RARE' | 'ONLY_WARM'

/** Enough to name a part. */
export const SURE = 0.95

/** Enough to call it put right: a weak module beside the seat may be left, for the test before hand-over to find. */
const SURE_CURED = 0.8

/** A fault that shows so often would have shown in `CLEAN` trials nineteen times in twenty. */
const SELDOM = 0.35
export const CLEAN = Math.ceil(Math.log(0.05) / Math.log(1 - SELDOM))

/** A test that takes longer, minutes, is not asked for to tell whether a start fails only when warm. */
const LONG_TEST = 50

export function verdict(search: FaultSearch): EndOfTrials | null {
  return nothingLeft(search) ?? putRight(search) ?? named(search)
}

/** The explanation that leads: parts blamed, or that it was put right. */
export interface Leading extends Named {
  isCured: boolean
}

const CURABLE: readonly Fault['kind'][] = ['SEAT', 'SETUP', 'TRAINING']

export function leadingOf(suspicion: Suspicion): Leading {
  const { chances, cured, shows } = suspicion
  let chance = 0
  for (let at = 0; at < shows.length; at += 1) {
    if (cured[at] === 1) chance += chances[at] as number
  }
  const all = suspects(suspicion)
  const [first] = all as [Named]
  if (chance < first.chance && !isCurable(first.parts)) return { ...first, isCured: false }
  if (chance < 0.5) return { ...first, isCured: false }
  const curable = all.filter(({ parts }) => parts.length === 1 && isCurable(parts))
  const [likeliest] = curable as [Named]
  const parts = curable
    .filter((one) => one.chance >= likeliest.chance / 50)
    .flatMap((one) => one.parts)
    .sort()
  return { parts, chance, isCured: true }
}

/** Whether something done at the bench puts all of these right: a seat, the setup, the training. */
export const isCurable = (parts: readonly string[]): boolean =>
  parts.every((part) => CURABLE.includes(part.split(' ')[0]?.toUpperCase() as Fault['kind']))

/** What leads, as an explanation to be held against its rivals: cured or not, a curable fault counts to its cure. */
export function explanationOf(
  { causes, causeAt, blames, named, shows }: Suspicion,
  { parts, isCured }: Leading,
): Explanation {
  if (isCured) {
    return (n) =>
      n < shows.length && CURABLE.includes(causes[causeAt[n] as number]?.kind as Fault['kind'])
  }
  const group = named.findIndex((one) => one.join() === parts.join())
  return (n) => blames[n] === group
}

/** Whether a trial leaves the machine as it was brought. */
export const isAsBrought = (
  { trials: [first] }: FaultSearch,
  { arrangement, profile }: Trial,
): boolean =>
  first !== undefined &&
  profile === first.profile &&
  sameArrangement(arrangement, first.arrangement)

/** Whether something was done to the machine for a trial, since the one before it. */
export const touchesIt = (trial: Trial, before: Trial | undefined): boolean =>
  trial.reseat ||
  trial.action !== null ||
  (before !== undefined &&
    (trial.profile !== before.profile || !sameArrangement(trial.arrangement, before.arrangement)))

/** Whether nothing was done yet but to start or test the machine as it stood. */
export const isUntouched = ({ trials }: FaultSearch): boolean =>
  !trials.some((trial, at) => at > 0 && touchesIt(trial, trials[at - 1]))

/** The level at which the complaint shows: a start from cold, a start of the warm machine, a test. */
export function levelOfComplaint({ trials: [first], complaint }: FaultSearch): 0 | 1 | 2 {
  if (!first || first.outcome.kind === 'PASS' || first.outcome.kind === 'ERRORS') return 2
  return complaint.warm ? 1 : 0
}

/** Whether it has still to be seen warm: where nobody knows when the trouble comes, and a test is not too long. */
export function warmthIsOpen({ suspicion: { bench }, trials, complaint }: FaultSearch): boolean {
  const [first, ...since] = trials as [Made, ...Made[]]
  return (
    complaint.warm === null &&
    !since.some((trial) => levelOf(trial) > 0) &&
    middleOfTest(bench, first.arrangement) <= LONG_TEST
  )
}

function nothingLeft(search: FaultSearch): EndOfTrials | null {
  const [, ...since] = search.trials
  if (!isUntouched(search) || since.some((trial) => isBad(trial) || trial.unsure)) return null
  const level = levelOfComplaint(search)
  const clean = since.filter((trial) => levelOf(trial) >= level)
  if (clean.length < CLEAN || warmthIsOpen(search)) return null
  const warmed = since.some((trial) => levelOf(trial) > 0)
  return { state: 'nothing', cannotExclude: warmed ? ['RARE'] : ['RARE', 'ONLY_WARM'] }
}

/** Passes as it was brought, since it was put right; and how the symptom came before. */
function passesSinceCure(search: FaultSearch): {
  clean: number
  needed: number
  done: CureStep[]
} {
  const { trials } = search
  const asBrought = (trial: Made) => isAsBrought(search, trial) && !trial.unsure
  const last = trials.findLastIndex((trial) => asBrought(trial) && isBad(trial))
  const after = trials.slice(last + 1)
  const touch = after.findIndex((trial, at) =>
    touchesIt(trial, at === 0 ? trials[last] : after[at - 1]),
  )
  if (touch < 0) return { clean: 0, needed: Number.POSITIVE_INFINITY, done: [] }
  const bads = trials.filter((trial) => asBrought(trial) && isBad(trial))
  const level = Math.min(...bads.map(levelOf))
  const counts = (trial: Made) => asBrought(trial) && !isBad(trial) && levelOf(trial) >= level
  const quiet = trials.slice(0, last + 1 + touch).filter(counts)
  const clean = after.slice(touch).filter(counts)
  const done = new Set<CureStep>()
  for (const trial of after.slice(touch)) {
    if (trial.reseat || !isAsBrought(search, trial)) done.add('reseat')
    if (trial.action) done.add(trial.action)
  }
  return {
    clean: clean.length,
    needed: passesNeeded(bads.length, quiet.length),
    done: [...done],
  }
}

/** Passes still missing until a machine counts as put right; 0 where nothing was done to it. */
export function curePassesMissing(search: FaultSearch): number {
  const { clean, needed } = passesSinceCure(search)
  return Number.isFinite(needed) ? Math.max(0, needed - clean) : 0
}

function putRight(search: FaultSearch): EndOfTrials | null {
  const { suspicion, began, leading } = search
  if (!leading.isCured || leading.chance < SURE_CURED) return null
  const { clean, needed, done } = passesSinceCure(search)
  if (clean < needed) return null
  if (
    oddsOf(suspicion, began, explanationOf(suspicion, leading), true).times <
    timesNeeded(suspicion.bench, true)
  )
    return null
  return { state: 'cured', parts: leading.parts, chance: leading.chance, done }
}

function named(search: FaultSearch): EndOfTrials | null {
  const { suspicion, began, trials, leading } = search
  const { parts, chance, isCured } = leading
  if (isCured || isCurable(parts) || parts.join() === 'nothing' || chance < SURE) return null
  if (controlsMissing(parts, suspicion.bench, trials).length > 0) return null
  const { times } = oddsOf(suspicion, began, explanationOf(suspicion, leading))
  return times >= timesNeeded(suspicion.bench, false) ? { state: 'named', parts, chance } : null
}
