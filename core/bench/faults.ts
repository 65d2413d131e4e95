import { writeFileSync } from 'node:fs'
import {
  type Bench,
  type Fault,
  minutesOfTrial,
  observed,
  partOf,
  proposals,
  STARTING_CAUSES,
  suspect,
  suspects,
  verdict,
} from '../src/diagnose'
import { random } from '../src/random'
import { hide, tryOut } from '../src/simulate'
import { oneAtATime } from './oneAtATime'

const ORDER: Record<number, string[]> = {
  2: ['A', 'B'],
  4: ['A2', 'B2', 'A1', 'B1'],
  8: ['A1', 'C1', 'B1', 'D1', 'A2', 'C2', 'B2', 'D2'],
}
const MOST_TRIALS = 40

function benchOf(count: number): Bench {
  const modules = Array.from({ length: count }, (_, at) => `m${at + 1}`)
  return { order: ORDER[count] as string[], mustFill: [], modules }
}

const spread = (bench: Bench) =>
  Object.fromEntries(bench.modules.map((module, at) => [bench.order[at] as string, module]))

function faultsOf(bench: Bench): Fault[] {
  const { modules, order } = bench
  const ways = ['stops', 'missing', 'errors'] as const
  return [
    ...modules.flatMap((module) => ways.map((way): Fault => ({ kind: 'MODULE', module, way }))),
    ...order.flatMap((slot): Fault[] => [
      { kind: 'SLOT', slot, way: 'stops' },
      { kind: 'SLOT', slot, way: 'missing' },
      { kind: 'SEAT', slot, way: 'stops' },
      { kind: 'SEAT', slot, way: 'missing' },
    ]),
    { kind: 'PROFILE', way: 'stops' },
    { kind: 'PROFILE', way: 'errors' },
    { kind: 'LIMIT', way: 'missing' },
  ]
}

interface Result {
  minutes: number
  trials: number
  right: boolean
}

/** What is known at the start: a first start, or a test where that shows nothing. */
function adaptive(bench: Bench, faults: Fault[]): Result | null {
  const arrangement = spread(bench)
  let machine = hide(bench, arrangement, faults)
  const first = { arrangement, reseat: false, profile: true, depth: 'test' as const }
  const begun = tryOut(machine, first)
  if (begun.outcome.kind === 'PASS') return null
  let suspicion = observed(suspect(bench, arrangement, true, STARTING_CAUSES), first, begun.outcome)
  let [minutes, trials] = [0, 0]
  while (trials < MOST_TRIALS) {
    const named = verdict(suspicion)
    if (named) return { minutes, trials, right: isRight(named.parts, faults) }
    const [best] = proposals(suspicion, 1)
    if (!best) {
      const [first] = suspects(suspicion)
      return { minutes, trials, right: isRight(first?.parts ?? [], faults) }
    }
    const made = tryOut(machine, best.trial)
    machine = made.after
    suspicion = observed(suspicion, best.trial, made.outcome)
    minutes += best.minutes
    trials += 1
  }
  return { minutes, trials, right: false }
}

/** A part that is named is truly at fault; of seats that were seated anew together, one was. */
function isRight(parts: readonly string[], faults: readonly Fault[]): boolean {
  const hidden = faults.map(partOf)
  const others = parts.filter((part) => !part.startsWith('seat '))
  if (others.length > 0) return others.every((part) => hidden.includes(part))
  return parts.some((part) => hidden.includes(part))
}

function baseline(bench: Bench, faults: Fault[]): Result {
  const arrangement = spread(bench)
  let machine = hide(bench, arrangement, faults)
  const going = oneAtATime(bench, arrangement, true)
  let [minutes, trials] = [0, 0]
  let from = machine.arrangement
  let profile = true
  let next = going.next()
  while (!next.done) {
    const trial = next.value
    minutes += minutesOfTrial(bench, from, profile, trial)
    trials += 1
    const made = tryOut(machine, trial)
    machine = made.after
    from = trial.arrangement
    profile = trial.profile
    next = going.next(made.outcome)
  }
  const named = next.value
  const right = faults.some((fault) => partOf(fault).startsWith(named ?? 'nothing'))
  return { minutes, trials, right }
}

const rows: { what: string; measured: string; aim: string }[] = []
const mean = (values: number[]) => values.reduce((sum, one) => sum + one, 0) / values.length
for (const count of [2, 4, 8]) {
  const bench = benchOf(count)
  const singles = faultsOf(bench)
  const next = random(count)
  const pick = () => singles[Math.floor(next() * singles.length)] as Fault
  const cases: Fault[][] = [
    ...singles.map((fault) => [fault]),
    ...Array.from({ length: 20 }, () => [pick(), pick()] as Fault[]).filter(
      ([a, b]) => a && b && partOf(a) !== partOf(b),
    ),
  ]
  const ours: Result[] = []
  const theirs: Result[] = []
  const singleRight: boolean[] = []
  cases.forEach((faults) => {
    const found = adaptive(bench, faults)
    if (!found) return
    ours.push(found)
    theirs.push(baseline(bench, faults))
    if (faults.length === 1) singleRight.push(found.right)
  })
  const share = (rights: boolean[]) =>
    `${((100 * rights.filter(Boolean).length) / rights.length).toFixed(0)} %`
  rows.push({
    what: `finding the fault, ${count} modules: every single fault and 20 pairs`,
    measured: `${mean(ours.map(({ minutes }) => minutes)).toFixed(0)} min in ${mean(ours.map(({ trials }) => trials)).toFixed(1)} trials, ${(mean(ours.map(({ minutes }) => minutes)) / mean(theirs.map(({ minutes }) => minutes))).toFixed(2)}× of one at a time (${mean(theirs.map(({ minutes }) => minutes)).toFixed(0)} min); named right ${share(ours.map(({ right }) => right))} (single faults ${share(singleRight)}), one at a time ${share(theirs.map(({ right }) => right))}`,
    aim: 'under 0.6×, 95 % right',
  })
}

const bench = benchOf(8)
const arrangement = spread(bench)
const start = suspect(bench, arrangement, true, STARTING_CAUSES)
const trial = { arrangement, reseat: true, profile: true, depth: 'test' as const }
const times = Array.from({ length: 21 }, () => {
  const begun = performance.now()
  observed(start, trial, { kind: 'MISSING', slots: ['B1'] })
  return performance.now() - begun
}).sort((a, b) => a - b)
const begun = performance.now()
proposals(start)
rows.push({
  what: `fault inference, 8 modules in 8 slots and pairs (${start.chances.length} hypotheses): one update; the best trials from there`,
  measured: `${(times[10] as number).toFixed(1)} ms; ${(performance.now() - begun).toFixed(0)} ms`,
  aim: 'update under 50 ms',
})
writeFileSync(process.argv[2] as string, JSON.stringify(rows))
