import { known } from '../../things/model'
import type { Made } from './evidence'
import type { CauseTable, FaultCause } from './fault'
import {
  AFTER_FITTING,
  type Complaint,
  type Hypotheses,
  hypotheses,
  normalised,
  placeOfTwo,
} from './hypotheses'
import {
  type Arrangement,
  asDeepAs,
  effectsIn,
  type FaultEffect,
  isWarm,
  keyOfOutcome,
  MISSING_SOME,
  outcomeUnderTest,
  PASS_UNTESTED,
  type Trial,
  type TrialBench,
  type TrialOutcome,
  touches,
} from './trial'

/** How likely each hypothesis is by all that was tried. */
export interface Suspicion extends Hypotheses {
  chances: Float64Array
  /** By fault: how likely what was seen is if it is there, and alone; up to a factor that all share. */
  alone: Float64Array
  /** How it stands now. */
  arrangement: Arrangement
  profile: boolean
}

/** What is suspected before anything is tried, by the table of causes, of a machine that stands like this. */
export const suspect = (
  bench: TrialBench,
  arrangement: Arrangement,
  profile: boolean,
  causes: CauseTable,
  complaint: Complaint = AFTER_FITTING,
): Suspicion => {
  const begun = hypotheses(bench, arrangement, profile, causes, complaint)
  const alone = Float64Array.from(begun.cured, (cured) => 1 - cured)
  return { ...begun, alone, arrangement, profile }
}

/** After a trial and what came of it: exactly Bayes, what the trial puts right first. */
export const observed = (
  suspicion: Suspicion,
  trial: Trial,
  outcome: TrialOutcome,
  unsure = false,
): Suspicion => weighedBy(suspicion, trial, outcome, unsure).after

/** The suspicion after a trial and what came of it, and how likely that was, from 0 to 1. */
export function weighedBy(
  suspicion: Suspicion,
  trial: Trial,
  outcome: TrialOutcome,
  unsure = false,
): { after: Suspicion; chance: number } {
  const chances = puttingRight(suspicion, trial)
  const chance = timesLikely(chances, suspicion, trial, outcome, unsure)
  normalised(chances, chance)
  const alone = aloneAfter(suspicion, trial)
  timesLikely(alone, suspicion, trial, outcome, unsure)
  const most = alone.reduce((greatest, one) => Math.max(greatest, one), 0)
  const { arrangement, profile } = trial
  const after = {
    ...suspicion,
    chances,
    alone: alone.map((one) => one / most),
    arrangement,
    profile,
  }
  return { after, chance }
}

/** A trial with what was suspected before and after it, and how likely its answer was before, from 0 to 1. */
export interface Weighing {
  trial: Made
  from: Suspicion
  after: Suspicion
  chance: number
}

/** Weighs the trials one after the other. */
export function weighings(begun: Suspicion, trials: readonly Made[]): Weighing[] {
  let from = begun
  return trials.map((trial) => {
    const weighing = { trial, from, ...weighedBy(from, trial, trial.outcome, trial.unsure) }
    from = weighing.after
    return weighing
  })
}

/** Of each fault alone: its part that the trial puts right goes over to the one that is. */
function aloneAfter(suspicion: Suspicion, trial: Handling): Float64Array {
  const alone = suspicion.alone.slice()
  for (const { at, share } of curesOf(suspicion, trial)) {
    const moved = (alone[at] as number) * share
    const righted = suspicion.curedAt[at] as number
    alone[at] = (alone[at] as number) - moved
    alone[righted] = (alone[righted] as number) + moved
  }
  return alone
}

/** How answers and hands err. */
export const SLIPS = known(
  {
    /** Seating a module again, or moving it, puts its seat right this often. */
    reseatCures: 0.97,
    /** How often an answer is wrong, and one that was said to be unsure. */
    wrong: 0.03,
    unsure: 0.3,
    /** Distribution of wrong answers; the remainder is spread over slots. */
    noted: { NO_START: 0.3, PASS: 0.3, ERRORS: 0.3 } as Readonly<Record<string, number>>,
    notedSlot: 0.1,
    /** Errors that show on a bare start already, where a test would show them. */
    errorsAtOnce: 0.1,
    /** Several slots gone at once, where one fault takes some away. */
    severalSlots: 0.3,
  },
  'A judgement: a trial is looked at by one person, once, with a screen that says little; about one note in thirty is wrong. Seating again by hand fails now and then as well.',
)
const {
  reseatCures: RESEAT_CURES,
  wrong: ODD,
  unsure: UNSURE,
  noted: ODD_KINDS,
  notedSlot: ODD_SLOT,
  errorsAtOnce: ERRORS_AT_ONCE,
  severalSlots: SEVERAL_SLOTS,
} = SLIPS.value

/** How often a trial puts this fault right, where it was there. */
export function curedBy({ arrangement }: Suspicion, trial: Handling, cause: FaultCause): number {
  switch (cause.kind) {
    case 'SEAT':
      return touches(arrangement, trial, cause.slot) ? RESEAT_CURES : 0
    case 'SETUP':
      return trial.action === 'clear-setup' ? 1 : 0
    case 'TRAINING':
      return trial.action === 'wait' ? 1 : 0
    default:
      return 0
  }
}

/** Faults that a trial puts right, where they are there, and how often. */
function curesOf(suspicion: Suspicion, trial: Handling): { at: number; share: number }[] {
  const cures = Array.from(suspicion.curable, (at) => ({
    at,
    share: curedBy(
      suspicion,
      trial,
      suspicion.causes[suspicion.causeAt[at] as number] as FaultCause,
    ),
  }))
  return cures.filter(({ share }) => share > 0)
}

/** From each hypothesis with a fault to the one without it: put right, or of two the other alone. */
function eachWithout(
  suspicion: Suspicion,
  fault: number,
  move: (from: number, to: number) => void,
): void {
  const { curedAt, doubled, rowAt } = suspicion
  move(fault, curedAt[fault] as number)
  const row = rowAt[fault] as number
  if (row < 0) return
  for (let other = 0; other < doubled.length; other += 1) {
    if (other !== row) move(placeOfTwo(suspicion, row, other), doubled[other] as number)
  }
}

/** The chances once a trial has put right what it does, one fault after the other. */
export function puttingRight(suspicion: Suspicion, trial: Handling): Float64Array {
  const chances = suspicion.chances.slice()
  for (const { at, share } of curesOf(suspicion, trial)) {
    eachWithout(suspicion, at, (from, to) => {
      const moved = (chances[from] as number) * share
      chances[from] = (chances[from] as number) - moved
      chances[to] = (chances[to] as number) + moved
    })
  }
  return chances
}

/**
 * Of how likely something is by each hypothesis after a trial: how likely by each before it put right what it
 * does, in place.
 */
export function beforePuttingRight(
  likely: Float64Array,
  suspicion: Suspicion,
  trial: Handling,
): void {
  for (const { at, share } of curesOf(suspicion, trial).reverse()) {
    eachWithout(suspicion, at, (from, to) => {
      likely[from] = (1 - share) * (likely[from] as number) + share * (likely[to] as number)
    })
  }
}

const missingSlot = (effect: FaultEffect | null | undefined): string | null =>
  effect?.way === 'missing' ? effect.slot : null

/** How likely an answer is where this is what shows; `filled` slots have a module. */
export function likelyAnswer(shown: string, key: string, filled: number, odd = ODD): number {
  const slots = key.startsWith('MISSING ') ? key.split(' ').length - 1 : 0
  const wrong = slots === 0 ? (ODD_KINDS[key] ?? 0) : ODD_SLOT / filled ** Math.min(slots, 3)
  return (1 - odd) * rightly(shown, key, slots, filled) + odd * wrong
}

function rightly(shown: string, key: string, slots: number, filled: number): number {
  if (shown === key) return 1
  if (shown === PASS_UNTESTED) {
    return key === 'PASS' ? 1 - ERRORS_AT_ONCE : key === 'ERRORS' ? ERRORS_AT_ONCE : 0
  }
  if (shown === MISSING_SOME && slots > 0) {
    if (filled === 1) return 1
    return slots > 1 ? SEVERAL_SLOTS : (1 - SEVERAL_SLOTS) / Math.min(filled, 2)
  }
  return 0
}

/** A trial however deep it goes. */
export type Handling = Omit<Trial, 'depth'>

/** By fault, which of the effects it has; 0 is none. */
interface Effects {
  all: (FaultEffect | null)[]
  ofFault: Int32Array
}

/** What each fault does in a trial. */
function effectsOf(suspicion: Suspicion, trial: Trial): Effects {
  const { causes, causeAt, cured, onlyWarm } = suspicion
  const warm = isWarm(trial)
  const { all, ofCause } = effectsOfCauses(suspicion, trial, causes.keys())
  const ofFault = new Int32Array(causeAt.length)
  for (let at = 0; at < ofFault.length; at += 1) {
    if (cured[at] === 1 || (onlyWarm[at] === 1 && !warm)) continue
    ofFault[at] = ofCause[causeAt[at] as number] as number
  }
  return { all, ofFault }
}

/** The effects of these causes, and by cause which of them it has; 0 is none, and whatever was not asked for. */
export function effectsOfCauses(
  { bench, causes }: Suspicion,
  trial: Handling,
  which: Iterable<number>,
): { all: (FaultEffect | null)[]; ofCause: Int32Array } {
  const all: (FaultEffect | null)[] = [null]
  const numbers = new Map<FaultEffect, number>()
  const effectOfCause = effectsIn(bench, trial)
  const ofCause = new Int32Array(causes.length)
  for (const at of which) {
    const effect = effectOfCause(causes[at] as FaultCause)
    if (effect === null) continue
    let number = numbers.get(effect)
    if (number === undefined) {
      number = all.push(effect) - 1
      numbers.set(effect, number)
    }
    ofCause[at] = number
  }
  return { all, ofCause }
}

/** What shows under test, by key, of two effects by their numbers; 0 is none. */
export const shownBy = ({ all }: Pick<Effects, 'all'>, one: number, other: number): string =>
  outcomeUnderTest([all[one] ?? null, all[other] ?? null])

/**
 * Multiplies each place, in place, by how likely an answer is by its hypothesis; what they add up to then. The places
 * of single faults may come without those of two.
 */
export function timesLikely(
  places: Float64Array,
  suspicion: Suspicion,
  trial: Trial,
  outcome: TrialOutcome,
  unsure = false,
): number {
  const { shows, doubled } = suspicion
  const [key, odd] = [keyOfOutcome(outcome), unsure ? UNSURE : ODD]
  const effects = effectsOf(suspicion, trial)
  const filled = Math.max(1, Object.keys(trial.arrangement).length)
  const size = effects.all.length
  const own = new Float64Array(size ** 2)
  const likelyBy = (shown: string) => likelyAnswer(asDeepAs(trial.depth, shown), key, filled, odd)
  // Two slots that are missing are two others but once, and there are many of them.
  const elsewhere = likelyBy(`${MISSING_SOME} somewhere else`)
  const asked = outcome.kind === 'MISSING' ? outcome.slots : []
  for (let one = 0; one < size; one += 1) {
    const first = missingSlot(effects.all[one])
    for (let other = 0; other <= one; other += 1) {
      const second = missingSlot(effects.all[other])
      const others =
        first && second && first !== second && !(asked.includes(first) && asked.includes(second))
      const likely = others ? elsewhere : likelyBy(shownBy(effects, one, other))
      own[one * size + other] = likely
      own[other * size + one] = likely
    }
  }
  const passes = likelyBy('PASS')
  let sum = 0
  for (let at = 0; at < shows.length; at += 1) {
    const often = shows[at] as number
    const shown = own[effects.ofFault[at] as number] as number
    const place = (places[at] as number) * (often * shown + (1 - often) * passes)
    places[at] = place
    sum += place
  }
  if (places.length === shows.length) return sum
  const acting = Int32Array.from(doubled, (at) => effects.ofFault[at] as number)
  let n = shows.length
  for (let row = 0; row < acting.length; row += 1) {
    const from = (acting[row] as number) * size
    for (let column = row + 1; column < acting.length; column += 1, n += 1) {
      const place = (places[n] as number) * (own[from + (acting[column] as number)] as number)
      places[n] = place
      sum += place
    }
  }
  return sum
}

export interface Named {
  /** Parts at fault together, as `partOf` names them. */
  parts: string[]
  chance: number
}

/** Suspected parts and pairs of parts, the likeliest first. */
export function suspects({ chances, blames, named }: Suspicion): Named[] {
  const sums = new Float64Array(named.length)
  for (let n = 0; n < chances.length; n += 1) {
    const at = blames[n] as number
    sums[at] = (sums[at] as number) + (chances[n] as number)
  }
  const spoken: Named[] = []
  named.forEach((parts, at) => {
    const chance = sums[at] as number
    if (chance > LEAST) spoken.push({ parts, chance })
  })
  return spoken.sort((a, b) => b.chance - a.chance)
}

/** How likely a part is at fault, alone or with another. */
export const chanceOfPart = (suspicion: Suspicion, part: string): number =>
  suspects(suspicion).reduce(
    (sum, { parts, chance }) => sum + (parts.includes(part) ? chance : 0),
    0,
  )

/** What is less likely is not spoken of. */
const LEAST = 1e-7
