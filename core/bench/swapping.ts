import type { Arrangement, Trial, TrialBench, TrialOutcome } from '../src/bench/diagnose'

/**
 * The way a good technician swaps, to compare with: seat everything again; a module known to be good alone,
 * and in another slot; then the modules by halves, the one left alone seated again; then setup and profile.
 * What does not start is not tested, and what showed without a test is not tested either. Yields trials, is
 * told outcomes, and returns the part it names; null where it gives up.
 */
export function* swapping(
  bench: TrialBench,
  arrangement: Arrangement,
  profile: boolean,
  first: TrialOutcome,
): Generator<Trial, string | null, TrialOutcome> {
  const depth = first.kind === 'ERRORS' ? 'test' : 'start'
  const trial = (next: Arrangement, more: Partial<Trial> = {}): Trial => ({
    arrangement: next,
    reseat: false,
    profile,
    depth,
    action: null,
    ...more,
  })
  const well = (outcome: TrialOutcome) => outcome.kind === 'PASS'
  if (well(yield trial(arrangement, { reseat: true }))) {
    const slot = first.kind === 'MISSING' ? first.slots[0] : Object.keys(arrangement)[0]
    return `seat ${slot}`
  }
  if (profile && well(yield trial(arrangement, { profile: false }))) return 'profile'
  profile = false
  if (well(yield trial(arrangement, { action: 'wait' }))) return 'training'
  const [slot, other] = bench.order as [string, string | undefined]
  const [good] = bench.known
  if (good) {
    if (!well(yield trial({ [slot]: good }))) {
      if (other && bench.mustFill.length === 0 && well(yield trial({ [other]: good }))) {
        return `slot ${slot}`
      }
      if (well(yield trial({ [slot]: good }, { action: 'clear-setup' }))) return 'setup'
      return 'machine'
    }
  }
  let suspects = [...bench.modules]
  while (suspects.length > 1) {
    const half = suspects.slice(0, suspects.length >> 1)
    const spread = Object.fromEntries(half.map((module, at) => [bench.order[at] as string, module]))
    suspects = well(yield trial(spread)) ? suspects.slice(suspects.length >> 1) : half
  }
  const [left] = suspects as [string]
  if (!well(yield trial({ [slot]: left }))) return `module ${left}`
  // It does well in the first slot: what is wrong are the other slots, or all of it together.
  for (const where of bench.order.slice(1)) {
    if (bench.mustFill.length > 0) break
    if (!well(yield trial({ [where]: left }))) return `slot ${where}`
  }
  if (well(yield trial(arrangement, { action: 'clear-setup' }))) return 'setup'
  return bench.modules.length > 2 ? 'limit' : `pair ${bench.modules.join(' ')}`
}
