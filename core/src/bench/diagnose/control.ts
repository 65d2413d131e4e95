import { concerns, type Made, type Sure, showsUnderTestOnly, sureOf } from './evidence'
import { ACTIONS, type Action, type Arrangement, inOrder, slotOf, type TrialBench } from './trial'

/** What has still to be seen before a part may be named, each by a word of its own. */
export type Control =
  | 'symptom'
  | 'pass-without'
  | 'pass-elsewhere'
  | 'other-module'
  | 'other-slot'
  | 'cured'
  /** Enough passes that a fault which comes and goes would have shown. */
  | 'pass-again'
  | Action

/**
 * What is missing to name a part: nothing is named without its control, which is the symptom with the
 * part in and a pass without it under otherwise the same conditions. The machine is named when everything
 * that could be changed was changed and the symptom stayed.
 */
export function controlsMissing(
  part: string,
  bench: TrialBench,
  trials: readonly Made[],
): Control[] {
  const sure = sureOf(trials)
  const wrong = sure.filter(({ outcome }) => outcome.kind !== 'PASS')
  // What shows only under test has passed only under test.
  const tested = showsUnderTestOnly(sure)
  const well = sure.filter(
    ({ outcome, depth }) => outcome.kind === 'PASS' && (depth === 'test' || !tested),
  )
  const missing = contrasted(part, bench, wrong, well)
  return [...missing, ...passesMissing(part, bench, wrong, well, sure, tested)]
}

function contrasted(
  part: string,
  bench: TrialBench,
  wrong: readonly Sure[],
  well: readonly Sure[],
): Control[] {
  const [kind, ...names] = part.split(' ')
  switch (kind) {
    case 'module':
      return ofModule(names.join(' '), wrong, well)
    case 'slot':
      return ofSlot(names.join(' '), wrong, well)
    case 'seat':
      return ofSeat(names.join(' '), wrong, well)
    case 'pair':
      return ofPair(names, wrong, well)
    case 'profile':
      return compared(wrong, well, (bad, good) => bad.profile && !good.profile && alike(bad, good))
    case 'order':
      return compared(
        wrong,
        well,
        (bad, good) =>
          !inOrder(bench, bad.arrangement) &&
          inOrder(bench, good.arrangement) &&
          sizeOf(bad.arrangement) === sizeOf(good.arrangement),
      )
    case 'limit':
      return ofLimit(wrong, well)
    case 'setup':
      return ofAction('clear-setup', wrong, well)
    case 'training':
      return ofAction('wait', wrong, well)
    case 'machine':
      return ofMachine(bench, wrong, well)
    default:
      return well.length > 0 ? [] : ['pass-without']
  }
}

/** A fault that comes and goes shows this often; so unlikely may it be to have been missed. */
const COMES = 0.35
const MISSED = 0.03

/**
 * How many passes are missing until it is unlikely that a fault which comes and goes was only not seen: fewer
 * where the symptom came each time before (nine clean ones where it was seen once). What shows only under
 * test, and did so each time, needs none: there another pass is most of an hour.
 */
function passesMissing(
  part: string,
  bench: TrialBench,
  wrong: readonly Sure[],
  well: readonly Sure[],
  sure: readonly Sure[],
  tested: boolean,
): Control[] {
  if (part === 'machine') return []
  const last = Math.max(...wrong.map((trial) => sure.indexOf(trial)))
  const isIn = presence(part, bench, wrong)
  const without = isIn && well.filter((trial) => !isIn(trial))
  // As it stood when it went wrong: with a module out, it may have been that module.
  const asItStood = (trial: Sure) => wrong.some((bad) => alike(bad, trial))
  const since = well.filter((trial) => sure.indexOf(trial) > last)
  const clean = without ?? since.filter(asItStood)
  const seen = isIn ? wrong.filter(isIn).length : wrong.length
  const steady = isIn ? !well.some(isIn) : since.length === well.length
  if (tested && steady) return []
  const needed = passesNeeded(steady ? seen : 1)
  return Array.from({ length: Math.max(0, needed - clean.length) }, () => 'pass-again' as const)
}

/** Tells of a trial whether the part was in it; null of a part whose trials with and without are told by their order. */
function presence(
  part: string,
  bench: TrialBench,
  wrong: readonly Sure[],
): ((trial: Sure) => boolean) | null {
  const [kind, ...names] = part.split(' ')
  const name = names.join(' ')
  switch (kind) {
    case 'module':
      return ({ arrangement }) => slotOf(arrangement, name) !== null
    case 'slot':
      return ({ arrangement }) => arrangement[name] !== undefined
    case 'pair':
      return ({ arrangement }) => halvesOf(names).every((one) => slotOf(arrangement, one) !== null)
    case 'profile':
      return ({ profile }) => profile
    case 'order':
      return ({ arrangement }) => !inOrder(bench, arrangement)
    case 'limit': {
      const least = fewest(wrong)
      return ({ arrangement }) => sizeOf(arrangement) >= least
    }
    case 'setup':
      return ({ done }) => !done.has('clear-setup')
    case 'training':
      return ({ done }) => !done.has('wait')
    default:
      return null
  }
}

/** Two names of equally many words. */
const halvesOf = (words: readonly string[]): [string, string] => {
  const half = words.length / 2
  return [words.slice(0, half).join(' '), words.slice(half).join(' ')]
}

/**
 * How many passes fewer will be needed later if the symptom comes once more as it stands: none where a test
 * is needed to see it, nor once there was a pass.
 */
export function passesSaved(trials: readonly Made[]): number {
  const sure = sureOf(trials)
  const atOnce = ({ outcome }: Made) => outcome.kind === 'NO_START' || outcome.kind === 'MISSING'
  if (sure.length === 0 || !sure.every(atOnce)) return 0
  return passesNeeded(sure.length) - passesNeeded(sure.length + 1)
}

const passesNeeded = (seen: number): number =>
  Math.max(1, Math.ceil((Math.log(MISSED) - (seen - 1) * Math.log(COMES)) / Math.log(1 - COMES)))

/** Of the trials that went wrong, how many modules the one with the fewest had. */
const fewest = (wrong: readonly Sure[]): number =>
  Math.min(...wrong.map(({ arrangement }) => sizeOf(arrangement)))

const sizeOf = (arrangement: Arrangement): number => Object.keys(arrangement).length

/** Whether two trials are alike but for what is in the slots: the profile, and the setup cleared or not. */
const sameSetting = (a: Sure, b: Sure): boolean =>
  a.profile === b.profile &&
  a.done.has('clear-setup') === b.done.has('clear-setup') &&
  a.done.has('wait') === b.done.has('wait')

const alike = (a: Sure, b: Sure): boolean =>
  sizeOf(a.arrangement) === sizeOf(b.arrangement) &&
  Object.keys(a.arrangement).every((slot) => a.arrangement[slot] === b.arrangement[slot])

function compared(
  wrong: readonly Sure[],
  well: readonly Sure[],
  contrast: (bad: Sure, good: Sure) => boolean,
): Control[] {
  if (wrong.length === 0) return ['symptom']
  return wrong.some((bad) => well.some((good) => contrast(bad, good))) ? [] : ['pass-without']
}

function ofModule(module: string, wrong: readonly Sure[], well: readonly Sure[]): Control[] {
  const bad = wrong.flatMap((trial) => {
    const slot = slotOf(trial.arrangement, module)
    return slot !== null && concerns(trial.outcome, slot) ? [{ trial, slot }] : []
  })
  if (bad.length === 0) return ['symptom']
  const controlled = bad.some(({ trial, slot }) =>
    well.some(
      (good) =>
        slotOf(good.arrangement, module) === null &&
        good.arrangement[slot] !== undefined &&
        sameSetting(trial, good),
    ),
  )
  return controlled ? [] : ['pass-without']
}

function ofSlot(slot: string, wrong: readonly Sure[], well: readonly Sure[]): Control[] {
  const bad = wrong.filter(
    ({ arrangement, outcome }) => arrangement[slot] !== undefined && concerns(outcome, slot),
  )
  const missing: Control[] = []
  if (bad.length === 0) missing.push('symptom')
  if (new Set(bad.map(({ arrangement }) => arrangement[slot])).size < 2)
    missing.push('other-module')
  const elsewhere = bad.some((trial) =>
    well.some(
      (good) =>
        good.arrangement[slot] === undefined &&
        slotOf(good.arrangement, trial.arrangement[slot] as string) !== null &&
        sameSetting(trial, good),
    ),
  )
  if (!elsewhere) missing.push('pass-elsewhere')
  return missing
}

function ofSeat(slot: string, wrong: readonly Sure[], well: readonly Sure[]): Control[] {
  const bad = wrong.filter(
    ({ arrangement, outcome }) => arrangement[slot] !== undefined && concerns(outcome, slot),
  )
  if (bad.length === 0) return ['symptom']
  const cured = bad.some((trial) =>
    well.some((good) => alike(good, trial) && sameSetting(trial, good)),
  )
  return cured ? [] : ['cured']
}

function ofPair(
  names: readonly string[],
  wrong: readonly Sure[],
  well: readonly Sure[],
): Control[] {
  const [a, b] = halvesOf(names)
  const has = ({ arrangement }: Sure, module: string) => slotOf(arrangement, module) !== null
  const bad = wrong.filter((trial) => has(trial, a) && has(trial, b))
  if (bad.length === 0) return ['symptom']
  const alone = (one: string, other: string) =>
    well.some(
      (good) => has(good, one) && !has(good, other) && bad.some((t) => sameSetting(t, good)),
    )
  return alone(a, b) && alone(b, a) ? [] : ['pass-without']
}

function ofLimit(wrong: readonly Sure[], well: readonly Sure[]): Control[] {
  if (wrong.length === 0) return ['symptom']
  const smaller = well.filter(({ arrangement }) => sizeOf(arrangement) < fewest(wrong))
  const passed = new Set(smaller.flatMap(({ arrangement }) => Object.values(arrangement)))
  // Each of them has to do well in smaller company, one trial after the other.
  const open = wrong.map(
    ({ arrangement }) => Object.values(arrangement).filter((one) => !passed.has(one)).length,
  )
  return Array.from({ length: Math.min(...open) }, () => 'pass-without' as const)
}

/** What cannot be had back needs its symptom seen twice as it stood, once where that takes a whole test. */
function ofAction(action: Action, wrong: readonly Sure[], well: readonly Sure[]): Control[] {
  const bad = wrong.filter(({ done }) => !done.has(action))
  if (bad.length === 0) return ['symptom']
  const cured = well.some((good) => {
    const same = bad.filter((trial) => good.profile === trial.profile && alike(trial, good))
    const enough = same.some(({ outcome }) => outcome.kind === 'ERRORS') ? 1 : 2
    return good.done.has(action) && same.length >= enough
  })
  return cured ? [] : ['cured']
}

function ofMachine(bench: TrialBench, wrong: readonly Sure[], well: readonly Sure[]): Control[] {
  if (wrong.length === 0) return ['symptom']
  const missing: Control[] = ACTIONS.filter((action) => !wrong.some(({ done }) => done.has(action)))
  const without = (module: string) =>
    wrong.some(({ arrangement }) => slotOf(arrangement, module) === null)
  const onlyKnown = ({ arrangement }: Sure) =>
    Object.values(arrangement).every((module) => bench.known.includes(module))
  if (!bench.modules.every(without)) missing.push('other-module')
  else if (bench.known.length > 0 && !wrong.some(onlyKnown)) missing.push('other-module')
  const elsewhere = (slot: string) =>
    wrong.some(({ arrangement }) => arrangement[slot] === undefined)
  if (!bench.order.every(elsewhere)) missing.push('other-slot')
  if (wrong.some(({ profile }) => profile) && !wrong.some(({ profile }) => !profile)) {
    missing.push('pass-without')
  }
  // It is always at fault, or not at all: more than one pass cannot be a slip of the pen.
  if (well.length > 1) missing.push('symptom')
  return missing
}
