import type { WorldBench, WorldOutcome, WorldTrial } from './faultWorlds'
import { everyModuleIn } from './faultWorlds'

/** A trial with its outcome. */
type Seen = { trial: WorldTrial; bad: boolean }

/** Passes that make it one in twenty to have missed a fault, after it was seen so often and missed so often. */
function passesFor(seen: number, missed: number): number {
  const chances = [1, 0.7, 0.5, 0.3]
  const weights = chances.map((often) => often ** seen * (1 - often) ** missed)
  const all = weights.reduce((sum, weight) => sum + weight)
  let passes = 0
  for (;;) {
    passes += 1
    const left = weights.map((weight, at) => weight * (1 - (chances[at] as number)) ** passes)
    if (left.reduce((sum, one) => sum + one) <= 0.05 * all) return passes
  }
}

/**
 * The way a good technician swaps, to compare with: once more, seat everything again; the profile off; the waiting
 * time; a module known to be good alone, and in another slot; the setup cleared; then the modules by halves. What
 * does not start is not tested. Before it names anything it makes the controls that we make: passes enough without
 * it, and the symptom again once it is back. Yields trials, is told outcomes, and returns the part; null where it
 * gives up.
 */
export function* swapping(
  bench: WorldBench,
  first: WorldOutcome,
): Generator<WorldTrial, string | null, WorldOutcome> {
  const whole = everyModuleIn(bench)
  const depth = first.kind === 'ERRORS' ? 'test' : 'start'
  const made: Seen[] = []
  const trial = (
    arrangement: WorldTrial['arrangement'],
    more: Partial<WorldTrial> = {},
  ): WorldTrial => ({ arrangement, reseat: false, profile, depth, action: null, ...more })
  function* passes(one: WorldTrial): Generator<WorldTrial, boolean, WorldOutcome> {
    const { kind } = yield one
    made.push({ trial: one, bad: kind !== 'PASS' })
    return kind === 'PASS'
  }
  /** It passes as often as it takes; the symptom was seen so often, and missed so often, with the fault in. */
  function* staysWell(
    one: WorldTrial,
    seen: number,
    already: number,
  ): Generator<WorldTrial, boolean, WorldOutcome> {
    for (let at = already; at < passesFor(seen, 0); at += 1) if (!(yield* passes(one))) return false
    return true
  }
  const seenSoFar = () => 1 + made.filter(({ bad }) => bad).length
  let profile = true

  if (yield* passes(trial(whole))) return (yield* staysWell(trial(whole), 1, 1)) ? 'nothing' : null
  if (yield* passes(trial(whole, { reseat: true }))) {
    return (yield* staysWell(trial(whole), 2, 1)) ? 'cured' : null
  }
  profile = false
  if (yield* passes(trial(whole))) {
    if (!(yield* staysWell(trial(whole), seenSoFar(), 1))) return null
    return (yield* passes(trial(whole, { profile: true }))) ? null : 'profile'
  }
  if (yield* passes(trial(whole, { action: 'wait' }))) {
    return (yield* staysWell(trial(whole), seenSoFar(), 1)) ? 'cured' : null
  }
  const [slot, other] = bench.order as [string, string]
  const [good] = bench.known as [string]
  if (!(yield* passes(trial({ [slot]: good })))) {
    if (yield* passes(trial({ [other]: good }))) {
      if (!(yield* staysWell(trial({ [other]: good }), seenSoFar(), 1))) return null
      return (yield* passes(trial({ [slot]: good }))) ? null : `slot ${slot}`
    }
    if (yield* passes(trial({ [slot]: good }, { action: 'clear-setup' }))) {
      profile = true
      return (yield* staysWell(trial(whole), seenSoFar(), 0)) ? 'cured' : null
    }
    for (const action of ['clean', 'connect'] as const) {
      if (yield* passes(trial({ [slot]: good }, { action }))) return null
    }
    return (yield* passes(trial({ [other]: good }))) ? null : 'machine'
  }
  let suspects = [...bench.modules]
  while (suspects.length > 1) {
    const half = suspects.slice(0, suspects.length >> 1)
    const placed = half.map((module, at) => [bench.order[at] as string, module])
    suspects = (yield* passes(trial(Object.fromEntries(placed))))
      ? suspects.slice(suspects.length >> 1)
      : half
  }
  const [left] = suspects as [string]
  if (!(yield* passes(trial({ [slot]: left })))) {
    if (!(yield* staysWell(trial({ [slot]: good }), seenSoFar(), 1))) return null
    return (yield* passes(trial({ [slot]: left }))) ? null : `module ${left}`
  }
  for (const where of bench.order.slice(1)) {
    if (yield* passes(trial({ [where]: left }))) continue
    const seen = made.filter(({ bad, trial: one }) => bad && one.arrangement[where]).length
    if (yield* passes(trial({ [where]: good }))) return null
    if (!(yield* staysWell(trial({ [slot]: good }), seen + 1, 1))) return null
    return (yield* passes(trial({ [where]: good }))) ? null : `slot ${where}`
  }
  if (yield* passes(trial(whole, { action: 'clear-setup' }))) {
    return (yield* staysWell(trial(whole), seenSoFar(), 1)) ? 'cured' : null
  }
  if (bench.modules.length > 2) {
    const { [bench.order[bench.modules.length - 1] as string]: _, ...fewer } = whole
    if (!(yield* staysWell(trial(fewer), seenSoFar(), 0))) return null
    return (yield* passes(trial(whole))) ? null : 'limit'
  }
  const lone = { [other]: bench.modules[1] as string }
  if (!(yield* staysWell(trial(lone), seenSoFar(), 0))) return null
  return (yield* passes(trial(whole))) ? null : `pair ${bench.modules.join(' ')}`
}
