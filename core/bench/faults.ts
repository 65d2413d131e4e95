import { writeFileSync } from 'node:fs'
import {
  type DiagnoseRequest,
  diagnose,
  type Fault,
  faultsOf,
  type Made,
  minutesOfTrial,
  STARTING_CAUSES,
  suspect,
  suspectOf,
  type Trial,
  type TrialBench,
  type TrialOutcome,
} from '../src/bench/diagnose'
import { type HiddenFault, hide, tryOut } from '../src/bench/simulate'
import { random } from '../src/things/random'
import { swapping } from './swapping'

const ORDER: Record<number, string[]> = {
  2: ['A', 'B'],
  4: ['A2', 'B2', 'A1', 'B1'],
  8: ['A1', 'C1', 'B1', 'D1', 'A2', 'C2', 'B2', 'D2'],
}
const MOST_TRIALS = 40

const benchOf = (count: number): TrialBench => ({
  order: ORDER[count] ?? Array.from({ length: count }, (_, at) => `S${at + 1}`),
  mustFill: [],
  modules: Array.from({ length: count }, (_, at) => `m${at + 1}`),
  known: ['good'],
  profiles: true,
})

const spread = (bench: TrialBench) =>
  Object.fromEntries(bench.modules.map((module, at) => [bench.order[at] as string, module]))

/** Every cause of the table with its weight. */
function causesOf(bench: TrialBench): { fault: Fault; weight: number }[] {
  const suspicion = suspect(bench, spread(bench), true, STARTING_CAUSES)
  return faultsOf(suspicion).flatMap((fault, at) => {
    const weight = suspicion.chances[at] as number
    return fault.shows === 1 && fault.kind !== 'NOTHING' && weight > 0 ? [{ fault, weight }] : []
  })
}

type How = 'always' | 'one wrong answer' | 'comes and goes' | 'modules only when warm'

const AIMS: Record<How, string> = {
  always: 'right 97 %, wrong 1 %, 1×',
  'one wrong answer': 'wrong 10 %',
  'comes and goes': 'wrong 5 %',
  'modules only when warm': '–',
}

interface Result {
  minutes: number
  judged: 'right' | 'wrong' | 'none'
}

type Led = (
  bench: TrialBench,
  first: TrialOutcome,
) => Generator<Trial, string[] | null, TrialOutcome>

/** Our own way: whatever is proposed first, until a part is named. */
function* ours(
  bench: TrialBench,
  first: TrialOutcome,
): Generator<Trial, string[] | null, TrialOutcome> {
  const trials: Made[] = []
  const start = { arrangement: spread(bench), profile: true, outcome: first }
  const request: DiagnoseRequest = { bench, start, trials }
  for (;;) {
    const { named, next } = diagnose(request)
    if (named) return named.parts
    const trial = next[0]?.trial
    if (!trial || trials.length >= MOST_TRIALS) return null
    trials.push({ ...trial, outcome: yield trial })
  }
}

function* swap(
  bench: TrialBench,
  first: TrialOutcome,
): Generator<Trial, string[] | null, TrialOutcome> {
  const named = yield* swapping(bench, spread(bench), true, first)
  return named ? [named] : null
}

/** Leads a machine with this fault to a name: what it takes, and whether that is right. */
function led(way: Led, bench: TrialBench, fault: Fault, how: How, seed: number): Result | null {
  const chance = random(seed * 104_729 + 7)
  const hidden: HiddenFault =
    how === 'comes and goes'
      ? ({ ...fault, shows: 0.35 } as unknown as Fault)
      : { ...fault, onlyWarm: how === 'modules only when warm' }
  const arrangement = spread(bench)
  const first: Trial = { arrangement, reseat: false, profile: true, depth: 'test', action: null }
  let made = tryOut(hide(bench, arrangement, [hidden]), first, chance)
  for (let looks = 0; made.outcome.kind === 'PASS' && looks < 60; looks += 1) {
    made = tryOut(made.after, first, chance)
  }
  if (made.outcome.kind === 'PASS') return null
  const going = way(bench, made.outcome)
  const wrongAt = how === 'one wrong answer' ? Math.floor(chance() * 3) : -1
  let [minutes, before, next] = [0, first, going.next()]
  for (let at = 0; !next.done; at += 1) {
    const trial = next.value
    made = tryOut(made.after, trial, chance)
    const starts = made.outcome.kind === 'NO_START' ? 0 : 1
    minutes += minutesOfTrial(bench, before.arrangement, before.profile, trial, starts)
    before = trial
    const slip: TrialOutcome =
      made.outcome.kind === 'PASS' ? { kind: 'NO_START' } : { kind: 'PASS' }
    next = going.next(at === wrongAt ? slip : made.outcome)
  }
  return { minutes, judged: judge(next.value, hidden) }
}

/** Of seats that were seated again together, one was. */
function judge(parts: readonly string[] | null, fault: Fault): Result['judged'] {
  if (!parts) return 'none'
  const seats = parts.every((part) => part.startsWith('seat '))
  const right = seats
    ? parts.includes(suspectOf(fault))
    : parts.every((part) => part === suspectOf(fault))
  return right ? 'right' : 'wrong'
}

function summed(way: Led, bench: TrialBench, how: How, times: number) {
  const sums = { weight: 0, minutes: 0, right: 0, wrong: 0 }
  for (const { fault, weight } of causesOf(bench)) {
    if (how === 'comes and goes' && fault.kind === 'MACHINE') continue
    if (how === 'modules only when warm' && fault.kind !== 'MODULE') continue
    for (let time = 1; time <= times; time += 1) {
      const result = led(way, bench, fault, how, time)
      if (!result) continue
      sums.weight += weight
      sums.minutes += weight * result.minutes
      if (result.judged !== 'none') sums[result.judged] += weight
    }
  }
  const share = (sum: number) => `${((100 * sum) / sums.weight).toFixed(0)} %`
  return {
    minutes: sums.minutes / sums.weight,
    words: `${(sums.minutes / sums.weight).toFixed(0)} min, right ${share(sums.right)}, wrong ${share(sums.wrong)}`,
  }
}

const rows: { what: string; measured: string; aim: string }[] = []
for (const [count, how, times] of [
  [2, 'always', 1],
  [4, 'always', 1],
  [2, 'one wrong answer', 2],
  [2, 'comes and goes', 3],
  [2, 'modules only when warm', 3],
] as const) {
  const bench = benchOf(count)
  const [own, other] = [summed(ours, bench, how, times), summed(swap, bench, how, times)]
  rows.push({
    what: `finding the fault, ${count} modules, every cause by its weight, ${how}`,
    measured: `${own.words}; swapping, a good module first: ${other.words} (${(own.minutes / other.minutes).toFixed(2)}× its minutes)`,
    aim: AIMS[how],
  })
}

const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1] as number
const spent = [2, 4, 8, 24, 32, 64].map((count) => {
  const bench = benchOf(count)
  const start = {
    arrangement: spread(bench),
    profile: true,
    outcome: { kind: 'NO_START' as const },
  }
  const alone = (module: string): Made => ({
    arrangement: { [bench.order[0] as string]: module },
    reseat: false,
    profile: true,
    depth: 'start',
    action: null,
    outcome: { kind: 'PASS' },
  })
  const request = { bench, start, trials: [alone('m1'), alone('m2')] }
  const times = Array.from({ length: 11 }, () => {
    const begun = performance.now()
    diagnose(request)
    return performance.now() - begun
  })
  return `${median(times).toFixed(0)} ms`
})
rows.push({
  what: 'diagnosing after two trials: 2, 4, 8, 24, 32, 64 modules and slots',
  measured: spent.join(', '),
  aim: 'under 50 ms to 8, under 200 ms beyond',
})
writeFileSync(process.argv[2] as string, JSON.stringify(rows))
