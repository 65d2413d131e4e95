import type { Arrangement, Bench, Outcome, Trial } from '../src/diagnose'

/**
 * The way most go about it, to compare with: seat everything anew; then each module alone in the first
 * slot, tested; then a module that passed in every other slot. Yields trials, is told outcomes, and
 * returns the part it names.
 */
export function* oneAtATime(
  bench: Bench,
  arrangement: Arrangement,
  profile: boolean,
): Generator<Trial, string | null, Outcome> {
  const trial = (next: Arrangement, reseat = false, asked = profile): Trial => ({
    arrangement: next,
    reseat,
    profile: asked,
    depth: 'test',
  })
  const reseated = yield trial(arrangement, true)
  if (reseated.kind === 'PASS') return 'seat'
  if (profile) {
    const plain = yield trial(arrangement, false, false)
    if (plain.kind === 'PASS') return 'profile'
  }
  const first = bench.order[0] as string
  const good: string[] = []
  for (const module of bench.modules) {
    const alone = yield trial({ [first]: module }, false, false)
    if (alone.kind !== 'PASS') {
      const second = bench.order[1]
      if (good.length > 0 || second === undefined || bench.mustFill.length > 0) {
        return `module ${module}`
      }
      const elsewhere = yield trial({ [second]: module }, false, false)
      if (elsewhere.kind === 'PASS') return `slot ${first}`
      return `module ${module}`
    }
    good.push(module)
  }
  for (const slot of bench.order.slice(1)) {
    if (bench.mustFill.length > 0) break
    const there = yield trial({ [slot]: good[0] as string }, false, false)
    if (there.kind !== 'PASS' && there.kind !== 'NO_START') return `slot ${slot}`
  }
  const spread = Object.fromEntries(
    bench.modules.map((module, at) => [bench.order[at] as string, module]),
  )
  const ordered = yield trial(spread, false, false)
  return ordered.kind === 'PASS' ? 'order' : 'limit'
}
