import {
  type Cause,
  type CauseTable,
  type Fault,
  partOf,
  SHOWS,
  type Shows,
  WAYS,
  type Way,
} from './fault'
import {
  type Arrangement,
  asDeepAs,
  type Bench,
  type Effect,
  effectOf,
  keyOfOutcome,
  lastFilled,
  MISSING_SOME,
  type Outcome,
  outcomeUnderTest,
  PASS_UNTESTED,
  type Trial,
  touches,
} from './trial'

/** Every single fault, and pairs of those that always show, with how likely each is by all that was tried. */
export interface Suspicion {
  bench: Bench
  faults: Fault[]
  /** What the faults are, however they show; and by fault, which of these it is. */
  causes: Cause[]
  causeAt: Int16Array
  /** By fault: where the same, put right, stands; -1 for one that nothing on the bench puts right. */
  curedAt: Int16Array
  /** By hypothesis: places in `faults`; the second -1 for a single one. */
  pairs: Int16Array
  chances: Float64Array
  /** Where the hypothesis of two faults stands. */
  places: ReadonlyMap<number, number>
  /** By hypothesis: the place in `named` of the parts it blames. */
  blames: Int32Array
  /** Parts blamed together, each once. */
  named: { parts: string[]; faults: Fault[] }[]
  /** How it stands now. */
  arrangement: Arrangement
  profile: boolean
}

/** A seat is home after it was seated anew, this often. */
const RESEAT_CURES = 0.97

/** Beyond so many slots and modules together two faults at once are not worked out: there would be too many. */
const PAIRED_UP_TO = 16

/** Kinds that may come two at once. */
const DOUBLED: readonly Fault['kind'][] = ['MODULE', 'SLOT', 'SEAT', 'PROFILE']

const CURABLE: readonly Fault['kind'][] = ['SEAT', 'SETUP', 'TRAINING']

/** What is suspected before anything is tried, by the table of causes, of a machine that stands like this. */
export function suspect(
  bench: Bench,
  arrangement: Arrangement,
  profile: boolean,
  causes: CauseTable,
): Suspicion {
  const weighted = weightedCauses(bench, arrangement, profile, causes)
  const faults: Fault[] = []
  const weights: number[] = []
  const curedAt: number[] = []
  const causeAt: number[] = []
  const add = (fault: Fault, weight: number, cause: number): number => {
    faults.push(fault)
    causeAt.push(cause)
    weights.push(weight)
    curedAt.push(-1)
    return faults.length - 1
  }
  for (const [which, [cause, weight]] of weighted.entries()) {
    const steady = cause.kind === 'MACHINE' || cause.kind === 'NOTHING'
    for (const shows of steady ? [1 as const] : SHOWS) {
      const share = steady ? 1 : shareOf(shows, causes)
      const at = add({ ...cause, shows, cured: false }, weight * share, which)
      if (CURABLE.includes(cause.kind)) {
        curedAt[at] = add({ ...cause, shows, cured: true }, 0, which)
      }
    }
  }
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const pairs: number[] = []
  const chances: number[] = []
  const places = new Map<number, number>()
  const hypothesis = (first: number, second: number, chance: number) => {
    places.set(keyOf(first, second), chances.length)
    pairs.push(first, second)
    chances.push(chance)
  }
  faults.forEach((_, at) => {
    hypothesis(at, -1, (weights[at] as number) / total)
  })
  if (bench.order.length + bench.modules.length <= PAIRED_UP_TO) {
    const solid = faults.flatMap(({ shows, kind }, at) =>
      shows === 1 && DOUBLED.includes(kind) ? [at] : [],
    )
    solid.forEach((first, n) => {
      for (const second of solid.slice(n + 1)) {
        const both = ((weights[first] as number) * (weights[second] as number)) / total ** 2
        hypothesis(first, second, 2 * both * causes.two)
      }
    })
  }
  return {
    bench,
    faults,
    causes: weighted.map(([cause]) => cause),
    causeAt: Int16Array.from(causeAt),
    curedAt: Int16Array.from(curedAt),
    pairs: Int16Array.from(pairs),
    chances: normalised(Float64Array.from(chances)),
    places,
    ...blamesOf(faults, pairs),
    arrangement,
    profile,
  }
}

const shareOf = (shows: Shows, { intermittent }: CauseTable): number =>
  shows === 1 ? 1 - intermittent : intermittent / (SHOWS.length - 1)

/** A fault that is none, beside all the others together: a first look that was wrong. */
const NOTHING_SHARE = 0.002

function weightedCauses(
  bench: Bench,
  arrangement: Arrangement,
  profile: boolean,
  causes: CauseTable,
): [Cause, number][] {
  const weighted: [Cause, number][] = []
  const add = (cause: keyof typeof WAYS, make: (way: Way) => Cause, part = 1) => {
    for (const [way, share] of Object.entries(WAYS[cause]) as [Way, number][]) {
      if (share > 0) weighted.push([make(way), causes[cause] * share * part])
    }
  }
  const { modules, order } = bench
  for (const module of modules) {
    add('moduleDead', (way) => ({ kind: 'MODULE', module, way }))
    add('moduleWeak', (way) => ({ kind: 'MODULE', module, way }))
  }
  for (const slot of order) add('slot', (way) => ({ kind: 'SLOT', slot, way }))
  for (const slot of Object.keys(arrangement)) add('seat', (way) => ({ kind: 'SEAT', slot, way }))
  modules.forEach((first, at) => {
    for (const second of modules.slice(at + 1)) {
      add('pair', (way) => ({ kind: 'PAIR', modules: [first, second], way }))
    }
  })
  if (profile) add('profile', (way) => ({ kind: 'PROFILE', way }))
  if (order.length > 1) add('order', (way) => ({ kind: 'ORDER', way }))
  const most = Object.keys(arrangement).length
  for (let above = 1; above < most; above += 1) {
    add('limit', (way) => ({ kind: 'LIMIT', above, way }), 1 / (most - 1))
  }
  add('setup', (way) => ({ kind: 'SETUP', way }))
  add('training', (way) => ({ kind: 'TRAINING', way }))
  add('machine', (way) => ({ kind: 'MACHINE', way }))
  const all = weighted.reduce((sum, [, weight]) => sum + weight, 0)
  weighted.push([{ kind: 'NOTHING' }, all * NOTHING_SHARE])
  return weighted
}

/** After a trial and what came of it: exactly Bayes, what the trial puts right first. */
export const observed = (
  suspicion: Suspicion,
  trial: Trial,
  outcome: Outcome,
  unsure = false,
): Suspicion => weighedBy(suspicion, trial, outcome, unsure).after

/** The suspicion after a trial and what came of it, and how likely that was, from 0 to 1. */
export function weighedBy(
  suspicion: Suspicion,
  trial: Trial,
  outcome: Outcome,
  unsure = false,
): { after: Suspicion; chance: number } {
  const right = puttingRight(suspicion, trial)
  const likely = likelihoods(right, trial, keyOfOutcome(outcome), unsure ? UNSURE : ODD)
  const joint = right.chances.map((chance, at) => chance * (likely[at] as number))
  const { arrangement, profile } = trial
  return {
    after: { ...right, chances: normalised(joint), arrangement, profile },
    chance: sumOf(joint),
  }
}

/** How often a trial puts this fault right, where it was there. */
function curedBy({ arrangement }: Suspicion, trial: Handling, cause: Cause): number {
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

/** Moves what a trial puts right over to the hypotheses of faults that were put right. */
export function puttingRight(suspicion: Suspicion, trial: Trial): Suspicion {
  const { faults, curedAt, pairs, places } = suspicion
  const cures = faults.map((fault) => (fault.cured ? 0 : curedBy(suspicion, trial, fault)))
  if (cures.every((one) => one === 0)) return suspicion
  const chances = suspicion.chances.slice()
  const move = (from: number, to: number, share: number) => {
    const moved = (chances[from] as number) * share
    chances[from] = (chances[from] as number) - moved
    chances[to] = (chances[to] as number) + moved
  }
  // Of two faults the first is put right, then the second, of what became of the first as of the rest.
  for (const which of [0, 1]) {
    for (let n = 0; n < chances.length; n += 1) {
      const at = pairs[2 * n + which] as number
      if (at < 0 || cures[at] === 0) continue
      const other = pairs[2 * n + 1 - which] as number
      const to = places.get(keyOf(curedAt[at] as number, other))
      if (to !== undefined) move(n, to, cures[at] as number)
    }
  }
  return { ...suspicion, chances }
}

/** One number for two places, in whichever order. */
const keyOf = (a: number, b: number): number =>
  b < 0 ? a : a < b ? (a + 1) * 100_000 + b : (b + 1) * 100_000 + a

const sumOf = (chances: Float64Array): number => chances.reduce((all, one) => all + one, 0)

function normalised(chances: Float64Array): Float64Array {
  const sum = sumOf(chances)
  // What was seen is impossible by every hypothesis only where rounding has eaten them all.
  return sum > 0 ? chances.map((one) => one / sum) : chances.fill(1 / chances.length)
}

/** How often an answer is wrong, and how often one that was said to be unsure. */
const ODD = 0.03
const UNSURE = 0.3
/** What is noted then, by how often; the rest is some slot or other. */
const ODD_KINDS: Readonly<Record<string, number>> = { NO_START: 0.3, PASS: 0.3, ERRORS: 0.3 }
const ODD_SLOT = 0.1
/** Errors on a bare start, where a test would show them. */
const ERRORS_AT_ONCE = 0.1
/** Several slots at once, where one fault takes some away. */
const SEVERAL_SLOTS = 0.3

/** How likely an answer is where this is what shows; `filled` slots have a module. */
function likelihood(shown: string, key: string, odd: number, filled: number): number {
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

/** By fault, which of the effects it has; those of two faults stand at the place of both. */
interface Effects {
  all: (Effect | null)[]
  ofFault: Int32Array
}

/** What each fault does in a trial; with `putRight`, what the trial puts right does nothing. */
function effectsOf(suspicion: Suspicion, trial: Handling, putRight: boolean): Effects {
  const { bench, faults, causes, causeAt } = suspicion
  const all: (Effect | null)[] = [null]
  const numbers = new Map<string, number>()
  const ofCause = causes.map((cause) => {
    const right = putRight && curedBy(suspicion, trial, cause) > 0
    const effect = right ? null : effectOf(bench, trial, cause)
    if (effect === null) return 0
    const key = effect.way === 'missing' ? `missing ${effect.slot}` : effect.way
    const known = numbers.get(key)
    if (known !== undefined) return known
    numbers.set(key, all.length)
    all.push(effect)
    return all.length - 1
  })
  const ofFault = new Int32Array(faults.length)
  for (let at = 0; at < faults.length; at += 1) {
    ofFault[at] = faults[at]?.cured ? 0 : (ofCause[causeAt[at] as number] as number)
  }
  return { all, ofFault }
}

/** The place of the effects of one or two faults; where it is 0 nothing shows. */
function placeOf({ all, ofFault }: Effects, first: number, second: number): number {
  const a = ofFault[first] as number
  const b = second < 0 ? 0 : (ofFault[second] as number)
  return a < b ? a * all.length + b : b * all.length + a
}

/** What shows under test at a place, by key. */
const shownAt = ({ all }: Effects, place: number): string =>
  outcomeUnderTest([all[Math.floor(place / all.length)] ?? null, all[place % all.length] ?? null])

/** How likely an answer is by each hypothesis. */
function likelihoods(suspicion: Suspicion, trial: Trial, key: string, odd: number): Float64Array {
  const { faults, pairs, chances } = suspicion
  const effects = effectsOf(suspicion, trial, false)
  const filled = Math.max(1, Object.keys(trial.arrangement).length)
  const own = Float64Array.from({ length: effects.all.length ** 2 }, (_, place) =>
    likelihood(asDeepAs(trial.depth, shownAt(effects, place)), key, odd, filled),
  )
  const passes = likelihood('PASS', key, odd, filled)
  return chances.map((_, n) => {
    const first = pairs[2 * n] as number
    const often = (faults[first] as Fault).shows
    const shown = own[placeOf(effects, first, pairs[2 * n + 1] as number)] as number
    return often * shown + (1 - often) * passes
  })
}

/** Hypotheses less likely than this do not count when trials are ranked. */
const NEGLIGIBLE = 1e-5

/** The hypotheses that count when trials are ranked. */
export function activeOf({ chances }: Suspicion): Int32Array {
  const active = new Int32Array(chances.length)
  let count = 0
  for (let n = 0; n < chances.length; n += 1) {
    if ((chances[n] as number) >= NEGLIGIBLE) active[count++] = n
  }
  return active.subarray(0, count)
}

/** Of what would show under test: how likely it is, and how unsure of itself, bits. */
interface Weighed {
  shown: Map<string, { chance: number; unsure: number }>
  /** How likely a fault is there that does not show this time. */
  passes: number
}

/** Weighs a trial however deep it goes; what it puts right is taken as right, an update is exact. */
export function weigh(
  suspicion: Suspicion,
  trial: Handling,
  active: Int32Array = activeOf(suspicion),
): Weighed {
  const { faults, pairs, chances } = suspicion
  const effects = effectsOf(suspicion, trial, true)
  const chanceAt = new Float64Array(effects.all.length ** 2)
  const unsureAt = new Float64Array(chanceAt.length)
  let passes = 0
  for (let at = 0; at < active.length; at += 1) {
    const n = active[at] as number
    const first = pairs[2 * n] as number
    const place = placeOf(effects, first, pairs[2 * n + 1] as number)
    const chance = chances[n] as number
    const often = (faults[first] as Fault).shows
    chanceAt[place] = (chanceAt[place] as number) + chance * often
    if (often === 1) continue
    passes += chance * (1 - often)
    unsureAt[place] = (unsureAt[place] as number) + chance * entropy(often)
  }
  const shown: Weighed['shown'] = new Map()
  for (let place = 0; place < chanceAt.length; place += 1) {
    if (chanceAt[place] === 0) continue
    const key = shownAt(effects, place)
    const { chance, unsure } = shown.get(key) ?? { chance: 0, unsure: 0 }
    shown.set(key, {
      chance: chance + (chanceAt[place] as number),
      unsure: unsure + (unsureAt[place] as number),
    })
  }
  return { shown, passes }
}

/**
 * How likely each outcome of a trial is, by key, wrong answers apart, and how much it is expected to
 * tell, bits: how unsure its outcome is, less what is chance by each hypothesis itself.
 */
export function expectationOf(
  suspicion: Suspicion,
  trial: Trial,
  { shown, passes }: Weighed = weigh(suspicion, trial),
): { chances: Map<string, number>; bits: number } {
  const chances = new Map<string, number>()
  const add = (key: string, chance: number) => {
    if (chance > 0) chances.set(key, (chances.get(key) ?? 0) + chance)
  }
  add('PASS', passes)
  let bits = 0
  for (const [key, { chance, unsure }] of shown) {
    if (key !== 'PASS') bits -= unsure
    add(asNoted(suspicion, trial, asDeepAs(trial.depth, key)), chance)
  }
  for (const chance of chances.values()) bits -= chance * Math.log2(chance)
  return { chances, bits: Math.max(0, bits) }
}

/** What would be noted: of a start without some slot, without the last. */
function asNoted({ bench }: Suspicion, { arrangement }: Trial, shown: string): string {
  if (shown === PASS_UNTESTED) return 'PASS'
  return shown === MISSING_SOME ? `${MISSING_SOME} ${lastFilled(bench, arrangement)}` : shown
}

const entropy = (chance: number): number =>
  -chance * Math.log2(chance) - (1 - chance) * Math.log2(1 - chance)

export interface Named {
  /** Parts at fault together, as `partOf` names them. */
  parts: string[]
  faults: Fault[]
  chance: number
}

/** What is suspected, part by part or pair of parts, the likeliest first; of those hypotheses that are asked for. */
export function suspects(
  { chances, blames, named, pairs, faults }: Suspicion,
  which: 'all' | 'intermittent' = 'all',
): Named[] {
  const sums = new Float64Array(named.length)
  for (let n = 0; n < chances.length; n += 1) {
    if (which === 'intermittent' && (faults[pairs[2 * n] as number] as Fault).shows === 1) continue
    const at = blames[n] as number
    sums[at] = (sums[at] as number) + (chances[n] as number)
  }
  return named
    .map((one, at) => ({ ...one, chance: sums[at] as number }))
    .filter(({ chance }) => chance > 1e-9)
    .sort((a, b) => b.chance - a.chance)
}

function blamesOf(
  faults: readonly Fault[],
  pairs: readonly number[],
): Pick<Suspicion, 'blames' | 'named'> {
  const named: Suspicion['named'] = []
  const places = new Map<number, number>()
  const blames = new Int32Array(pairs.length / 2)
  const parts = faults.map(partOf)
  const numbers = new Map([...new Set(parts)].sort().map((part, at) => [part, at]))
  const numberOf = parts.map((part) => numbers.get(part) as number)
  for (let n = 0; n < blames.length; n += 1) {
    const [a, b] = [pairs[2 * n] as number, pairs[2 * n + 1] as number]
    const alone = b < 0 || numberOf[a] === numberOf[b]
    const key = keyOf(numberOf[a] as number, alone ? -1 : (numberOf[b] as number))
    const known = places.get(key) ?? named.length
    if (known === named.length) {
      places.set(key, known)
      const own = b < 0 ? [a] : [a, b]
      const blamed = [...new Set(own.map((at) => parts[at] as string))].sort()
      named.push({ parts: blamed, faults: own.map((at) => faults[at] as Fault) })
    }
    blames[n] = known
  }
  return { blames, named }
}
