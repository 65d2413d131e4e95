import { writeFileSync } from 'node:fs'
import { type DiagnoseRequest, diagnose, type Made } from '../src/bench/diagnose'
import { type Course, coursesOf, type Led, ledBySwapping, ledByUs } from '../test/faultRuns'
import { benchOf, faultsOfBench, type WorldFault } from '../test/faultWorlds'

type Slots = 2 | 4 | 8
const ALL_SLOTS: Slots[] = [2, 4, 8]

const rows: { what: string; measured: string; aim: string }[] = []
const row = (what: string, measured: string, aim: string) => rows.push({ what, measured, aim })

/** How often each kind of fault is met after a fitting, in each way; a judgement of its own. */
const MET: Record<string, number> = {
  'seat stops': 18,
  'seat missing': 41,
  'module stops': 3.2,
  'module missing': 4.8,
  'module errors': 5,
  'slot stops': 0.9,
  'slot missing': 1.8,
  'slot errors': 0.3,
  'pair stops': 0.2,
  'pair errors': 0.8,
  'profile stops': 3.6,
  'profile errors': 8.4,
  'limit stops': 1.2,
  'limit missing': 1.8,
  'setup stops': 6,
  'setup errors': 2,
  'training stops': 10,
  'machine stops': 3.5,
  'machine errors': 1.3,
}
const metOf = ({ part, way }: WorldFault) => MET[`${part.kind} ${way}`] as number
const percent = (share: number) => `${(100 * share).toFixed(0)} %`

/** Steady faults of a bench, every so many of them, each once for every seed. */
const steady = (slots: Slots, every = 1, more: Partial<Course> = {}): Course[] =>
  faultsOfBench(benchOf(slots)).flatMap((fault, at) =>
    at % every === 0 ? [{ slots, faults: [fault], seed: at + 1, ...more }] : [],
  )

function tally(led: readonly Led[]) {
  const share = (is: (one: Led) => boolean) => led.filter(is).length / led.length
  const memory = ({ state, parts }: Led) =>
    state === 'named' && parts.some((part) => /^(module|slot|pair) /.test(part))
  return {
    right: percent(share(({ judged }) => judged === 'right')),
    wrong: percent(share(({ judged }) => judged === 'wrong')),
    memory: percent(share(memory)),
    pair: percent(share(({ parts }) => parts.some((part) => part.startsWith('pair')))),
    machine: percent(share(({ parts }) => parts.join() === 'machine')),
    nothing: percent(share(({ state }) => state === 'nothing')),
    minutes: `${(led.reduce((sum, one) => sum + one.minutes, 0) / led.length).toFixed(0)} min`,
  }
}

for (const slots of ALL_SLOTS) {
  const courses = steady(slots)
  const ours = courses.map(ledByUs)
  const swapped = courses.map(ledBySwapping)
  const mean = (led: readonly Led[], of: (one: Led) => number) => {
    const weights = courses.map(({ faults: [fault] }) => metOf(fault as WorldFault))
    const sum = led.reduce((total, one, at) => total + of(one) * (weights[at] as number), 0)
    return sum / weights.reduce((total, weight) => total + weight, 0)
  }
  const share = (led: readonly Led[], judged: Led['judged']) =>
    percent(led.filter((one) => one.judged === judged).length / led.length)
  const minutes = [ours, swapped].map((led) => mean(led, (one) => one.minutes)) as [number, number]
  const ratioOf = (kind: string) => {
    const at = courses.flatMap(({ faults: [fault] }, n) => (fault?.part.kind === kind ? [n] : []))
    const sum = (led: readonly Led[]) => at.reduce((total, n) => total + (led[n]?.minutes ?? 0), 0)
    return (sum(ours) / sum(swapped)).toFixed(2)
  }
  const total = (of: (one: Led) => number) => ours.reduce((sum, one) => sum + of(one), 0)
  row(
    `finding a fault that always shows, ${slots} slots, every cause`,
    `named or cured right ${share(ours, 'right')}, wrong ${share(ours, 'wrong')}; swapping with the same controls right ${share(swapped, 'right')}, wrong ${share(swapped, 'wrong')}`,
    'right 97 %, wrong 1 %',
  )
  row(
    `its minutes, mean over causes as they are met, ${slots} slots`,
    `${minutes[0].toFixed(0)} min against ${minutes[1].toFixed(0)} (${(minutes[0] / minutes[1]).toFixed(2)}×); a seat ${ratioOf('seat')}×, a dead machine ${ratioOf('machine')}×; plain restarts ${percent(total(({ plain }) => plain) / total(({ trials }) => trials))} of the trials`,
    'at most 1×; 1.5×; 1.2×; a third',
  )
}

for (const slots of ALL_SLOTS) {
  const machines = slots === 8 ? 24 : 60
  const some = [0.3, 0.5, 0.7, 0.9].map((often) => {
    const { memory, machine } = tally(coursesOf(slots, 'machine', machines, { often }).map(ledByUs))
    return `at ${often} ${memory}, "not the memory" ${machine}`
  })
  row(
    `a machine that fails now and then, ${slots} slots: a module, slot or pair named`,
    some.join('; '),
    '5 %',
  )
  for (const kind of ['module', 'slot'] as const) {
    const led = coursesOf(slots, kind, machines, { often: 0.35 }).map(ledByUs)
    const { right, wrong, minutes } = tally(led)
    row(
      `a ${kind} that shows at 0.35, ${slots} slots`,
      `wrong ${wrong}, right ${right}, ${minutes}`,
      'wrong 5 %',
    )
  }
  const aboves = slots === 2 ? [1] : [1, slots - 1]
  const profiles = aboves.flatMap((above) =>
    coursesOf(slots, 'profile', 8, { part: { kind: 'profile', above } }),
  )
  const { right, pair } = tally(profiles.map(ledByUs))
  row(
    `a profile that fails with several modules only, ${slots} slots`,
    `profile or limit ${right}, a pair ${pair}`,
    '90 %; 2 %',
  )
  const warm = (['module', 'slot', 'machine'] as const).flatMap((kind) =>
    [null, true].flatMap((said) =>
      coursesOf(slots, kind, 6, { warm: true }).map((course) => ({ ...course, warm: said })),
    ),
  )
  const warmed = tally(warm.map(ledByUs))
  row(`only when warm, ${slots} slots`, `wrong ${warmed.wrong}, right ${warmed.right}`, 'wrong 5 %')
  const every = slots === 2 ? 1 : slots
  const slips = [0, 1, 2].flatMap((wrongAt) => steady(slots, every, { wrongAt }).map(ledByUs))
  const slipped = tally(slips)
  row(
    `one wrong answer among the first three, ${slots} slots`,
    `wrong ${slipped.wrong}, right ${slipped.right}`,
    'wrong 10 %',
  )
  const sound = (first: 'NO_START' | 'ERRORS') =>
    ledByUs({ slots, faults: [], seed: 1, first: { kind: first } })
  const [start, test] = [sound('NO_START'), sound('ERRORS')]
  row(
    `a sound machine after one complaint, ${slots} slots`,
    `of a start: ${start.state} after ${start.minutes.toFixed(0)} min; of a test: ${test.state} after ${test.trials} tests`,
    'within an hour; within eight tests',
  )
}

const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1] as number
const spent = [2, 4, 8, 24, 32, 64].map((count) => {
  const order = Array.from({ length: count }, (_, at) => `S${at + 1}`)
  const modules = order.map((_, at) => `m${at + 1}`)
  const bench = { order, mustFill: [], modules, known: ['good'], profiles: true }
  const whole = Object.fromEntries(modules.map((module, at) => [order[at] as string, module]))
  const made = (arrangement: Record<string, string>, kind: 'PASS' | 'NO_START'): Made => ({
    arrangement,
    reseat: false,
    profile: true,
    depth: 'start',
    action: null,
    outcome: { kind },
  })
  const request: DiagnoseRequest = {
    bench,
    start: { arrangement: whole, profile: true, outcome: { kind: 'NO_START' } },
    trials: [made(whole, 'NO_START'), made({ S1: 'm1' }, 'PASS'), made({ S1: 'm2' }, 'PASS')],
  }
  const times = Array.from({ length: 11 }, () => {
    const begun = performance.now()
    diagnose(request)
    return performance.now() - begun
  })
  return `${median(times).toFixed(0)} ms`
})
row(
  'diagnosing after three trials: 2, 4, 8, 24, 32, 64 modules and slots',
  spent.join(', '),
  'under 50 ms to 8, under 200 ms beyond',
)
writeFileSync(process.argv[2] as string, JSON.stringify(rows))
