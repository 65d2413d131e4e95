import { type Acted, actedOn, concerns, isBad, isUnseen, levelOf, type Made } from './evidence'
import {
  ACTIONS,
  type Action,
  type Arrangement,
  inOrder,
  sameArrangement,
  slotOf,
  type Trial,
  type TrialBench,
} from './trial'

/** A control that is missing before a part may be named. */
export type Control =
  /** The symptom with the part in. */
  | 'symptom'
  /** A pass without it, all else as it was. */
  | 'pass-without'
  /** Passes enough that a fault which comes and goes would have shown. */
  | 'pass-again'
  /** The symptom once more with the part back in. */
  | 'back'
  /** The symptom was seen without the part too: that trial, repeated, has to come out otherwise. */
  | 'seen-without'
  /** Two modules passed together: they cannot be a pair that does not work. */
  | 'passed-together'
  | 'profile-off'
  | 'other-module'
  | 'pass-elsewhere'
  | 'other-slot'
  | Action

/** Chances to show that count when passes are. */
const CHANCES = [1, 0.7, 0.5, 0.3] as const
/** So unlikely may it be that a fault which comes and goes was only not seen. */
const MISSED = 0.05

/**
 * How many passes it takes until missing a fault by chance falls to one in twenty, after the symptom came `shown`
 * times and stayed away `quiet` times while the fault was there: averaged over its chances to show, each weighted
 * by how well it fits what was seen.
 */
export function passesNeeded(shown: number, quiet = 0): number {
  const weights = CHANCES.map((often) => often ** shown * (1 - often) ** quiet)
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  for (let passes = 1; ; passes += 1) {
    const missed = weights.map((weight, at) => weight * (1 - (CHANCES[at] as number)) ** passes)
    if (missed.reduce((sum, one) => sum + one, 0) <= MISSED * all) return passes
  }
}

/**
 * Controls missing to name these parts: the symptom with them in, passes without them under otherwise the same
 * conditions, at the depth and warmth at which the symptom was seen, and the symptom again once they are back.
 * Of two parts, each has its own.
 */
export function controlsMissing(
  parts: readonly string[],
  bench: TrialBench,
  trials: readonly Made[],
): Control[] {
  const made = actedOn(trials)
  if (parts.join() === 'machine') return ofMachine(bench, made)
  return parts.flatMap((part) => {
    const others = parts.filter((one) => one !== part)
    return ofPart(part, bench, made, (trial) => others.some((one) => isIn(one, bench, trial)))
  })
}

/** Whether a part is at work in a trial, so that its fault could show. */
export function isIn(
  part: string,
  bench: TrialBench,
  { arrangement, profile }: Pick<Trial, 'arrangement' | 'profile'>,
): boolean {
  const [kind, ...names] = part.split(' ')
  const name = names.join(' ')
  switch (kind) {
    case 'module':
      return slotOf(arrangement, name) !== null
    case 'slot':
    case 'seat':
      return arrangement[name] !== undefined
    case 'pair':
      return halvesOf(names).every((one) => slotOf(arrangement, one) !== null)
    case 'profile':
      return profile
    case 'order':
      return !inOrder(bench, arrangement)
    default:
      return true
  }
}

function ofPart(
  part: string,
  bench: TrialBench,
  made: readonly Acted[],
  otherIsIn: (trial: Acted) => boolean,
): Control[] {
  const kind = part.split(' ')[0] as string
  // A limit, and a profile of many, are at work with as many modules as the fewest that went wrong.
  const least = leastOf(kind, made)
  const inTrial = (trial: Acted) => isIn(part, bench, trial) && sizeOf(trial.arrangement) >= least
  const own = made.filter((trial) => !otherIsIn(trial))
  const bads = own.filter((trial) => isBad(trial) && inTrial(trial) && concernsPart(part, trial))
  if (bads.length === 0) return ['symptom']
  const level = Math.min(...bads.map(levelOf))
  const passes = own.filter((trial) => !isBad(trial) && levelOf(trial) >= level)
  const quiet = passes.filter(inTrial)
  const without = passes.filter(
    (trial) => !inTrial(trial) && bads.some((bad) => sameSetting(kind, bad, trial)),
  )
  const seenWithout = own.filter((trial) => isBad(trial) && !bads.includes(trial))
  const needed = passesNeeded(bads.length, quiet.length)
  const [first] = without
  const back = first !== undefined && bads.some((bad) => own.indexOf(bad) > own.indexOf(first))
  return [
    ...contrasts(part, bench, bads, without, quiet),
    ...Array.from(
      { length: Math.max(0, needed - Math.max(1, without.length)) },
      () => 'pass-again' as const,
    ),
    ...(back ? [] : (['back'] as const)),
    ...(seenWithout.some((bad) => !isOverturned(bad, own)) ? (['seen-without'] as const) : []),
  ]
}

/** With fewer modules than the fewest that went wrong the part is not at work; 0 of parts that any number brings out. */
function leastOf(kind: string, made: readonly Acted[]): number {
  if (kind !== 'limit' && kind !== 'profile') return 0
  const bads = made.filter((trial) => isBad(trial) && (kind === 'limit' || trial.profile))
  return Math.min(...bads.map(({ arrangement }) => sizeOf(arrangement)))
}

/** Whether an outcome can be laid on a part: a slot that is not seen is one, or what sits in it. */
function concernsPart(part: string, { arrangement, outcome }: Acted): boolean {
  const [kind, ...names] = part.split(' ')
  const name = names.join(' ')
  if (kind === 'module') return concerns(outcome, slotOf(arrangement, name) as string)
  return kind === 'slot' || kind === 'seat' ? concerns(outcome, name) : true
}

/** Whether a trial that went wrong was made again as it was, and passed oftener than not. */
function isOverturned(bad: Acted, made: readonly Acted[]): boolean {
  const same = made.filter(
    (one) =>
      sameArrangement(one.arrangement, bad.arrangement) &&
      one.profile === bad.profile &&
      levelOf(one) >= levelOf(bad),
  )
  return same.filter((one) => !isBad(one)).length > same.filter(isBad).length
}

/** Missing comparisons of the part with the same machine without it, by kind of part. */
function contrasts(
  part: string,
  bench: TrialBench,
  bads: readonly Acted[],
  without: readonly Acted[],
  quiet: readonly Acted[],
): Control[] {
  const [kind, ...names] = part.split(' ')
  const name = names.join(' ')
  const some = (contrast: (bad: Acted, good: Acted) => boolean): Control[] =>
    bads.some((bad) => without.some((good) => contrast(bad, good))) ? [] : ['pass-without']
  switch (kind) {
    case 'module':
      return some((bad, good) => {
        const slot = slotOf(bad.arrangement, name) as string
        return good.arrangement[slot] !== undefined
      })
    case 'slot': {
      const modules = new Set(bads.map(({ arrangement }) => arrangement[name]))
      const others = bench.modules.length + bench.known.length > 1
      return [
        ...(others && modules.size < 2 ? (['other-module'] as const) : []),
        ...(some((bad, good) => slotOf(good.arrangement, bad.arrangement[name] as string) !== null)
          .length > 0
          ? (['pass-elsewhere'] as const)
          : []),
      ]
    }
    case 'pair': {
      const [a, b] = halvesOf(names)
      const alone = (one: string) =>
        without.some(({ arrangement }) => slotOf(arrangement, one) !== null)
      const onlyOn = bench.profiles && bads.every(({ profile }) => profile)
      return [
        ...(alone(a) ? [] : (['pass-without'] as const)),
        ...(alone(b) ? [] : (['pass-without'] as const)),
        ...(onlyOn ? (['profile-off'] as const) : []),
        ...(quiet.length > 0 ? (['passed-together'] as const) : []),
      ]
    }
    case 'profile':
      return some(
        (bad, good) => !good.profile && sameArrangement(bad.arrangement, good.arrangement),
      )
    case 'order':
      return some((bad, good) => sizeOf(bad.arrangement) === sizeOf(good.arrangement))
    case 'limit': {
      // Each module of the company that went wrong has to do well in a smaller one.
      const passed = new Set(without.flatMap(({ arrangement }) => Object.values(arrangement)))
      const open = bads.map(
        ({ arrangement }) => Object.values(arrangement).filter((one) => !passed.has(one)).length,
      )
      return Array.from({ length: Math.min(...open) }, () => 'pass-without' as const)
    }
    default:
      return without.length > 0 ? [] : ['pass-without']
  }
}

/** Whether two trials are alike but for what is in the slots: the profile, and what was done to the setup. */
const sameSetting = (kind: string, a: Acted, b: Acted): boolean =>
  (kind === 'profile' || a.profile === b.profile) &&
  a.done.has('clear-setup') === b.done.has('clear-setup') &&
  a.done.has('wait') === b.done.has('wait')

/** Everything that could be changed was changed, and the symptom stayed, each time or now and then. */
function ofMachine(bench: TrialBench, made: readonly Acted[]): Control[] {
  const bads = made.filter(isBad)
  if (isUnseen(made)) return ['symptom']
  const onlyKnown = ({ arrangement }: Acted) =>
    Object.values(arrangement).every((module) => bench.known.includes(module))
  const moduleOut = (module: string) =>
    bads.some(({ arrangement }) => slotOf(arrangement, module) === null)
  const slotEmpty = (slot: string) =>
    bench.mustFill.includes(slot) || bads.some(({ arrangement }) => arrangement[slot] === undefined)
  const profiles = bads.map(({ profile }) => profile)
  return [
    ...ACTIONS.filter((action) => !bads.some(({ done }) => done.has(action))),
    ...(bench.modules.every(moduleOut) && (bench.known.length === 0 || bads.some(onlyKnown))
      ? []
      : (['other-module'] as const)),
    ...bench.order
      .filter((slot) => !slotEmpty(slot))
      .slice(0, 2)
      .map(() => 'other-slot' as const),
    ...(profiles.includes(true) && !profiles.includes(false) ? (['profile-off'] as const) : []),
  ]
}

/** Two names of equally many words. */
const halvesOf = (words: readonly string[]): [string, string] => {
  const half = words.length / 2
  return [words.slice(0, half).join(' '), words.slice(half).join(' ')]
}

const sizeOf = (arrangement: Arrangement): number => Object.keys(arrangement).length
