import { type CauseTable, type Fault, partOf, WAYS, type Way } from './fault'
import {
  type Arrangement,
  type Bench,
  type Effect,
  effectOf,
  keyOfOutcome,
  type Outcome,
  outcomeOf,
  type Trial,
} from './trial'

/** Every single fault and pair of faults, with how likely each is by all that was tried. */
export interface Suspicion {
  bench: Bench
  faults: Fault[]
  /** By hypothesis: places in `faults`; the second -1 for a single one. */
  pairs: Int16Array
  chances: Float64Array
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

/**
 * What is suspected before anything is tried, by the table of causes: whatever would show as the machine
 * stands, since it is in trouble. What does not bear on it may only come beside something that does.
 */
export function suspect(
  bench: Bench,
  arrangement: Arrangement,
  profile: boolean,
  causes: CauseTable,
): Suspicion {
  const weighted: [Fault, number][] = []
  const add = (cause: keyof typeof WAYS, make: (way: Way) => Fault) => {
    for (const [way, share] of Object.entries(WAYS[cause]) as [Way, number][]) {
      if (share > 0) weighted.push([make(way), causes[cause] * share])
    }
  }
  for (const module of bench.modules) {
    add('moduleDead', (way) => ({ kind: 'MODULE', module, way }))
    add('moduleWeak', (way) => ({ kind: 'MODULE', module, way }))
  }
  for (const slot of bench.order) add('slot', (way) => ({ kind: 'SLOT', slot, way }))
  for (const slot of Object.keys(arrangement)) {
    add('seat', (way) => ({ kind: 'SEAT', slot, way }))
    weighted.push([{ kind: 'SEAT_CURED', slot }, 0])
  }
  bench.modules.forEach((first, at) => {
    for (const second of bench.modules.slice(at + 1)) {
      add('pair', (way) => ({ kind: 'PAIR', modules: [first, second], way }))
    }
  })
  if (profile) add('profile', (way) => ({ kind: 'PROFILE', way }))
  add('order', (way) => ({ kind: 'ORDER', way }))
  if (bench.modules.length > 1) add('limit', (way) => ({ kind: 'LIMIT', way }))

  const faults = weighted.map(([fault]) => fault)
  const total = weighted.reduce((sum, [, weight]) => sum + weight, 0)
  const now: Trial = { arrangement, reseat: false, profile, depth: 'test' }
  const bears = faults.map((fault) => effectOf(bench, now, fault) !== null)
  const pairs: number[] = []
  const chances: number[] = []
  weighted.forEach(([, weight], at) => {
    pairs.push(at, -1)
    chances.push(bears[at] ? weight / total : 0)
    for (let other = at + 1; other < weighted.length; other += 1) {
      const shows = bears[at] || bears[other]
      const both = shows ? weight * (weighted[other] as [Fault, number])[1] : 0
      pairs.push(at, other)
      chances.push((both / total ** 2) * causes.two)
    }
  })
  const suspicion: Suspicion = {
    bench,
    faults,
    pairs: Int16Array.from(pairs),
    chances: Float64Array.from(chances),
    ...blamesOf(faults, pairs),
    arrangement,
    profile,
  }
  return { ...suspicion, chances: normalised(suspicion.chances) }
}

/** After a trial and what came of it: exactly Bayes, seats that were seated anew first. */
export function observed(suspicion: Suspicion, trial: Trial, outcome: Outcome): Suspicion {
  const seated = afterSeating(suspicion, trial)
  const { chances } = seated
  const key = keyOfOutcome(outcome)
  const likely = likelihoods(seated, trial, key)
  const next = chances.map((chance, at) => chance * (likely[at] as number))
  return {
    ...seated,
    chances: normalised(next),
    arrangement: trial.arrangement,
    profile: trial.profile,
  }
}

/** Seats touched in going to a trial: what was not home there is home now, nearly always. */
export function afterSeating(suspicion: Suspicion, trial: Trial): Suspicion {
  const { faults, pairs } = suspicion
  const curedAt = new Map<number, number>()
  faults.forEach((fault, at) => {
    if (fault.kind !== 'SEAT' || !isTouched(suspicion, trial, fault.slot)) return
    const cured = faults.findIndex((one) => one.kind === 'SEAT_CURED' && one.slot === fault.slot)
    curedAt.set(at, cured)
  })
  if (curedAt.size === 0) return suspicion
  const places = placesOf(suspicion)
  const chances = suspicion.chances.slice()
  for (const at of curedAt.keys()) {
    for (let n = 0; n < chances.length; n += 1) {
      const [first, second] = [pairs[2 * n] as number, pairs[2 * n + 1] as number]
      if (first !== at && second !== at) continue
      const cured = curedAt.get(at) as number
      const other = first === at ? second : first
      const to = places(cured, other)
      const moved = (chances[n] as number) * RESEAT_CURES
      chances[n] = (chances[n] as number) - moved
      chances[to] = (chances[to] as number) + moved
    }
  }
  return { ...suspicion, chances }
}

function isTouched({ arrangement }: Suspicion, trial: Trial, slot: string): boolean {
  return (
    trial.arrangement[slot] !== arrangement[slot] ||
    (trial.reseat && arrangement[slot] !== undefined)
  )
}

/** Where the hypothesis of two faults stands (the second -1: of one). */
function placesOf({ faults }: Suspicion): (a: number, b: number) => number {
  const count = faults.length
  // Hypotheses stand fault by fault: the single one, then its pairs with all that come later.
  const startOf = (at: number) => at * (count + 1) - (at * (at + 1)) / 2
  return (a, b) => {
    if (b < 0 || a === b) return startOf(a)
    const [low, high] = a < b ? [a, b] : [b, a]
    return startOf(low) + (high - low)
  }
}

function normalised(chances: Float64Array): Float64Array {
  const sum = chances.reduce((all, one) => all + one, 0)
  // What was seen is impossible by every hypothesis only where rounding has eaten them all.
  return sum > 0 ? chances.map((one) => one / sum) : chances.fill(1 / chances.length)
}

/** How often an outcome is not what the fault at work should show: a fault comes and goes, or is noted wrong. */
const ODD = 0.03
/** What is seen then, any of these alike. */
const ODD_OUTCOMES = ['NO_START', 'ERRORS', 'PASS']
const NEVER = 1e-5

function likelihood(shown: string, key: string): number {
  if (shown === key) return 1 - ODD
  return ODD_OUTCOMES.includes(key) ? ODD / ODD_OUTCOMES.length : NEVER
}

/** Effects of a trial by fault, alike ones under one number; one number is for none at all. */
function effectKinds(suspicion: Suspicion, trial: Trial, cured = false) {
  const { bench, faults } = suspicion
  const effects: (Effect | null)[] = [null]
  const numbers = new Map<string, number>()
  const kindOf = faults.map((fault) => {
    const effect = effectOf(bench, trial, fault)
    if (effect === null) return 0
    if (cured && fault.kind === 'SEAT' && isTouched(suspicion, trial, fault.slot)) return 0
    const key = `${effect.way} ${effect.way === 'missing' ? effect.slot : ''}`
    const known = numbers.get(key)
    if (known !== undefined) return known
    numbers.set(key, effects.length)
    effects.push(effect)
    return effects.length - 1
  })
  return { effects, kindOf }
}

/** Calls with each hypothesis and the place of its two effects in a square of all kinds. */
function eachPlace(
  { pairs, chances }: Suspicion,
  kindOf: readonly number[],
  count: number,
  least: number,
  call: (hypothesis: number, place: number) => void,
): void {
  for (let n = 0; n < chances.length; n += 1) {
    if ((chances[n] as number) < least) continue
    const second = pairs[2 * n + 1] as number
    const a = kindOf[pairs[2 * n] as number] as number
    const b = second < 0 ? 0 : (kindOf[second] as number)
    call(n, a < b ? a * count + b : b * count + a)
  }
}

/** How likely an outcome is by each hypothesis. */
function likelihoods(suspicion: Suspicion, trial: Trial, key: string): Float64Array {
  const { effects, kindOf } = effectKinds(suspicion, trial)
  const count = effects.length
  const known = new Float64Array(count * count).fill(-1)
  const likely = new Float64Array(suspicion.chances.length)
  eachPlace(suspicion, kindOf, count, 0, (n, place) => {
    if ((known[place] as number) < 0) {
      const shown = outcomeOf(trial, [
        effects[Math.floor(place / count)] ?? null,
        effects[place % count] ?? null,
      ])
      known[place] = likelihood(shown, key)
    }
    likely[n] = known[place] as number
  })
  return likely
}

/** Hypotheses less likely than this do not count when trials are ranked. */
const NEGLIGIBLE = 1e-7

/**
 * How likely each outcome of a trial is, by key: but for odd ones, and with every seat that is touched
 * taken as home. For ranking; an update is exact.
 */
export function outcomeChances(suspicion: Suspicion, trial: Trial): Map<string, number> {
  const { effects, kindOf } = effectKinds(suspicion, trial, true)
  const count = effects.length
  const sums = new Float64Array(count * count)
  eachPlace(suspicion, kindOf, count, NEGLIGIBLE, (n, place) => {
    sums[place] = (sums[place] as number) + (suspicion.chances[n] as number)
  })
  const chances = new Map<string, number>()
  sums.forEach((chance, place) => {
    if (chance === 0) return
    const key = outcomeOf(trial, [
      effects[Math.floor(place / count)] ?? null,
      effects[place % count] ?? null,
    ])
    chances.set(key, (chances.get(key) ?? 0) + chance)
  })
  return chances
}

export interface Named {
  /** Parts at fault together, as `partOf` names them. */
  parts: string[]
  faults: Fault[]
  chance: number
}

/** What is suspected, part by part or pair of parts, the likeliest first. */
export function suspects({ chances, blames, named }: Suspicion): Named[] {
  const sums = new Float64Array(named.length)
  for (let n = 0; n < chances.length; n += 1) {
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
  const places = new Map<string, number>()
  const blames = new Int32Array(pairs.length / 2)
  for (let n = 0; n < blames.length; n += 1) {
    const own = [pairs[2 * n] as number, pairs[2 * n + 1] as number]
      .filter((at) => at >= 0)
      .map((at) => faults[at] as Fault)
    const parts = [...new Set(own.map(partOf))].sort()
    const key = parts.join(' + ')
    const known = places.get(key) ?? named.length
    if (known === named.length) {
      places.set(key, known)
      named.push({ parts, faults: own })
    }
    blames[n] = known
  }
  return { blames, named }
}
