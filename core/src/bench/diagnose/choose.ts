import { deepEqual } from '../../things/model'
import { controlsMissing, passesSaved } from './control'
import { isUnseen, type Made, showsUnderTestOnly } from './evidence'
import { activeOf, expectationOf, weighTrial } from './expectation'
import { type Handling, type Named, observed, type Suspicion, suspects } from './inference'
import {
  ACTIONS,
  type Action,
  type Arrangement,
  minutesApart,
  outcomeOfKey,
  type Trial,
  type TrialBench,
  type TrialOutcome,
} from './trial'

/** A trial worth making. */
export interface Proposal {
  trial: Trial
  /** As it is likely to take: what does not start is not tested. */
  minutes: number
  /** Expected information, bits. */
  bits: number
}

/** What an outcome of a trial would mean: how likely it is, and what would be suspected then. */
export interface Meaning {
  outcome: TrialOutcome
  chance: number
  suspect: Named
}

/** Enough to name a part; and how sure it must be among faults that come and go, where one may be at work. */
export const SURE = 0.95
const SURE_AMONG = 0.83
const MAY_COME_AND_GO = 0.01

/** The part the evidence points to, whether its control was made or not; null while it is not sure enough. */
function pointedTo(suspicion: Suspicion): Named | null {
  const all = suspects(suspicion)
  const some = suspects(suspicion, 'intermittent')
  const may = some.reduce((sum, { chance }) => sum + chance, 0)
  const sure = (parts: readonly string[], chance: number) => {
    if (chance < SURE) return false
    if (may < MAY_COME_AND_GO) return true
    const named = some.filter((one) => one.parts.every((part) => parts.includes(part)))
    return named.reduce((sum, one) => sum + one.chance, 0) >= SURE_AMONG * may
  }
  const [first] = all
  if (first && sure(first.parts, first.chance)) return first
  // Where seating again has put it right, which seat it was is no matter: all that may have been are named.
  const seats = all.filter(({ parts }) => parts.every((part) => part.startsWith('seat ')))
  const chance = seats.reduce((sum, one) => sum + one.chance, 0)
  const likely = seats.filter((one) => one.chance >= chance / 50)
  const parts = [...new Set(likely.flatMap((one) => one.parts))].sort()
  if (
    likely.length < 2 ||
    !sure(
      parts,
      likely.reduce((sum, one) => sum + one.chance, 0),
    )
  )
    return null
  return { parts, chance }
}

/** The part to name once it is sure enough and its control was made; null while more has to be tried. */
export function verdict(suspicion: Suspicion, trials: readonly Made[]): Named | null {
  const named = pointedTo(suspicion)
  if (!named) return null
  const missing = named.parts.map((part) => controlsMissing(part, suspicion.bench, trials))
  const seats = named.parts.every((part) => part.startsWith('seat '))
  const proven = seats
    ? missing.some((own) => own.length === 0)
    : missing.every((own) => own.length === 0)
  return proven ? named : null
}

/** What a step towards the control of the likeliest part is worth, bits. */
const CONTROL_BITS = 0.6
/** Controls are worked towards once a part is this likely. */
const LIKELY = 0.9
/** Trials that tell less are not worth their minutes. */
const LEAST_BITS = 0.005

/** Trials worth considering from here, what tells most for its minutes first. */
export function proposals(suspicion: Suspicion, trials: readonly Made[], most = 4): Proposal[] {
  const { bench, arrangement, profile } = suspicion
  const active = activeOf(suspicion)
  const all = suspects(suspicion)
  const [first] = all
  const part = first && first.chance >= LIKELY ? first.parts[0] : undefined
  const missing = part ? controlsMissing(part, bench, trials).length : 0
  const repeating = passesSaved(trials) + curesReady(all, trials)
  const depths = depthsThatTell(trials)
  const possible = handlingsFrom(suspicion, trials).flatMap((handling) => {
    const weighed = weighTrial(suspicion, handling, active)
    return depths.map((depth) => ({ trial: { ...handling, depth }, weighed }))
  })
  const scored = possible
    .filter(({ trial }) => !wornOut(trial, trials))
    .map(({ trial, weighed }) => {
      const { chances, bits } = expectationOf(suspicion, trial, weighed)
      const { start, test } = minutesApart(bench, arrangement, profile, trial)
      const minutes = start + (1 - (chances.get('NO_START') ?? 0)) * test
      const nearer = part && missing > 0 ? missing - left(part, bench, trials, trial, chances) : 0
      const saved = trial.depth === 'start' && repeats(trial, suspicion) ? repeating : 0
      const controls = Math.max(0, nearer, saved)
      return { trial, minutes, bits, worth: (bits + CONTROL_BITS * controls) / minutes }
    })
  return scored
    .filter(({ bits, worth, minutes }) => bits > LEAST_BITS || worth * minutes > LEAST_BITS)
    .sort((a, b) => b.worth - a.worth)
    .slice(0, most)
    .map(({ trial, minutes, bits }) => ({ trial, minutes, bits }))
}

/** The same trial so often in a row tells nothing new. */
const WORN_OUT = 8

function wornOut(trial: Trial, trials: readonly Made[]): boolean {
  const last = trials.slice(-WORN_OUT)
  return (
    last.length === WORN_OUT &&
    last.every((one) => one.depth === trial.depth && one.action === null && repeats(trial, one))
  )
}

/** How many controls would be missing after a trial with its likeliest outcome. */
function left(
  part: string,
  bench: TrialBench,
  trials: readonly Made[],
  trial: Trial,
  chances: ReadonlyMap<string, number>,
): number {
  const [key] = [...chances].reduce((best, one) => (one[1] > best[1] ? one : best))
  const outcome = outcomeOfKey(key)
  return controlsMissing(part, bench, [...trials, { ...trial, outcome }]).length
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

/** Starts without anything wrong after which it is tested. */
const STARTS_UNSEEN = 3

/** A bare start tells nothing of what shows only under test, nor more once it has gone well often enough. */
function depthsThatTell(made: readonly Made[]): Trial['depth'][] {
  const startsWell =
    isUnseen(made) && made.filter(({ depth }) => depth === 'start').length >= STARTS_UNSEEN
  return startsWell || showsUnderTestOnly(made) ? ['test'] : ['start', 'test']
}

/**
 * What a technician could try next, started or tested: once more, seat again, an action, turn round, fewer
 * modules, one alone, one known to be good, other slots, profile off.
 */
function handlingsFrom(suspicion: Suspicion, made: readonly Made[]): Handling[] {
  const { bench, arrangement, profile } = suspicion
  const { order, modules, known } = bench
  const [first] = made
  // A seat that is seated again is put right, and what was wrong could never be shown.
  if (first && isUnseen(made)) {
    return [{ arrangement: first.arrangement, reseat: false, profile: first.profile, action: null }]
  }
  const handlings: Handling[] = []
  const seen = new Set<string>()
  const add = (
    next: Arrangement,
    { reseat = false, to = profile, action = null as Action | null } = {},
  ) => {
    if (Object.keys(next).length === 0 || !allowed(bench, next)) return
    const slots = order.map((slot) => next[slot] ?? '')
    const key = JSON.stringify([slots, reseat, to, action])
    if (seen.has(key)) return
    seen.add(key)
    handlings.push({ arrangement: next, reseat, profile: to, action })
  }
  const filled = order.filter((slot) => arrangement[slot] !== undefined)
  const held = filled.map((slot) => arrangement[slot] as string)
  const spread = (some: readonly string[]): Arrangement =>
    Object.fromEntries(some.map((module, at) => [order[at] as string, module]))

  const done = new Set(made.map(({ action }) => action))
  add(arrangement)
  add(arrangement, { reseat: true })
  for (const action of ACTIONS) {
    if (!done.has(action) && (isSettled(made) || !CURES.includes(action))) {
      add(arrangement, { action })
    }
  }
  if (bench.profiles) {
    add(arrangement, { to: !profile })
    add(arrangement, { reseat: true, to: !profile })
  }
  if (modules.length <= order.length) add(spread(modules))
  // Each module one slot on: the fault goes with the module or stays with the slot.
  if (held.length > 1) {
    add(
      Object.fromEntries(filled.map((slot, at) => [slot, held[(at + 1) % held.length] as string])),
    )
  }
  // Halves, by each bit of a module's number.
  for (let bit = 1; bit < modules.length; bit *= 2) {
    add(spread(modules.filter((_, at) => (at & bit) === 0)))
    add(spread(modules.filter((_, at) => (at & bit) !== 0)))
  }
  // And in place, the others out.
  for (let bit = 1; bit < filled.length; bit *= 2) {
    for (const half of [0, bit]) {
      const kept = filled.filter((_, at) => (at & bit) === half)
      add(Object.fromEntries(kept.map((slot) => [slot, arrangement[slot] as string])))
    }
  }
  const byCause = chanceByCause(suspicion)
  const likely = likeliest(suspicion, byCause, 'module', modules)
  const likelySlots = likeliest(suspicion, byCause, 'slot', order)
  for (const module of [...known.slice(0, KNOWN_TRIED), ...likely]) {
    for (const slot of likelySlots) {
      add({ [slot]: module })
      if (profile) add({ [slot]: module }, { to: false })
    }
  }
  const [good] = known
  for (const module of likely) {
    const others = modules.filter((one) => one !== module)
    add(spread(others))
    const slot = filled.find((one) => arrangement[one] === module)
    if (slot === undefined) continue
    const { [slot]: _, ...rest } = arrangement
    add(rest)
    if (good && !held.includes(good)) add({ ...rest, [slot]: good })
  }
  if (profile) {
    for (const one of handlings.slice()) add(one.arrangement, { to: false, action: one.action })
  }
  return handlings
}

/** Of many modules, or slots, these are tried by themselves: the likeliest, by what is suspected. */
const TRIED_ALONE = 4

/** How likely each cause is there, alone or with another. */
function chanceByCause({ causes, causeAt, pairs, chances }: Suspicion): Float64Array {
  const byCause = new Float64Array(causes.length)
  for (let n = 0; n < pairs.length; n += 1) {
    const at = pairs[n] as number
    if (at < 0) continue
    const cause = causeAt[at] as number
    byCause[cause] = (byCause[cause] as number) + (chances[n >> 1] as number)
  }
  return byCause
}

function likeliest(
  { causes }: Suspicion,
  byCause: Float64Array,
  kind: 'module' | 'slot',
  names: readonly string[],
): readonly string[] {
  if (names.length <= TRIED_ALONE) return names
  const sums = new Map<string, number>(names.map((name) => [name, 0]))
  causes.forEach((cause, at) => {
    const name = kind in cause ? (cause as unknown as Record<string, string>)[kind] : undefined
    if (name !== undefined) sums.set(name, (sums.get(name) ?? 0) + (byCause[at] as number))
  })
  // Beside the likeliest the one that is least likely to be at fault, to compare with.
  const ranked = [...names].sort((a, b) => (sums.get(b) ?? 0) - (sums.get(a) ?? 0))
  return [...ranked.slice(0, TRIED_ALONE - 1), ranked.at(-1) as string]
}

/** What they put right cannot be had back, so that nothing could be shown of it afterwards. */
const CURES: readonly Action[] = ['clear-setup', 'wait']

/** What seeing the symptom once more makes ready: how likely something is that a cure not tried yet puts right. */
function curesReady(all: readonly Named[], made: readonly Made[]): number {
  if (isSettled(made)) return 0
  const open = CURES.filter((action) => !made.some((trial) => trial.action === action))
  const cured = open.map((action) => (action === 'wait' ? 'training' : 'setup'))
  return all
    .filter(({ parts }) => cured.some((part) => parts.join() === part))
    .reduce((sum, { chance }) => sum + chance, 0)
}

/** After so many different trials that all went wrong it needs no repeating. */
const ALL_BAD = 3

/** Whether the symptom was seen twice as it stands; one that shows only under test once, since that takes long. */
function isSettled(made: readonly Made[]): boolean {
  const [last, before] = [made.at(-1), made.at(-2)]
  const bad = (trial: Made | undefined) => trial !== undefined && trial.outcome.kind !== 'PASS'
  const different = made.filter((trial, at) => !repeats(trial, made[at - 1]))
  if (different.length > ALL_BAD && made.every(bad)) return true
  if (!last || !bad(last)) return false
  if (last.outcome.kind === 'ERRORS') return true
  return bad(before) && repeats(last, before)
}

/** Whether nothing was done but to start, or to test, once more. */
const repeats = (trial: Trial, before: Pick<Trial, 'arrangement' | 'profile'> | undefined) =>
  before !== undefined &&
  !trial.reseat &&
  trial.action === null &&
  trial.profile === before.profile &&
  deepEqual(trial.arrangement, before.arrangement)

/** Of several modules known to be good this many are tried. */
const KNOWN_TRIED = 2

function allowed({ mustFill }: TrialBench, arrangement: Arrangement): boolean {
  return mustFill.every((slot) => arrangement[slot] !== undefined)
}
