import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { hide, tryOut } from '../simulate'
import {
  type Bench,
  type Fault,
  meanings,
  minutesOfTrial,
  type Outcome,
  observed,
  outcomeOf,
  partOf,
  proposals,
  STARTING_CAUSES,
  suspect,
  suspects,
  type Trial,
  verdict,
} from '.'

const bench: Bench = {
  order: ['A2', 'B2', 'A1', 'B1'],
  mustFill: [],
  modules: ['m1', 'm2', 'm3', 'm4'],
}
const full = { A2: 'm1', B2: 'm2', A1: 'm3', B1: 'm4' }
const begun = (profile = false) => suspect(bench, full, profile, STARTING_CAUSES)
const trial = (changes: Partial<Trial> = {}): Trial => ({
  arrangement: full,
  reseat: false,
  profile: false,
  depth: 'start',
  ...changes,
})
const missing = (...slots: string[]): Outcome => ({ kind: 'MISSING', slots })
const chanceOf = (suspicion: ReturnType<typeof begun>, part: string) =>
  suspects(suspicion).find(({ parts }) => parts.join() === part)?.chance ?? 0

describe('Bayes, by hand', () => {
  test('the start follows the table: seats 240 of 313 and so on', () => {
    // Four modules and slots: seats 4 × 60, modules 4 × (8 + 5), slots 4 × 3, pairs 6, limit 3. The
    // order is no cause where all slots are filled.
    const singles = 240 + 52 + 12 + 6 + 3
    const alone = suspects(begun()).filter(({ parts }) => parts.length === 1)
    const sum = alone.reduce((all, { chance }) => all + chance, 0)
    expect(chanceOf(begun(), 'seat A2') / sum).toBeCloseTo(60 / singles, 2)
    expect(chanceOf(begun(), 'module m1') / sum).toBeCloseTo(13 / singles, 2)
    const all = suspects(begun()).reduce((total, { chance }) => total + chance, 0)
    expect(all).toBeCloseTo(1, 9)
  })

  test('what would not show as it stands is no cause by itself', () => {
    const two = { A2: 'm1', B2: 'm2' }
    const small = { ...bench, modules: ['m1', 'm2'] }
    const parts = (arrangement: typeof two | { A1: string; B1: string }) =>
      suspects(suspect(small, arrangement, false, STARTING_CAUSES)).flatMap((one) =>
        one.parts.length === 1 ? one.parts : [],
      )
    expect(parts(two)).not.toContain('order')
    expect(parts(two)).not.toContain('slot A1')
    expect(parts({ A1: 'm1', B1: 'm2' })).toContain('order')
  })

  test('a slot that is not seen: seat 60 × 0.68, module 8 × 0.6, slot 3 × 0.6', () => {
    const after = observed(begun(), trial(), missing('B2'))
    const [seat, module, slot] = ['seat B2', 'module m2', 'slot B2'].map((part) =>
      chanceOf(after, part),
    ) as [number, number, number]
    expect(seat / module).toBeCloseTo((60 * 0.68) / (8 * 0.6), 1)
    expect(module / slot).toBeCloseTo((8 * 0.6) / (3 * 0.6), 1)
  })

  test('seated anew and seen: it was the seat', () => {
    const shown = observed(begun(), trial(), missing('B2'))
    const cured = observed(shown, trial({ reseat: true, depth: 'test' }), { kind: 'PASS' })
    expect(verdict(cured)?.parts).toEqual(['seat B2'])
  })

  test('the fault that goes with the module is the module’s, the one that stays the slot’s', () => {
    const shown = observed(begun(), trial(), missing('B2'))
    const seated = observed(shown, trial({ reseat: true }), missing('B2'))
    const turned = trial({ arrangement: { A2: 'm2', B2: 'm3', A1: 'm4', B1: 'm1' } })
    const [went, stayed] = [
      observed(seated, turned, missing('A2')),
      observed(seated, turned, missing('B2')),
    ]
    expect(suspects(went)[0]?.parts).toEqual(['module m2'])
    expect(suspects(stayed)[0]?.parts).toEqual(['slot B2'])
  })

  test('errors that end with the profile are the profile’s', () => {
    const withProfile = observed(begun(true), trial({ profile: true, depth: 'test' }), {
      kind: 'ERRORS',
    })
    const before = chanceOf(withProfile, 'profile')
    const without = observed(withProfile, trial({ depth: 'test' }), { kind: 'PASS' })
    expect(chanceOf(without, 'profile')).toBeGreaterThan(before)
    expect(suspects(without)[0]?.parts).toEqual(['profile'])
  })
})

describe('what a trial shows', () => {
  test('no start before a missing slot, that before errors; errors only under test', () => {
    const stops = { way: 'stops', slot: 'A2' } as const
    const gone = { way: 'missing', slot: 'B2' } as const
    const errs = { way: 'errors', slot: 'A1' } as const
    expect(outcomeOf(trial(), [stops, gone])).toBe('NO_START')
    expect(outcomeOf(trial(), [gone, errs])).toBe('MISSING B2')
    expect(outcomeOf(trial(), [errs])).toBe('PASS')
    expect(outcomeOf(trial({ depth: 'test' }), [errs, null])).toBe('ERRORS')
  })

  test('takes minutes by moves, seats, start and test', () => {
    expect(minutesOfTrial(bench, full, false, trial())).toBe(1)
    // Made safe 2, four seats at 0.5, a first start of 0.5 to 3, and 1 to 2 minutes for each of 32 GB.
    const seated = trial({ reseat: true, depth: 'test' })
    expect(minutesOfTrial(bench, full, false, seated)).toBe(2 + 2 + 1.75 + 48)
    // Three modules out.
    const alone = trial({ arrangement: { A2: 'm1' } })
    expect(minutesOfTrial(bench, full, true, alone)).toBe(2 + 4.5 + 1.75 + 2)
  })

  test('larger modules take longer to test, and DDR5 longer to train', () => {
    const sizes = { m1: 32, m2: 32, m3: 32, m4: 32 }
    const large: Bench = { ...bench, sizes, generation: 'DDR5' }
    const tested = trial({ depth: 'test' })
    expect(minutesOfTrial(large, full, false, tested)).toBe(1 + 192)
    // Four large ones train for 10 to 20 minutes.
    expect(minutesOfTrial(large, full, false, trial({ reseat: true }))).toBe(2 + 2 + 15)
  })
})

describe('finding', () => {
  const faults = fc.oneof(
    fc.record({
      kind: fc.constant('MODULE' as const),
      module: fc.constantFrom(...bench.modules),
      way: fc.constantFrom('stops', 'missing', 'errors'),
    }),
    fc.record({
      kind: fc.constantFrom('SLOT' as const, 'SEAT' as const),
      slot: fc.constantFrom(...bench.order),
      way: fc.constantFrom('stops', 'missing'),
    }),
  ) as fc.Arbitrary<Fault>

  // One module of 8 GB in one slot: made safe, three out, a first start and a pass of the test.
  const alone = 2 + 4.5 + 1.75 + 12

  test('any single fault is named, sooner than by testing every module and slot alone', () => {
    fc.assert(
      fc.property(faults, (fault) => {
        let machine = hide(bench, full, [fault])
        const first = trial({ depth: 'test' })
        let suspicion = observed(begun(), first, tryOut(machine, first).outcome)
        let trials = 0
        let minutes = 0
        for (; trials < 12 && !verdict(suspicion); trials += 1) {
          const [best] = proposals(suspicion, 1)
          if (!best) break
          minutes += best.minutes
          const made = tryOut(machine, best.trial)
          machine = made.after
          suspicion = observed(suspicion, best.trial, made.outcome)
        }
        expect(verdict(suspicion)?.parts).toContain(partOf(fault))
        expect(minutes).toBeLessThan(alone * 8)
      }),
      { numRuns: 40 },
    )
  })

  test('a board whose first slot must be filled is never tried without it', () => {
    const laptop: Bench = { order: ['A', 'B'], mustFill: ['A'], modules: ['m1', 'm2'] }
    const start = suspect(laptop, { A: 'm1', B: 'm2' }, false, STARTING_CAUSES)
    const offered = proposals(
      observed(start, { ...trial(), arrangement: { A: 'm1', B: 'm2' } }, { kind: 'NO_START' }),
      20,
    )
    expect(offered.length).toBeGreaterThan(2)
    for (const { trial: one } of offered) expect(one.arrangement.A).toBeDefined()
  })

  test('what outcomes would mean is said, the likeliest first', () => {
    const shown = observed(begun(), trial(), missing('B2'))
    const said = meanings(shown, trial({ reseat: true }))
    expect(said[0]?.outcome).toEqual({ kind: 'PASS' })
    expect(said[0]?.suspect.parts).toEqual(['seat B2'])
    expect(said.map(({ outcome }) => outcome)).toContainEqual(missing('B2'))
  })
})
