import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { random } from '../../things/random'
import { hide, tryOut } from '../simulate'
import {
  type Action,
  always,
  controlsMissing,
  type DiagnoseRequest,
  diagnose,
  type Fault,
  type Made,
  meanings,
  minutesOfTrial,
  observed,
  outcomeOf,
  proposals,
  STARTING_CAUSES,
  suspect,
  suspectOf,
  suspects,
  type Trial,
  type TrialBench,
  type TrialOutcome,
  verdict,
} from '.'

const bench: TrialBench = {
  order: ['A2', 'B2', 'A1', 'B1'],
  mustFill: [],
  modules: ['m1', 'm2', 'm3', 'm4'],
  known: [],
  profiles: true,
}
const full = { A2: 'm1', B2: 'm2', A1: 'm3', B1: 'm4' }
const begun = (profile = false) => suspect(bench, full, profile, STARTING_CAUSES)
const trial = (changes: Partial<Trial> = {}): Trial => ({
  arrangement: full,
  reseat: false,
  profile: false,
  depth: 'start',
  action: null,
  ...changes,
})
const made = (outcome: TrialOutcome, changes: Partial<Made> = {}): Made => ({
  ...trial(changes),
  ...changes,
  outcome,
})
const missing = (...slots: string[]): TrialOutcome => ({ kind: 'MISSING', slots })
const NO_START: TrialOutcome = { kind: 'NO_START' }
const PASS: TrialOutcome = { kind: 'PASS' }
const ERRORS: TrialOutcome = { kind: 'ERRORS' }
const chanceOf = (suspicion: ReturnType<typeof begun>, part: string) =>
  suspects(suspicion).find(({ parts }) => parts.join() === part)?.chance ?? 0

describe('Bayes, by hand', () => {
  test('the start follows the table', () => {
    const [seat, module, slot, machine] = ['seat A2', 'module m1', 'slot A2', 'machine'].map(
      (part) => chanceOf(begun(), part),
    ) as [number, number, number, number]
    expect(seat / module).toBeCloseTo(60 / 13, 1)
    expect(module / slot).toBeCloseTo(13 / 3, 1)
    // The machine is there once, and always shows.
    expect(machine / slot).toBeCloseTo(5 / 3, 1)
    const all = suspects(begun()).reduce((total, { chance }) => total + chance, 0)
    expect(all).toBeCloseTo(1, 9)
  })

  test('what would not show as it stands is no cause by itself', () => {
    const after = (arrangement: Record<string, string>) =>
      observed(
        suspect({ ...bench, modules: ['m1', 'm2'] }, arrangement, false, STARTING_CAUSES),
        trial({ arrangement }),
        NO_START,
      )
    expect(chanceOf(after({ A2: 'm1', B2: 'm2' }), 'order')).toBeLessThan(0.001)
    expect(chanceOf(after({ A2: 'm1', B2: 'm2' }), 'slot A1')).toBeLessThan(0.001)
    expect(chanceOf(after({ A1: 'm1', B1: 'm2' }), 'order')).toBeGreaterThan(0.02)
  })

  test('a slot that is not seen: seat 60 × 0.68, module 8 × 0.6, slot 3 × 0.6', () => {
    const after = observed(begun(), trial(), missing('B2'))
    const [seat, module, slot] = ['seat B2', 'module m2', 'slot B2'].map((part) =>
      chanceOf(after, part),
    ) as [number, number, number]
    expect(seat / module).toBeCloseTo((60 * 0.68) / (8 * 0.6), 1)
    expect(module / slot).toBeCloseTo((8 * 0.6) / (3 * 0.6), 1)
  })

  test('a fault that shows half the time passes half the time', () => {
    const once = observed(begun(), trial(), missing('B2'))
    const shareOf = (suspicion: ReturnType<typeof begun>) =>
      suspects(suspicion, 'intermittent').reduce((sum, { chance }) => sum + chance, 0)
    const passed = observed(once, trial(), PASS)
    expect(shareOf(once)).toBeLessThan(0.15)
    expect(shareOf(passed)).toBeGreaterThan(0.6)
    expect(verdict(passed, [made(missing('B2')), made(PASS)])).toBeNull()
  })

  test('an answer that was said to be unsure moves less', () => {
    const sure = observed(begun(), trial(), missing('B2'))
    const unsure = observed(begun(), trial(), missing('B2'), true)
    expect(chanceOf(unsure, 'seat B2')).toBeLessThan(chanceOf(sure, 'seat B2'))
    expect(chanceOf(unsure, 'seat B2')).toBeGreaterThan(chanceOf(begun(), 'seat B2'))
  })

  test('the fault that goes with the module is the module’s, the one that stays the slot’s', () => {
    const shown = observed(begun(), trial(), missing('B2'))
    const seated = observed(shown, trial({ reseat: true }), missing('B2'))
    const turned = trial({ arrangement: { A2: 'm2', B2: 'm3', A1: 'm4', B1: 'm1' } })
    expect(suspects(observed(seated, turned, missing('A2')))[0]?.parts).toEqual(['module m2'])
    expect(suspects(observed(seated, turned, missing('B2')))[0]?.parts).toEqual(['slot B2'])
  })
})

describe('what a trial shows', () => {
  test('no start before a missing slot, that before errors; errors only under test', () => {
    const stops = { way: 'stops', slot: 'A2' } as const
    const gone = { way: 'missing', slot: 'B2' } as const
    const errs = { way: 'errors', slot: 'A1' } as const
    expect(outcomeOf(trial(), [stops, gone])).toBe('NO_START')
    expect(outcomeOf(trial(), [gone, errs])).toBe('MISSING B2')
    expect(outcomeOf(trial(), [errs])).toMatch(/^PASS/)
    expect(outcomeOf(trial({ depth: 'test' }), [errs, null])).toBe('ERRORS')
  })

  test('takes minutes by moves, seats, start and test; what does not start is not tested', () => {
    expect(minutesOfTrial(bench, full, false, trial())).toBe(1)
    // Made safe 2, four seats at 0.5, a first start of 0.5 to 3, and 1 to 2 minutes for each of 32 GB.
    const seated = trial({ reseat: true, depth: 'test' })
    expect(minutesOfTrial(bench, full, false, seated)).toBe(2 + 2 + 1.75 + 48)
    expect(minutesOfTrial(bench, full, false, seated, 0)).toBe(2 + 2 + 1.75)
    // Three modules out.
    const alone = trial({ arrangement: { A2: 'm1' } })
    expect(minutesOfTrial(bench, full, true, alone)).toBe(2 + 4.5 + 1.75 + 2)
    expect(minutesOfTrial(bench, full, false, trial({ action: 'wait' }))).toBe(3)
  })

  test('larger modules take longer to test, and DDR5 longer to train', () => {
    const sizes = { m1: 32, m2: 32, m3: 32, m4: 32 }
    const large: TrialBench = { ...bench, sizes, generation: 'DDR5' }
    expect(minutesOfTrial(large, full, false, trial({ depth: 'test' }))).toBe(1 + 192)
    // Four large ones train for 10 to 20 minutes.
    expect(minutesOfTrial(large, full, false, trial({ reseat: true }))).toBe(2 + 2 + 15)
  })
})

describe('nothing is named without its control', () => {
  const alone = (slot: string, module: string) => ({ arrangement: { [slot]: module } })
  const all = (part: string, ...trials: Made[]) => controlsMissing(part, bench, trials)
  const of = (...asked: Parameters<typeof all>) =>
    all(...asked).filter((control) => control !== 'pass-again')

  test('a module: wrong with it, well without it in the same slot and at the same settings', () => {
    expect(of('module m1')).toEqual(['symptom'])
    const bad = made(NO_START, alone('A2', 'm1'))
    expect(of('module m1', bad)).toEqual(['pass-without'])
    expect(of('module m1', bad, made(PASS, alone('B2', 'm2')))).toEqual(['pass-without'])
    expect(of('module m1', bad, made(PASS, { ...alone('A2', 'm2'), profile: true }))).toEqual([
      'pass-without',
    ])
    expect(of('module m1', bad, made(PASS, { ...alone('A2', 'm2'), unsure: true }))).toEqual([
      'pass-without',
    ])
    expect(of('module m1', bad, made(PASS, alone('A2', 'm2')))).toEqual([])
  })

  test('what shows only under test has passed only under test', () => {
    const bad = made(ERRORS, { ...alone('A2', 'm1'), depth: 'test' })
    expect(of('module m1', bad, made(PASS, alone('A2', 'm2')))).toEqual(['pass-without'])
    expect(of('module m1', bad, made(PASS, { ...alone('A2', 'm2'), depth: 'test' }))).toEqual([])
  })

  test('a slot: wrong with two modules in it, and one of them well in another', () => {
    const first = made(missing('B2'))
    expect(of('slot B2', first)).toEqual(['other-module', 'pass-elsewhere'])
    const second = made(NO_START, alone('B2', 'm3'))
    expect(of('slot B2', first, second)).toEqual(['pass-elsewhere'])
    expect(of('slot B2', first, second, made(PASS, alone('A2', 'm3')))).toEqual([])
  })

  test('a setup: wrong twice as it stood, well once it is cleared, with all else the same', () => {
    const cleared = made(PASS, { action: 'clear-setup' })
    expect(of('setup', made(NO_START), cleared)).toEqual(['cured'])
    expect(of('setup', made(NO_START), made(NO_START), cleared)).toEqual([])
    const moved = made(PASS, { action: 'clear-setup', ...alone('A2', 'm1') })
    expect(of('setup', made(NO_START), made(NO_START), moved)).toEqual(['cured'])
  })

  test('the machine: everything that can be changed was changed, and the symptom stayed', () => {
    const actions: Action[] = ['clear-setup', 'wait', 'clean', 'connect']
    const done = actions.map((action) => made(NO_START, { ...alone('A2', 'm1'), action }))
    expect(of('machine', made(NO_START))).toEqual([...actions, 'other-module', 'other-slot'])
    expect(of('machine', ...done)).toEqual(['other-module', 'other-slot'])
    expect(of('machine', ...done, made(NO_START, alone('B2', 'm2')))).toEqual([])
  })

  test('the machine: a module known to be good has to have been tried where there is one', () => {
    const withKnown: TrialBench = { ...bench, known: ['g1'] }
    const trials = (['clear-setup', 'wait', 'clean', 'connect'] as const).map((action) =>
      made(NO_START, { ...alone('A2', 'm1'), action }),
    )
    trials.push(made(NO_START, alone('B2', 'm2')))
    expect(controlsMissing('machine', withKnown, trials)).toEqual(['other-module'])
    const tried = [...trials, made(NO_START, alone('B2', 'g1'))]
    expect(controlsMissing('machine', withKnown, tried)).toEqual([])
  })

  test('what is wrong each time with the profile on, and well each time without, comes and goes with it', () => {
    const on = () => made(NO_START, { profile: true })
    const off = made(PASS)
    const passes = (...trials: Made[]) =>
      all('profile', ...trials).filter((control) => control === 'pass-again').length
    // 0.35³ × 0.65 = 0.028 < 0.03, in whichever order.
    expect(passes(on(), on(), on(), on(), off)).toBe(0)
    expect(passes(on(), on(), on(), off, on())).toBe(0)
    // Well once with it on as well: nine without it.
    expect(passes(on(), on(), on(), off, on(), made(PASS, { profile: true }))).toBe(8)
  })

  test('what was seen once has to stay away nine times, what came each time less often', () => {
    const bad = made(missing('B2'))
    const cured = made(PASS, { reseat: true })
    const again = (...trials: Made[]) =>
      all('seat B2', ...trials).filter((control) => control === 'pass-again').length
    // 0.65⁹ = 0.021 < 0.03; 0.35 × 0.65⁶ = 0.026; 0.35² × 0.65⁴ = 0.022.
    expect(again(bad, cured)).toBe(8)
    expect(again(bad, bad, cured)).toBe(5)
    expect(again(bad, bad, bad, cured)).toBe(3)
    // It passed before it was seated again: it comes and goes.
    expect(again(bad, made(PASS), bad, bad, cured)).toBe(8)
  })

  const again = (part: string, ...trials: Made[]) =>
    all(part, ...trials).filter((control) => control === 'pass-again').length

  test('what is missing in all is told from the start, so that each step towards it counts', () => {
    const bad = made(missing('B1'))
    const gone = () => made(missing('B2'))
    // 0.35² × 0.65⁴ = 0.022 < 0.03.
    expect(all('module m4', bad, bad, bad)).toEqual([
      'pass-without',
      ...Array(4).fill('pass-again'),
    ])
    expect(all('slot B2', gone(), gone(), gone())).toHaveLength(2 + 4)
  })

  test('a seat is shown by what stood as it stood, with no module taken out', () => {
    const bad = made(NO_START)
    const fewer = { arrangement: { B2: 'm2', A1: 'm3', B1: 'm4' } }
    const cured = made(PASS, { reseat: true })
    expect(of('seat B2', bad, made(PASS, { ...fewer, reseat: true }))).toEqual(['cured'])
    expect(again('seat B2', bad, cured)).toBe(8)
    expect(again('seat B2', bad, cured, made(PASS, fewer), made(PASS, fewer))).toBe(8)
    expect(again('seat B2', bad, cured, made(PASS), made(PASS))).toBe(6)
  })

  test('a limit is shown in smaller company only', () => {
    const pair = { arrangement: { A2: 'm1', B2: 'm2' } }
    const bad = made(NO_START, pair)
    expect(of('limit', bad, made(PASS, pair), made(PASS, pair))).toHaveLength(2)
    expect(again('limit', bad, made(PASS, pair))).toBe(9)
    expect(again('limit', bad, made(PASS, alone('A2', 'm1')))).toBe(8)
  })

  test('what comes and goes under test needs its passes there too, what always came none', () => {
    const tested = (outcome: TrialOutcome, module: string) =>
      made(outcome, { ...alone('A2', module), depth: 'test' })
    const steady = [tested(ERRORS, 'm1'), tested(ERRORS, 'm1'), tested(PASS, 'm2')]
    expect(all('module m1', ...steady)).toEqual([])
    expect(again('module m1', ...steady, tested(PASS, 'm1'))).toBe(8)
  })

  test('profile, pair, order and limit each against the like without them', () => {
    const on = made(ERRORS, { profile: true, depth: 'test' })
    expect(of('profile', on)).toEqual(['pass-without'])
    expect(of('profile', on, made(PASS, { depth: 'test' }))).toEqual([])
    const pair = made(NO_START, { arrangement: { A2: 'm1', B2: 'm2' } })
    expect(of('pair m1 m2', pair, made(PASS, alone('A2', 'm1')))).toEqual(['pass-without'])
    expect(
      of('pair m1 m2', pair, made(PASS, alone('A2', 'm1')), made(PASS, alone('A2', 'm2'))),
    ).toEqual([])
    const odd = made(NO_START, { arrangement: { A1: 'm1', B1: 'm2' } })
    expect(of('order', odd, made(PASS, { arrangement: { A2: 'm1', B2: 'm2' } }))).toEqual([])
    expect(of('order', odd, made(PASS, alone('A2', 'm1')))).toEqual(['pass-without'])
    expect(of('limit', made(NO_START), made(PASS, alone('A2', 'm1')))).toHaveLength(3)
  })
})

/** A machine with hidden faults, led through to a name or to the end of what can be tried. */
function found(
  standing: TrialBench,
  faults: Fault[],
  seed: number,
  { profile = true, wrongAt = -1, most = 40 } = {},
) {
  const chance = random(seed * 104_729 + 7)
  const arrangement = Object.fromEntries(
    standing.modules.map((module, at) => [standing.order[at] as string, module]),
  )
  let machine = hide(standing, arrangement, faults)
  const first = trial({ arrangement, profile, depth: 'test' })
  let start = tryOut(machine, first, chance)
  for (let looks = 0; start.outcome.kind === 'PASS' && looks < 60; looks += 1) {
    start = tryOut(machine, first, chance)
  }
  machine = start.after
  const request: DiagnoseRequest & { trials: Made[] } = {
    bench: standing,
    start: { arrangement, profile, outcome: start.outcome },
    trials: [],
  }
  for (let at = 0; at < most; at += 1) {
    const { named, next } = diagnose(request)
    if (named || !next[0]) return { named, request }
    const { trial: asked } = next[0]
    const tried = tryOut(machine, asked, chance)
    machine = tried.after
    const slip = tried.outcome.kind === 'PASS' ? NO_START : PASS
    request.trials.push({ ...asked, outcome: at === wrongAt ? slip : tried.outcome })
  }
  return { named: null, request }
}

function judged(named: { parts: string[] } | null, faults: readonly Fault[]) {
  if (!named) return 'none'
  const hidden = faults.map(suspectOf)
  // Seats seated again together: which it was is no matter.
  const seats = named.parts.every((part) => part.startsWith('seat '))
  const right = seats
    ? named.parts.some((part) => hidden.includes(part))
    : named.parts.every((part) => hidden.includes(part))
  return right ? 'right' : 'wrong'
}

const boardOf = (slots: number): TrialBench => ({
  order: Array.from({ length: slots }, (_, at) => `S${at + 1}`),
  mustFill: [],
  modules: Array.from({ length: slots }, (_, at) => `m${at + 1}`),
  known: [],
  profiles: false,
})

const two: TrialBench = { ...bench, order: ['A', 'B'], modules: ['m1', 'm2'], known: ['g1'] }
const ways = ['stops', 'missing', 'errors'] as const
const SINGLES: Fault[] = [
  ...two.modules.flatMap((module) => ways.map((way) => always({ kind: 'MODULE', module, way }))),
  ...two.order.flatMap((slot) => ways.map((way) => always({ kind: 'SLOT', slot, way }))),
  ...two.order.flatMap((slot) =>
    (['stops', 'missing'] as const).map((way) => always({ kind: 'SEAT', slot, way })),
  ),
  always({ kind: 'PAIR', modules: ['m1', 'm2'], way: 'errors' }),
  always({ kind: 'PROFILE', way: 'stops' }),
  always({ kind: 'PROFILE', way: 'errors' }),
  always({ kind: 'LIMIT', above: 1, way: 'stops' }),
  always({ kind: 'SETUP', way: 'stops' }),
  always({ kind: 'TRAINING', way: 'stops' }),
  always({ kind: 'MACHINE', way: 'stops' }),
  always({ kind: 'MACHINE', way: 'errors' }),
]

describe('finding', () => {
  test.each(
    SINGLES.map((fault) => [`${suspectOf(fault)}, ${'way' in fault ? fault.way : ''}`, fault]),
  )('a single fault that always shows is named: %s', (_, fault) => {
    const { named } = found(two, [fault as Fault], 1)
    expect(judged(named, [fault as Fault])).toBe('right')
  })

  test('a dead machine is never a module nor a slot, whatever its modules', () => {
    for (const known of [[], ['g1']]) {
      for (const way of ['stops', 'errors'] as const) {
        const { named } = found({ ...two, known }, [always({ kind: 'MACHINE', way })], 2)
        expect(named?.parts ?? ['machine']).toEqual(['machine'])
      }
    }
  })

  test('one wrong answer among the first three: a wrong part in at most 10 of 100', () => {
    const results = SINGLES.map((fault, at) =>
      judged(found(two, [fault], at, { wrongAt: at % 3, most: 25 }).named, [fault]),
    )
    const share = (kind: string) => results.filter((one) => one === kind).length / results.length
    expect(share('wrong')).toBeLessThanOrEqual(0.1)
    expect(share('right')).toBeGreaterThan(0.75)
  })

  test('modules that come and go: a wrong part in at most 5 of 100', () => {
    const coming = (['stops', 'missing', 'errors'] as const).flatMap((way) =>
      two.modules.map(
        (module) => ({ ...always({ kind: 'MODULE', module, way }), shows: 0.35 }) as never as Fault,
      ),
    )
    const results = coming.flatMap((fault) =>
      [1, 2, 3, 4].map((seed) => judged(found(two, [fault], seed, { most: 20 }).named, [fault])),
    )
    const wrong = results.filter((one) => one === 'wrong').length
    expect(wrong / results.length).toBeLessThanOrEqual(0.05)
    expect(results).toContain('right')
  })

  test('two modules that are both dead: nothing sound is named', () => {
    const dead = ['m1', 'm2'].map((module) => always({ kind: 'MODULE', module, way: 'stops' }))
    const { named } = found(two, dead, 3)
    expect(judged(named, dead)).not.toBe('wrong')
  })

  test.each([24, 64])('two dead modules on a board of %i slots are named together', (slots) => {
    const large = boardOf(slots)
    const whole = Object.fromEntries(large.order.map((slot, at) => [slot, `m${at + 1}`]))
    const alone = (module: string) => ({ arrangement: { S1: module } })
    const trials = [
      made(NO_START, { arrangement: whole, action: 'wait' }),
      made(NO_START, { arrangement: whole, action: 'clear-setup' }),
      ...['m3', 'm4', 'm3', 'm4'].map((module) => made(PASS, alone(module))),
      ...['m1', 'm2', 'm1', 'm2', 'm1', 'm2'].map((module) => made(NO_START, alone(module))),
      ...['m3', 'm4', 'm3', 'm4'].map((module) => made(PASS, alone(module))),
    ]
    const start = { arrangement: whole, profile: false, outcome: NO_START }
    const { suspects: all } = diagnose({ bench: large, start, trials })
    expect(all[0]?.parts).toEqual(['module m1', 'module m2'])
    expect(all[0]?.chance).toBeGreaterThan(0.8)
  })

  test('a large board is halved where it stands, not only module by module', () => {
    const large = boardOf(16)
    const whole = Object.fromEntries(large.order.map((slot, at) => [slot, `m${at + 1}`]))
    const begun = suspect(large, whole, false, STARTING_CAUSES)
    const stopped = made(NO_START, { arrangement: whole })
    const offered = proposals(observed(begun, stopped, NO_START), [stopped], 200)
    const halves = offered.filter(({ trial: { arrangement } }) => {
      const filled = Object.keys(arrangement)
      return filled.length === 8 && filled.every((slot) => arrangement[slot] === whole[slot])
    })
    expect(halves.length).toBeGreaterThan(2)
  })

  test('one module and one slot: it says that it cannot be told apart, and what would', () => {
    const single: TrialBench = { ...two, order: ['A'], modules: ['m1'], known: [] }
    const start = { arrangement: { A: 'm1' }, profile: false, outcome: NO_START }
    expect(diagnose({ bench: single, start, trials: [] })).toMatchObject({
      named: null,
      lacks: ['KNOWN_MODULE', 'ANOTHER_SLOT'],
    })
    const { named } = found(single, [always({ kind: 'MODULE', module: 'm1', way: 'stops' })], 4)
    expect(named).toBeNull()
  })

  test('an answer that does not fit the others is pointed at', () => {
    const start = { arrangement: { A: 'm1', B: 'm2' }, profile: false, outcome: NO_START }
    const alone = (slot: string, module: string) => ({ arrangement: { [slot]: module } })
    const trials = [
      made(NO_START, { arrangement: { A: 'm1', B: 'm2' } }),
      made(NO_START, { arrangement: { A: 'm1', B: 'm2' } }),
      made(PASS, alone('A', 'm1')),
      made(PASS, { arrangement: { A: 'm1', B: 'm2' } }),
      made(NO_START, alone('A', 'm2')),
      made(NO_START, { arrangement: { A: 'm1', B: 'm2' } }),
      made(NO_START, alone('B', 'm2')),
      made(NO_START, alone('B', 'm2')),
    ]
    const plain = { ...two, profiles: false }
    expect(diagnose({ bench: plain, start, trials }).doubtful).toEqual([3])
    const fitting = trials.filter((_, at) => at !== 3)
    expect(diagnose({ bench: plain, start, trials: fitting }).doubtful).toEqual([])
  })

  test('what shows at once is seen four times before anything is touched: one pass is enough then', () => {
    const { named, request } = found(two, [always({ kind: 'SEAT', slot: 'A', way: 'stops' })], 1)
    const again = { arrangement: { A: 'm1', B: 'm2' }, reseat: false, action: null }
    expect(request.trials).toHaveLength(4)
    for (const one of request.trials.slice(0, 3)) {
      expect(one).toMatchObject({ ...again, depth: 'start', outcome: NO_START })
    }
    expect(request.trials[3]).toMatchObject({ ...again, reseat: true, outcome: PASS })
    expect(named?.parts).toContain('seat A')
  })

  test('a first start cut short among four seats is named, not left open', () => {
    const training = always({ kind: 'TRAINING', way: 'stops' })
    expect(judged(found({ ...bench, known: ['g1'] }, [training], 1).named, [training])).toBe(
      'right',
    )
  })

  test('a board whose first slot must be filled is never tried without it', () => {
    const laptop: TrialBench = { ...two, mustFill: ['A'] }
    const start = suspect(laptop, { A: 'm1', B: 'm2' }, false, STARTING_CAUSES)
    const first = made(NO_START, { arrangement: { A: 'm1', B: 'm2' } })
    const offered = proposals(observed(start, first, NO_START), [first], 30)
    expect(offered.length).toBeGreaterThan(2)
    for (const { trial: one } of offered) expect(one.arrangement.A).toBeDefined()
  })

  test('what outcomes would mean is said, the likeliest first', () => {
    const shown = observed(begun(), trial(), missing('B2'))
    const said = meanings(shown, trial({ reseat: true }))
    expect(said[0]?.outcome).toEqual(PASS)
    expect(said[0]?.suspect.parts).toEqual(['seat B2'])
    expect(said.map(({ outcome }) => outcome)).toContainEqual(missing('B2'))
  })

  test('any answers at all, contradictory ones too, get an answer', () => {
    const outcome = fc.constantFrom(NO_START, PASS, ERRORS, missing('A'), missing('A', 'B'))
    const trials = fc.array(
      fc.record({
        outcome,
        reseat: fc.boolean(),
        profile: fc.boolean(),
        depth: fc.constantFrom('start', 'test'),
        action: fc.constantFrom(null, 'clear-setup', 'wait', 'clean', 'connect'),
        unsure: fc.boolean(),
      }),
      { maxLength: 8 },
    )
    const arrangement = { A: 'm1', B: 'm2' }
    fc.assert(
      fc.property(outcome, trials, (shown, answers) => {
        const { suspects: all, named } = diagnose({
          bench: two,
          start: { arrangement, profile: true, outcome: shown },
          trials: answers.map((one) => ({ ...one, arrangement }) as Made),
        })
        expect(all.length).toBeGreaterThan(0)
        expect(all.every(({ chance }) => chance > 0 && chance <= 1 + 1e-9)).toBe(true)
        if (named) expect(named.chance).toBeGreaterThan(0.9)
      }),
      { numRuns: 25 },
    )
  })
})
