import { type DiagnoseRequest, type Diagnosis, diagnose, type Made } from '../src/bench/diagnose'
import {
  benchOf,
  everyModuleIn,
  faultName,
  faultsOfBench,
  run,
  type World,
  type WorldBench,
  type WorldFault,
  type WorldOutcome,
  type WorldTrial,
  worldMinutes,
  worldOf,
} from './faultWorlds'
import { swapping } from './swapping'

/** How a machine with faults is led through. */
export interface Course {
  slots: 2 | 4 | 8
  /** Otherwise than usual on the bench: no module known to be good, a slot that must be filled. */
  bench?: Partial<WorldBench>
  faults: WorldFault[]
  seed: number
  /** The complaint: right after a fitting unless said; whether only when warm is not known unless said. */
  fitted?: boolean
  warm?: boolean | null
  /** The first symptom; looked for with a test where it is left out. */
  first?: WorldOutcome
  /** Place of the trial that is answered wrongly. */
  wrongAt?: number
  most?: number
}

/** What came of it. */
export interface Led {
  state: Diagnosis['state'] | 'gave up'
  parts: string[]
  judged: 'right' | 'wrong' | 'none'
  minutes: number
  trials: number
  /** Trials that did nothing but start or test once more. */
  plain: number
  diagnosis: Diagnosis | null
  /** The trials with their outcomes, as they were noted. */
  made: { arrangement: WorldTrial['arrangement']; outcome: WorldOutcome }[]
}

const MOST_TRIALS = 60

/** The first symptom of a machine, found by testing it as it stands; a pass where none of sixty tests shows it. */
function firstOf(world: World): WorldOutcome {
  const whole: WorldTrial = {
    arrangement: everyModuleIn(world.bench),
    reseat: false,
    profile: true,
    depth: 'test',
    action: null,
  }
  for (let look = 0; look < MOST_TRIALS; look += 1) {
    const outcome = run(world, whole)
    if (outcome.kind !== 'PASS') return outcome
  }
  return { kind: 'PASS' }
}

interface Next {
  trial: WorldTrial | null
  state: Led['state']
  parts: string[]
  diagnosis: Diagnosis | null
}

function led(
  course: Course,
  world: World,
  next: (outcome: WorldOutcome | null, last: WorldTrial | null) => Next,
): Led {
  let [minutes, trials, plain] = [0, 0, 0]
  const made: Led['made'] = []
  let [outcome, last]: [WorldOutcome | null, WorldTrial | null] = [null, null]
  for (;;) {
    const asked = next(outcome, last)
    const { trial, state, parts, diagnosis } = asked
    if (!trial || trials >= (course.most ?? MOST_TRIALS)) {
      return { state, parts, judged: judge(asked, world), minutes, trials, plain, diagnosis, made }
    }
    const before = { ...world }
    outcome = run(world, trial)
    minutes += worldMinutes(before, trial, outcome.kind !== 'NO_START')
    if (isPlain(trial, before, last)) plain += 1
    if (trials === course.wrongAt) {
      outcome = outcome.kind === 'PASS' ? { kind: 'NO_START' } : { kind: 'PASS' }
    }
    trials += 1
    made.push({ arrangement: trial.arrangement, outcome })
    last = trial
  }
}

const isPlain = (trial: WorldTrial, before: World, last: WorldTrial | null) =>
  !trial.reseat &&
  trial.action === null &&
  trial.profile === before.profile &&
  trial.depth === (last?.depth ?? trial.depth) &&
  JSON.stringify(trial.arrangement) === JSON.stringify(before.arrangement)

/** Right: every part named is at fault, or the machine that is called cured is. A profile of many counts as a limit. */
function judge({ state, parts }: Next, { faults, cured }: World): Led['judged'] {
  if (state === 'cured') return cured.every(Boolean) ? 'right' : 'wrong'
  if (state !== 'named') return 'none'
  const names = faults.flatMap((fault) =>
    fault.part.kind === 'profile' && fault.part.above > 0
      ? ['profile', 'limit']
      : [faultName(fault)],
  )
  return parts.every((part) => names.includes(part)) ? 'right' : 'wrong'
}

/** Leads a machine the way we propose: always the first trial. */
export function ledByUs(course: Course): Led {
  const bench = { ...benchOf(course.slots), ...course.bench }
  const world = worldOf(bench, course.faults, course.seed)
  const outcome = course.first ?? firstOf(world)
  world.isWarm = false
  const { fitted = true, warm = null } = course
  const start = { arrangement: everyModuleIn(bench), profile: true, outcome, fitted, warm }
  const trials: Made[] = []
  const request: DiagnoseRequest = { bench, start, trials }
  return led(course, world, (seen, last) => {
    if (seen && last) trials.push({ ...last, outcome: seen } as Made)
    const diagnosis = diagnose(request)
    const { state, named, cured, next } = diagnosis
    const trial = (next[0]?.trial ?? null) as WorldTrial | null
    return { trial, state, parts: (named ?? cured)?.parts ?? [], diagnosis }
  })
}

/** Leads a machine the way of whoever swaps. */
export function ledBySwapping(course: Course): Led {
  const bench = { ...benchOf(course.slots), ...course.bench }
  const world = worldOf(bench, course.faults, course.seed)
  const going = swapping(bench, course.first ?? firstOf(world))
  world.isWarm = false
  return led(course, world, (seen) => {
    const next = seen ? going.next(seen) : going.next()
    if (!next.done) return { trial: next.value, state: 'open', parts: [], diagnosis: null }
    const state =
      next.value === null
        ? 'gave up'
        : next.value === 'cured' || next.value === 'nothing'
          ? next.value
          : 'named'
    return {
      trial: null,
      state,
      parts: state === 'named' ? [next.value as string] : [],
      diagnosis: null,
    }
  })
}

/** Faults of one kind on a bench, each as often as it is said, one machine for each seed. */
export function coursesOf(
  slots: 2 | 4 | 8,
  kind: WorldFault['part']['kind'],
  machines: number,
  more: Partial<WorldFault> = {},
): Course[] {
  const all = faultsOfBench(benchOf(slots)).filter(({ part }) => part.kind === kind)
  return Array.from({ length: machines }, (_, at) => ({
    slots,
    faults: [{ ...(all[at % all.length] as WorldFault), ...more }],
    seed: at + 1,
  }))
}
