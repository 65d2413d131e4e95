import type { FaultCause } from './fault'
import { curedBy, effectsOfCauses, type Handling, type Suspicion, shownBy } from './inference'
import { asDeepAs, lastFilled, MISSING_SOME, PASS_UNTESTED, type Trial } from './trial'

/** Hypotheses less likely than this do not count when trials are ranked. */
const NEGLIGIBLE = 1e-5

/** The hypotheses that count when trials are ranked, and the causes that are in them. */
export interface Active {
  hypotheses: Int32Array
  causes: Int32Array
}

export function activeOf({ chances, pairs, causeAt, causes }: Suspicion): Active {
  const active = new Int32Array(chances.length)
  const isIn = new Uint8Array(causes.length)
  let count = 0
  for (let n = 0; n < chances.length; n += 1) {
    if ((chances[n] as number) < NEGLIGIBLE) continue
    active[count++] = n
    for (let at = 2 * n; at < 2 * n + 2; at += 1) {
      const fault = pairs[at] as number
      if (fault >= 0) isIn[causeAt[fault] as number] = 1
    }
  }
  return {
    hypotheses: active.subarray(0, count),
    causes: Int32Array.from(causes.keys()).filter((at) => isIn[at] === 1),
  }
}

/** Of what would show under test: how likely it is, and how unsure of itself, bits. */
interface Weighed {
  shown: Map<string, { chance: number; unsure: number }>
  /** How likely a fault is there that does not show this time. */
  passes: number
}

/** Weighs a trial however deep it goes; what it puts right is taken as right, an update is exact. */
export function weighTrial(
  suspicion: Suspicion,
  trial: Handling,
  { hypotheses, causes }: Active = activeOf(suspicion),
): Weighed {
  const { shows, cured, causeAt, pairs, chances } = suspicion
  const wrong = causes.filter(
    (at) => curedBy(suspicion, trial, suspicion.causes[at] as FaultCause) === 0,
  )
  const { all, ofCause } = effectsOfCauses(suspicion, trial, wrong)
  const effectOf = (fault: number) =>
    fault < 0 || cured[fault] === 1 ? 0 : (ofCause[causeAt[fault] as number] as number)
  const size = all.length
  const chanceAt = new Float64Array(size ** 2)
  const unsureAt = new Float64Array(chanceAt.length)
  const places: number[] = []
  let passes = 0
  for (const n of hypotheses) {
    const first = pairs[2 * n] as number
    const place = effectOf(first) * size + effectOf(pairs[2 * n + 1] as number)
    const chance = chances[n] as number
    const often = shows[first] as number
    if (chanceAt[place] === 0) places.push(place)
    chanceAt[place] = (chanceAt[place] as number) + chance * often
    if (often === 1) continue
    passes += chance * (1 - often)
    unsureAt[place] = (unsureAt[place] as number) + chance * entropy(often)
  }
  const shown: Weighed['shown'] = new Map()
  for (const place of places.sort((a, b) => a - b)) {
    const key = shownBy({ all }, Math.floor(place / size), place % size)
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
  { shown, passes }: Weighed = weighTrial(suspicion, trial),
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
