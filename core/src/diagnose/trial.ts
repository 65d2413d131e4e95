import { firstStart, middle, testPass } from '../knowledge'
import type { Generation } from '../model'
import type { Fault, Way } from './fault'

/** Which module is in which slot, by slot. */
export type Arrangement = Readonly<Record<string, string>>

export interface Trial {
  arrangement: Arrangement
  /** Modules that stay where they are seated anew as well. */
  reseat: boolean
  profile: boolean
  /** Only started, or tested for errors after it. */
  depth: 'start' | 'test'
}

/** No start; errors under test; all is well; or it starts without these slots. */
export type Outcome =
  | { kind: 'NO_START' }
  | { kind: 'ERRORS' }
  | { kind: 'PASS' }
  | { kind: 'MISSING'; slots: string[] }

export const keyOfOutcome = (outcome: Outcome): string =>
  outcome.kind === 'MISSING' ? `MISSING ${[...outcome.slots].sort().join(' ')}` : outcome.kind

export function outcomeOfKey(key: string): Outcome {
  if (key.startsWith('MISSING')) return { kind: 'MISSING', slots: key.split(' ').slice(1) }
  return { kind: key as 'NO_START' | 'ERRORS' | 'PASS' }
}

/** What a fault does in a trial it bears on; `slot` is the one that is not seen. */
export interface Effect {
  way: Way
  slot: string | null
}

/** How the bench goes about its trials: what a board wants, and what is known of the arrangement. */
export interface Bench {
  /** Slots in filling order. */
  order: readonly string[]
  /** Slots that must not be empty for a start. */
  mustFill: readonly string[]
  /** All modules there are. */
  modules: readonly string[]
  /** Their capacities, GiB; one not named counts as 8. */
  sizes?: Readonly<Record<string, number>>
  generation?: Generation
}

const slotOf = (arrangement: Arrangement, module: string): string | null =>
  Object.keys(arrangement).find((slot) => arrangement[slot] === module) ?? null

/** Whether the slots filled are the first ones of the filling order. */
export function inOrder({ order }: Bench, arrangement: Arrangement): boolean {
  const filled = order.filter((slot) => arrangement[slot] !== undefined)
  return filled.every((slot, at) => order[at] === slot)
}

/** What a fault does in a trial; null where it does not bear on it. */
export function effectOf(bench: Bench, trial: Trial, fault: Fault): Effect | null {
  const { arrangement } = trial
  switch (fault.kind) {
    case 'MODULE': {
      const slot = slotOf(arrangement, fault.module)
      return slot === null ? null : { way: fault.way, slot }
    }
    case 'SLOT':
    case 'SEAT':
      return arrangement[fault.slot] === undefined ? null : { way: fault.way, slot: fault.slot }
    case 'SEAT_CURED':
      return null
    case 'PAIR': {
      const both = fault.modules.every((module) => slotOf(arrangement, module) !== null)
      return both ? { way: fault.way, slot: null } : null
    }
    case 'PROFILE':
      return trial.profile ? { way: fault.way, slot: null } : null
    case 'ORDER':
      if (inOrder(bench, arrangement)) return null
      return { way: fault.way, slot: lastFilled(bench, arrangement) }
    case 'LIMIT': {
      const all = Object.keys(arrangement).length === bench.modules.length
      if (!all || bench.modules.length < 2) return null
      return { way: fault.way, slot: lastFilled(bench, arrangement) }
    }
  }
}

function lastFilled({ order }: Bench, arrangement: Arrangement): string | null {
  return order.findLast((slot) => arrangement[slot] !== undefined) ?? null
}

/** The outcome (by key) that faults acting one beside the other show. */
export function outcomeOf(trial: Trial, effects: readonly (Effect | null)[]): string {
  const acting = effects.filter((effect) => effect !== null)
  if (acting.some(({ way }) => way === 'stops')) return 'NO_START'
  const missing = acting.flatMap(({ way, slot }) => (way === 'missing' && slot ? [slot] : []))
  if (missing.length > 0) return keyOfOutcome({ kind: 'MISSING', slots: [...new Set(missing)] })
  return trial.depth === 'test' && acting.length > 0 ? 'ERRORS' : 'PASS'
}

/** Minutes at the hands: opening apart, and once for all that is touched making it safe and starting it again. */
const MINUTES = { safe: 2, move: 1.5, reseat: 0.5, profile: 2, start: 1 }

/** How long a trial takes from the arrangement before it: the hands, the first start, the test of what is in. */
export function minutesOfTrial(
  { sizes = {}, generation = 'DDR4' }: Pick<Bench, 'sizes' | 'generation'>,
  from: Arrangement,
  profile: boolean,
  trial: Trial,
): number {
  const slots = new Set([...Object.keys(from), ...Object.keys(trial.arrangement)])
  const held = Object.values(trial.arrangement).map((module) => sizes[module] ?? 8)
  const touched = trial.reseat || [...slots].some((slot) => from[slot] !== trial.arrangement[slot])
  let minutes = touched
    ? MINUTES.safe + middle(firstStart({ generation, sizes: held }))
    : MINUTES.start
  if (trial.depth === 'test') minutes += middle(testPass(held.reduce((sum, gib) => sum + gib, 0)))
  if (profile !== trial.profile) minutes += MINUTES.profile
  for (const slot of slots) {
    if (from[slot] !== trial.arrangement[slot]) minutes += MINUTES.move
    else if (trial.reseat && trial.arrangement[slot] !== undefined) minutes += MINUTES.reseat
  }
  return minutes
}
