import { firstStart, middle, testPass } from '../../things/knowledge'
import { type Action, type Generation, known } from '../../things/model'
import type { FaultCause, Way } from './fault'

export { ACTIONS, type Action } from '../../things/model'

/** Which module is in which slot, by slot. */
export type Arrangement = Readonly<Record<string, string>>

export interface Trial {
  arrangement: Arrangement
  /** Modules that stay where they are seated again as well. */
  reseat: boolean
  profile: boolean
  /** Only started, or tested for errors after it. */
  depth: 'start' | 'test'
  action: Action | null
  /** A start right after a test, the machine not let cool; from cold where left out. */
  warm?: boolean | undefined
}

/** Whether a trial shows what shows only when warm. */
export const isWarm = ({ depth, warm = false }: Pick<Trial, 'depth' | 'warm'>): boolean =>
  depth === 'test' || warm

/** No start; errors, under test or on a bare start; all is well; or it starts without these slots. */
export type TrialOutcome =
  | { kind: 'NO_START' }
  | { kind: 'ERRORS' }
  | { kind: 'PASS' }
  | { kind: 'MISSING'; slots: string[] }

export const keyOfOutcome = (outcome: TrialOutcome): string =>
  outcome.kind === 'MISSING' ? `MISSING ${outcome.slots.toSorted().join(' ')}` : outcome.kind

export function outcomeOfKey(key: string): TrialOutcome {
  if (key.startsWith('MISSING')) return { kind: 'MISSING', slots: key.split(' ').slice(1) }
  return { kind: key as 'NO_START' | 'ERRORS' | 'PASS' }
}

/** What a fault does in a trial it bears on; `slot` is the one that is not seen, null for any or none. */
export interface FaultEffect {
  way: Way
  slot: string | null
}

/** How the bench goes about its trials: what a board wants, and what is known of the arrangement. */
export interface TrialBench {
  /** Slots in filling order. */
  order: readonly string[]
  /** Slots that must not be empty for a start. */
  mustFill: readonly string[]
  /** The modules in question, the customer’s and the new ones. */
  modules: readonly string[]
  /** Modules known to be good, the shop’s or the old ones. */
  known: readonly string[]
  /** Whether there is a memory profile to switch. */
  profiles: boolean
  /** Their capacities, GiB; one not named counts as 8. */
  sizes?: Readonly<Record<string, number>>
  generation?: Generation
  /** Registered or load-reduced modules, and channels: both decide how long it trains. */
  registered?: boolean
  channels?: number
}

export const slotOf = (arrangement: Arrangement, module: string): string | null =>
  Object.keys(arrangement).find((slot) => arrangement[slot] === module) ?? null

/** Whether the same modules are in the same slots. */
export function sameArrangement(a: Arrangement, b: Arrangement): boolean {
  const slots = Object.keys(a)
  return slots.length === Object.keys(b).length && slots.every((slot) => a[slot] === b[slot])
}

/** Whether the slots filled are the first ones of the filling order. */
export function inOrder({ order }: TrialBench, arrangement: Arrangement): boolean {
  const filled = order.filter((slot) => arrangement[slot] !== undefined)
  return filled.every((slot, at) => order[at] === slot)
}

/** What a cause does in a trial; null where it does not bear on it. */
export const effectOf = (
  bench: TrialBench,
  trial: Pick<Trial, 'arrangement' | 'profile'>,
  cause: FaultCause,
): FaultEffect | null => effectsIn(bench, trial)(cause)

const STOPS: FaultEffect = { way: 'stops', slot: null }
const ERRORS: FaultEffect = { way: 'errors', slot: null }

/** Tells what causes do in a trial, many one after the other; the same effect is the same object. */
export function effectsIn(
  bench: TrialBench,
  { arrangement, profile }: Pick<Trial, 'arrangement' | 'profile'>,
): (cause: FaultCause) => FaultEffect | null {
  const slots = new Map(Object.entries(arrangement).map(([slot, module]) => [module, slot]))
  const last = lastFilled(bench, arrangement)
  const ordered = inOrder(bench, arrangement)
  const gone = new Map<string | null, FaultEffect>()
  const effect = (way: Way, slot: string | null): FaultEffect => {
    if (way !== 'missing') return way === 'stops' ? STOPS : ERRORS
    const known = gone.get(slot) ?? { way, slot }
    gone.set(slot, known)
    return known
  }
  return (cause) => {
    switch (cause.kind) {
      case 'MODULE': {
        const slot = slots.get(cause.module)
        return slot === undefined ? null : effect(cause.way, slot)
      }
      case 'SLOT':
      case 'SEAT':
        return arrangement[cause.slot] === undefined ? null : effect(cause.way, cause.slot)
      case 'PAIR': {
        const [a, b] = cause.modules
        return slots.has(a) && slots.has(b) ? effect(cause.way, null) : null
      }
      case 'PROFILE':
        return profile && slots.size > cause.above ? effect(cause.way, null) : null
      case 'ORDER':
        return ordered ? null : effect(cause.way, last)
      case 'LIMIT':
        return slots.size <= cause.above ? null : effect(cause.way, last)
      case 'SETUP':
      case 'TRAINING':
        return effect(cause.way, last)
      case 'MACHINE':
        return effect(cause.way, slots.size > 1 ? null : last)
      case 'NOTHING':
        return null
    }
  }
}

export function lastFilled({ order }: TrialBench, arrangement: Arrangement): string | null {
  return order.findLast((slot) => arrangement[slot] !== undefined) ?? null
}

/** A start without some slot or other; and a pass of a bare start that a test would not have been. */
export const MISSING_SOME = 'MISSING'
export const PASS_UNTESTED = 'PASS untested'

/** The outcome (by key, or one of the two above) that effects acting one beside the other show. */
export const outcomeOf = (
  { depth }: Pick<Trial, 'depth'>,
  effects: readonly (FaultEffect | null)[],
): string => asDeepAs(depth, outcomeUnderTest(effects))

/** What would show under test, as it shows at this depth. */
export const asDeepAs = (depth: Trial['depth'], outcome: string): string =>
  depth === 'start' && outcome === 'ERRORS' ? PASS_UNTESTED : outcome

export function outcomeUnderTest(effects: readonly (FaultEffect | null)[]): string {
  let shown = 'PASS'
  const slots: string[] = []
  for (const effect of effects) {
    if (effect === null) continue
    if (effect.way === 'stops') return 'NO_START'
    if (effect.way === 'missing') shown = MISSING_SOME
    else if (shown === 'PASS') shown = 'ERRORS'
    if (effect.way === 'missing' && effect.slot !== null && !slots.includes(effect.slot)) {
      slots.push(effect.slot)
    }
  }
  return slots.length === 0 ? shown : keyOfOutcome({ kind: 'MISSING', slots })
}

/** Whether the seat of a slot is touched in going to a trial: its module put in again, seated again, or cleaned. */
export function touches(from: Arrangement, trial: Omit<Trial, 'depth'>, slot: string): boolean {
  const moved = trial.arrangement[slot] !== from[slot]
  return moved || ((trial.reseat || trial.action === 'clean') && from[slot] !== undefined)
}

/** Minutes at the hands: opening apart, and once for all that is touched making it safe and starting it again. */
export const TRIAL_MINUTES = known(
  {
    safe: 2,
    move: 1.5,
    reseat: 0.5,
    profile: 2,
    start: 1,
    'clear-setup': 3,
    clean: 5,
    connect: 3,
  },
  'A judgement: minutes of a practised hand at an open machine; what opens it, how long it trains and how long it is tested come on top.',
)
const MINUTES = TRIAL_MINUTES.value

type TimedBench = Pick<TrialBench, 'sizes' | 'generation' | 'registered' | 'channels'>

/**
 * How long a trial takes from the arrangement before it, minutes, apart: getting to a picture; how much longer one
 * waits where none comes, since a first start is given all its time before it counts as none; and the test.
 */
function minutesApart(
  { sizes = {}, generation = 'DDR4', registered, channels }: TimedBench,
  from: Arrangement,
  profile: boolean,
  trial: Trial,
): { start: number; wait: number; test: number } {
  const { arrangement, action } = trial
  const slots = [...new Set([...Object.keys(from), ...Object.keys(arrangement)])]
  const held = Object.values(arrangement).map((module) => sizes[module] ?? 8)
  const training = firstStart({
    generation,
    sizes: held,
    ...(registered === undefined ? {} : { registered }),
    ...(channels === undefined ? {} : { channels }),
  })
  const handled = trial.reseat || action === 'clean' || action === 'connect'
  const touched = handled || slots.some((slot) => from[slot] !== arrangement[slot])
  const trains = touched || action === 'clear-setup'
  let start = touched ? MINUTES.safe : 0
  if (action === 'wait') start += training.high
  else start += trains ? middle(training) : MINUTES.start
  const wait = trains && action !== 'wait' ? training.high - middle(training) : 0
  if (action && action !== 'wait') start += MINUTES[action]
  if (profile !== trial.profile) start += MINUTES.profile
  for (const slot of slots) {
    if (from[slot] !== arrangement[slot]) start += MINUTES.move
    else if (handled && action !== 'connect' && arrangement[slot] !== undefined) {
      start += MINUTES.reseat
    }
  }
  return { start, wait, test: trial.depth === 'test' ? middleOfTest({ sizes }, arrangement) : 0 }
}

/** Minutes of a memory test with these modules in. */
export function middleOfTest(
  { sizes = {} }: Pick<TrialBench, 'sizes'>,
  arrangement: Arrangement,
): number {
  const held = Object.values(arrangement).map((module) => sizes[module] ?? 8)
  return middle(testPass(held.reduce((sum, gib) => sum + gib, 0)))
}

/** How long a trial takes, minutes, by how likely it starts: what does not start is waited for, and not tested. */
export function minutesOfTrial(
  bench: TimedBench,
  from: Arrangement,
  profile: boolean,
  trial: Trial,
  starts = 1,
): number {
  const { start, wait, test } = minutesApart(bench, from, profile, trial)
  return start + (1 - starts) * wait + starts * test
}
