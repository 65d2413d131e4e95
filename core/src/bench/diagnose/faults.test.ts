import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  type DiagnoseRequest,
  diagnose,
  faultsOf,
  type Made,
  meanings,
  minutesOfTrial,
  observed,
  outcomeOf,
  proposals,
  STARTING_CAUSES,
  searchOf,
  suspect,
  suspects,
  type Trial,
  type TrialBench,
  type TrialOutcome,
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
      faultsOf(suspicion).reduce(
        (sum, { shows }, at) => sum + (shows < 1 ? (suspicion.chances[at] as number) : 0),
        0,
      )
    const passed = observed(once, trial(), PASS)
    expect(shareOf(once)).toBeLessThan(0.15)
    expect(shareOf(passed)).toBeGreaterThan(0.6)
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
    // Without a picture it is given all of its first start, 3 min.
    expect(minutesOfTrial(bench, full, false, seated, 0)).toBe(2 + 2 + 3)
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

const boardOf = (slots: number): TrialBench => ({
  order: Array.from({ length: slots }, (_, at) => `S${at + 1}`),
  mustFill: [],
  modules: Array.from({ length: slots }, (_, at) => `m${at + 1}`),
  known: [],
  profiles: false,
})

const two: TrialBench = { ...bench, order: ['A', 'B'], modules: ['m1', 'm2'], known: ['g1'] }
const alone = (slot: string, module: string) => ({ arrangement: { [slot]: module } })

describe('finding', () => {
  test.each([24, 64])('two dead modules on a board of %i slots lead together', (slots) => {
    const large = boardOf(slots)
    const whole = Object.fromEntries(large.order.map((slot, at) => [slot, `m${at + 1}`]))
    const trials = [
      made(NO_START, { arrangement: whole, action: 'wait' }),
      made(NO_START, { arrangement: whole, action: 'clear-setup' }),
      ...['m3', 'm4', 'm3', 'm4'].map((module) => made(PASS, alone('S1', module))),
      ...['m1', 'm2', 'm1', 'm2', 'm1', 'm2'].map((module) => made(NO_START, alone('S1', module))),
      ...['m3', 'm4', 'm3', 'm4'].map((module) => made(PASS, alone('S1', module))),
    ]
    const start = { arrangement: whole, profile: false, outcome: NO_START }
    const { suspects: all } = diagnose({ bench: large, start, trials })
    expect(all[0]?.parts).toEqual(['module m1', 'module m2'])
    expect(all[0]?.chance).toBeGreaterThan(0.8)
  })

  test('a large board is halved where it stands, not only module by module', () => {
    const large = boardOf(16)
    const whole = Object.fromEntries(large.order.map((slot, at) => [slot, `m${at + 1}`]))
    const stopped = made(NO_START, { arrangement: whole })
    const search = searchOf(suspect(large, whole, false, STARTING_CAUSES), [stopped, stopped])
    const halves = proposals(search, 200).filter(({ trial: { arrangement } }) => {
      const filled = Object.keys(arrangement)
      return filled.length === 8 && filled.every((slot) => arrangement[slot] === whole[slot])
    })
    expect(halves.length).toBeGreaterThan(2)
  })

  test('one module and one slot: it says that it cannot be told apart, and what would', () => {
    const single: TrialBench = { ...two, order: ['A'], modules: ['m1'], known: [] }
    const start = { arrangement: { A: 'm1' }, profile: false, outcome: NO_START }
    const stands = { arrangement: { A: 'm1' } }
    const trials: Made[] = [made(NO_START, stands)]
    let now = diagnose({ bench: single, start, trials })
    for (let at = 0; at < 30 && now.next[0]; at += 1) {
      trials.push({ ...now.next[0].trial, outcome: NO_START })
      now = diagnose({ bench: single, start, trials })
    }
    expect(now).toMatchObject({
      state: 'cannot-tell',
      named: null,
      lacks: ['KNOWN_MODULE', 'ANOTHER_SLOT'],
    })
  })

  test('an answer that does not fit the others is pointed at', () => {
    const start = { arrangement: { A: 'm1', B: 'm2' }, profile: false, outcome: NO_START }
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

  test('a board whose first slot must be filled is never tried without it', () => {
    const laptop: TrialBench = { ...two, mustFill: ['A'] }
    const stopped = made(NO_START, { arrangement: { A: 'm1', B: 'm2' } })
    const begun = suspect(laptop, { A: 'm1', B: 'm2' }, false, STARTING_CAUSES)
    const offered = proposals(searchOf(begun, [stopped, stopped]), 30)
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
        warm: fc.boolean(),
        unsure: fc.boolean(),
      }),
      { maxLength: 8 },
    )
    const arrangement = { A: 'm1', B: 'm2' }
    const complaint = fc.record({
      fitted: fc.boolean(),
      warm: fc.constantFrom(null, true, false),
    })
    fc.assert(
      fc.property(outcome, trials, complaint, (shown, answers, said) => {
        const {
          suspects: all,
          named,
          state,
          next,
        } = diagnose({
          bench: two,
          start: { arrangement, profile: true, outcome: shown, ...said },
          trials: answers.map((one) => ({ ...one, arrangement }) as Made),
        })
        expect(all.length).toBeGreaterThan(0)
        expect(all.every(({ chance }) => chance > 0 && chance <= 1 + 1e-9)).toBe(true)
        // All modules stayed in their slots: no part of the memory was ever without its control.
        expect(named?.parts.some((part) => /^(module|slot|pair)/.test(part)) ?? false).toBe(false)
        expect(next.length > 0).toBe(state === 'open')
      }),
      { numRuns: 40 },
    )
  })
})

describe('the complaint', () => {
  const arrangement = { A: 'm1', B: 'm2' }
  const asked = (trials: Made[], start: Partial<DiagnoseRequest['start']> = {}) =>
    diagnose({
      bench: two,
      start: { arrangement, profile: true, outcome: NO_START, ...start },
      trials,
    })
  const stands = { arrangement, profile: true }

  test('is seen twice before anything is touched, not oftener', () => {
    const first = asked([]).next[0]
    expect(first).toMatchObject({
      why: 'SEE_AGAIN',
      trial: { ...stands, depth: 'start', action: null },
    })
    const then = asked([made(NO_START, stands)]).next
    expect(then.length).toBeGreaterThan(2)
    expect(then[0]?.trial).not.toMatchObject({ reseat: false, action: null, ...stands })
  })

  test('right after a fitting what cures comes first; later fewer are seats', () => {
    const seen = [made(NO_START, stands)]
    expect(asked(seen, { fitted: true }).next[0]).toMatchObject({
      why: 'CURE',
      trial: { reseat: true },
    })
    const seat = (fitted: boolean) =>
      asked(seen, { fitted }).suspects.find(({ parts }) => parts.join() === 'seat A')?.chance ?? 0
    expect(seat(false)).toBeLessThan(seat(true) / 2)
  })

  test('does not come again in seven clean trials: nothing, and what that cannot exclude', () => {
    const clean = Array.from({ length: 7 }, () => made(PASS, stands))
    expect(asked(clean.slice(1), { warm: false }).state).toBe('open')
    expect(asked(clean, { warm: false })).toMatchObject({
      state: 'nothing',
      next: [],
      cannotExclude: ['RARE', 'ONLY_WARM'],
    })
    // Nobody knows whether it comes only when warm: it has to be seen warm once.
    expect(asked(clean).state).toBe('open')
    const tested = [...clean.slice(1), made(PASS, { ...stands, depth: 'test' })]
    expect(asked(tested)).toMatchObject({ state: 'nothing', cannotExclude: ['RARE'] })
  })

  test('of errors in a test is not answered by starts', () => {
    const starts = Array.from({ length: 9 }, () => made(PASS, stands))
    const { state, next } = asked(starts, { outcome: ERRORS })
    expect(state).toBe('open')
    expect(next.map(({ trial: { depth } }) => depth)).toEqual(['test'])
    const tests = Array.from({ length: 7 }, () => made(PASS, { ...stands, depth: 'test' }))
    expect(asked(tests, { outcome: ERRORS }).state).toBe('nothing')
  })

  test('only when warm is looked for in tests and in starts right after one', () => {
    const first = asked([], { warm: true }).next[0]
    expect(first?.trial.depth).toBe('test')
    const [after] = asked([made(PASS, { ...stands, depth: 'test' })], { warm: true }).next
    expect(after?.trial).toMatchObject({ ...stands, depth: 'start', warm: true })
    const cold = asked([made(PASS, stands), made(PASS, stands)], { warm: true })
    expect(cold.suspects[0]?.parts[0]).not.toBe('nothing')
  })

  test('with no symptom seen yet: three starts, then tests, nothing touched', () => {
    for (let count = 0; count <= 3; count += 1) {
      const starts = Array.from({ length: count }, () => made(PASS, stands))
      for (const { trial: one } of asked(starts, { outcome: PASS }).next) {
        expect(one).toMatchObject({ ...stands, reseat: false, action: null })
        if (count === 3) expect(one.depth).toBe('test')
      }
    }
  })
})
