import { type Named, observed, outcomeChances, type Suspicion, suspects } from './inference'
import {
  type Arrangement,
  type Bench,
  minutesOfTrial,
  type Outcome,
  outcomeOfKey,
  type Trial,
} from './trial'

/** A trial worth making. */
export interface Proposal {
  trial: Trial
  minutes: number
  /** Expected information, bits. */
  bits: number
}

/** What an outcome of a trial would mean: how likely it is, and what would be suspected then. */
export interface Meaning {
  outcome: Outcome
  chance: number
  suspect: Named
}

/** Enough to name a part. */
export const SURE = 0.95

/**
 * The part to name once it is sure enough; null while more has to be tried. Where seating anew has
 * cured it, which seat it was is no matter: all that may have been are named.
 */
export function verdict(suspicion: Suspicion): Named | null {
  const named = suspects(suspicion)
  const [first] = named
  if (first && first.chance >= SURE) return first
  const cured = curedChance(suspicion)
  if (cured < SURE) return null
  const seats = named.filter(({ parts }) => parts.every((part) => part.startsWith('seat ')))
  return {
    parts: [...new Set(seats.flatMap(({ parts }) => parts))].sort(),
    faults: seats.flatMap(({ faults }) => faults),
    chance: cured,
  }
}

function curedChance({ faults, pairs, chances }: Suspicion): number {
  const cured = (at: number) => at < 0 || faults[at]?.kind === 'SEAT_CURED'
  return chances.reduce(
    (sum, chance, n) =>
      cured(pairs[2 * n] as number) && cured(pairs[2 * n + 1] as number) ? sum + chance : sum,
    0,
  )
}

/** Trials worth considering from here, the most information for its minutes first. */
export function proposals(suspicion: Suspicion, most = 4): Proposal[] {
  return trialsFrom(suspicion)
    .map((trial) => {
      const minutes = minutesOfTrial(
        suspicion.bench,
        suspicion.arrangement,
        suspicion.profile,
        trial,
      )
      return { trial, minutes, bits: information(suspicion, trial) }
    })
    .filter(({ bits }) => bits > 0.01)
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes)
    .slice(0, most)
}

/**
 * How much a trial is expected to tell between hypotheses, bits: since each of them says what it shows,
 * that is how unsure its outcome is.
 */
export function information(suspicion: Suspicion, trial: Trial): number {
  let bits = 0
  for (const chance of outcomeChances(suspicion, trial).values()) {
    if (chance > 0) bits -= chance * Math.log2(chance)
  }
  return bits
}

/** Outcomes likely enough to be spoken of. */
const SPOKEN = 0.02

/** What each outcome that is likely enough would mean, the likeliest first. */
export function meanings(suspicion: Suspicion, trial: Trial): Meaning[] {
  return [...outcomeChances(suspicion, trial)]
    .filter(([, chance]) => chance >= SPOKEN)
    .sort((a, b) => b[1] - a[1])
    .map(([key, chance]) => {
      const outcome = outcomeOfKey(key)
      const [first] = suspects(observed(suspicion, trial, outcome))
      return { outcome, chance, suspect: first as Named }
    })
}

/** What a technician could try next: seat anew, turn round, fewer modules, one alone, other slots, profile off. */
export function trialsFrom({ bench, arrangement, profile }: Suspicion): Trial[] {
  const { order, modules } = bench
  const trials: Trial[] = []
  const seen = new Set<string>()
  const add = (next: Arrangement, reseat: boolean, withProfile = profile) => {
    if (Object.keys(next).length === 0 || !allowed(bench, next)) return
    for (const depth of ['start', 'test'] as const) {
      const trial: Trial = { arrangement: next, reseat, profile: withProfile, depth }
      const key = JSON.stringify([
        order.map((slot) => next[slot] ?? ''),
        reseat,
        withProfile,
        depth,
      ])
      if (seen.has(key)) continue
      seen.add(key)
      trials.push(trial)
    }
  }
  const filled = order.filter((slot) => arrangement[slot] !== undefined)
  const held = filled.map((slot) => arrangement[slot] as string)
  const spread = (some: readonly string[]): Arrangement =>
    Object.fromEntries(some.map((module, at) => [order[at] as string, module]))

  add(arrangement, false)
  add(arrangement, true)
  if (profile) {
    add(arrangement, false, false)
    add(arrangement, true, false)
  }
  add(spread(modules), false)
  // Each module one slot on: the fault goes with the module or stays with the slot.
  if (held.length > 1) {
    add(
      Object.fromEntries(filled.map((slot, at) => [slot, held[(at + 1) % held.length] as string])),
      false,
    )
  }
  // Halves, by each bit of a module's number.
  for (let bit = 1; bit < modules.length; bit *= 2) {
    add(spread(modules.filter((_, at) => (at & bit) === 0)), false)
    add(spread(modules.filter((_, at) => (at & bit) !== 0)), false)
  }
  for (const module of modules) {
    for (const slot of order) add({ [slot]: module }, false)
    const others = modules.filter((one) => one !== module)
    add(spread(others), false)
    const slot = filled.find((one) => arrangement[one] === module)
    if (slot !== undefined) {
      const { [slot]: _, ...rest } = arrangement
      add(rest, false)
    }
  }
  return trials
}

function allowed({ mustFill }: Bench, arrangement: Arrangement): boolean {
  return mustFill.every((slot) => arrangement[slot] !== undefined)
}
