import type { Made } from './evidence'
import type { Suspicion } from './inference'
import { ACTIONS, type Arrangement, type Trial, type TrialBench } from './trial'
import type { FaultSearch } from './verdict'

/**
 * Trials that a technician could make next, started or tested: once more, seated again, an action, turned round,
 * fewer modules, one alone, one known to be good, other slots, profile off.
 */
export function handlingsFrom(search: FaultSearch): Trial[] {
  const { suspicion, trials } = search
  const { bench, arrangement, profile } = suspicion
  const { order, modules, known } = bench
  const [first] = trials as [Made]
  const made: Trial[] = []
  const seen = new Set<string>()
  const add = (
    next: Arrangement,
    { reseat = false, to = profile, action = null as Trial['action'] } = {},
  ) => {
    if (Object.keys(next).length === 0 || !allowed(bench, next)) return
    const slots = order.map((slot) => next[slot] ?? '')
    const key = JSON.stringify([slots, reseat, to, action])
    if (seen.has(key)) return
    seen.add(key)
    const trial = { arrangement: next, reseat, profile: to, action }
    made.push({ ...trial, depth: 'start' }, { ...trial, depth: 'test' })
  }
  const filled = order.filter((slot) => arrangement[slot] !== undefined)
  const held = filled.map((slot) => arrangement[slot] as string)
  const spread = (some: readonly string[]): Arrangement =>
    Object.fromEntries(some.map((module, at) => [order[at] as string, module]))

  const undone = ACTIONS.filter((action) => !trials.some((one) => one.action === action))
  add(arrangement)
  if (isWarmNow(trials)) {
    made.push({
      arrangement,
      reseat: false,
      profile,
      action: null,
      depth: 'start',
      warm: true,
    })
  }
  add(arrangement, { reseat: true })
  if (undone.includes('wait')) add(arrangement, { reseat: true, action: 'wait' })
  for (const action of undone) add(arrangement, { action })
  if (bench.profiles) {
    add(arrangement, { to: !profile })
    add(arrangement, { reseat: true, to: !profile })
  }
  add(first.arrangement, { to: first.profile })
  if (modules.length <= order.length) add(spread(modules))
  // Each module one slot on: the fault goes with the module or stays with the slot.
  if (held.length > 1) {
    add(
      Object.fromEntries(filled.map((slot, at) => [slot, held[(at + 1) % held.length] as string])),
    )
  }
  // Halves, by each bit of a module's number.
  for (let bit = 1; bit < modules.length; bit *= 2) {
    add(spread(modules.filter((_, at) => (at & bit) === 0)))
    add(spread(modules.filter((_, at) => (at & bit) !== 0)))
  }
  // And in place, the others out.
  for (let bit = 1; bit < filled.length; bit *= 2) {
    for (const half of [0, bit]) {
      const kept = filled.filter((_, at) => (at & bit) === half)
      add(Object.fromEntries(kept.map((slot) => [slot, arrangement[slot] as string])))
    }
  }
  const byCause = chanceByCause(suspicion)
  const likely = likeliest(suspicion, byCause, 'module', modules)
  const likelySlots = likeliest(suspicion, byCause, 'slot', order)
  for (const module of [...known.slice(0, KNOWN_TRIED), ...likely]) {
    for (const slot of likelySlots) {
      add({ [slot]: module })
      if (profile) add({ [slot]: module }, { to: false })
    }
  }
  // The least that can run, with everything done that was not done yet.
  const least = { [order[0] as string]: known[0] ?? (modules[0] as string) }
  for (const action of undone) add(least, { action, to: false })
  const [good] = known
  for (const module of likely) {
    const others = modules.filter((one) => one !== module)
    add(spread(others))
    const slot = filled.find((one) => arrangement[one] === module)
    if (slot === undefined) continue
    const { [slot]: _, ...rest } = arrangement
    add(rest)
    if (good && !held.includes(good)) add({ ...rest, [slot]: good })
  }
  if (profile) {
    for (const one of made.slice()) add(one.arrangement, { to: false, action: one.action })
  }
  return made
}

/** So many starts, one right after the other, find the machine as warm as a test left it. */
const STARTS_WARM = 6

/** Whether a start made now would find the machine warm: it was tested, and at most started again since. */
export function isWarmNow(trials: readonly Made[]): boolean {
  const tested = trials.findLastIndex(({ depth }) => depth === 'test')
  const since = trials.slice(tested + 1)
  return (
    tested > 0 &&
    trials[tested]?.outcome.kind !== 'NO_START' &&
    since.length < STARTS_WARM &&
    since.every(({ warm }) => warm)
  )
}

/** Of many modules, or slots, these are tried by themselves: the likeliest, by what is suspected. */
const TRIED_ALONE = 4
/** Of several modules known to be good this many are tried. */
const KNOWN_TRIED = 2

/** How likely each cause is there, alone or with another. */
function chanceByCause({ causes, causeAt, pairs, chances }: Suspicion): Float64Array {
  const byCause = new Float64Array(causes.length)
  for (let n = 0; n < pairs.length; n += 1) {
    const at = pairs[n] as number
    if (at < 0) continue
    const cause = causeAt[at] as number
    byCause[cause] = (byCause[cause] as number) + (chances[n >> 1] as number)
  }
  return byCause
}

function likeliest(
  { causes }: Suspicion,
  byCause: Float64Array,
  kind: 'module' | 'slot',
  names: readonly string[],
): readonly string[] {
  if (names.length <= TRIED_ALONE) return names
  const sums = new Map<string, number>(names.map((name) => [name, 0]))
  causes.forEach((cause, at) => {
    const name = kind in cause ? (cause as unknown as Record<string, string>)[kind] : undefined
    if (name !== undefined) sums.set(name, (sums.get(name) ?? 0) + (byCause[at] as number))
  })
  // Beside the likeliest the one that is least likely to be at fault, to compare with.
  const ranked = [...names].sort((a, b) => (sums.get(b) ?? 0) - (sums.get(a) ?? 0))
  return [...ranked.slice(0, TRIED_ALONE - 1), ranked.at(-1) as string]
}

function allowed({ mustFill }: TrialBench, arrangement: Arrangement): boolean {
  return mustFill.every((slot) => arrangement[slot] !== undefined)
}
