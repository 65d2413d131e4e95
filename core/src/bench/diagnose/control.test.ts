import { describe, expect, test } from 'vitest'
import { controlsMissing, type Made, passesNeeded, type TrialBench, type TrialOutcome } from '.'

const bench: TrialBench = {
  order: ['A2', 'B2', 'A1', 'B1'],
  mustFill: [],
  modules: ['m1', 'm2', 'm3', 'm4'],
  known: [],
  profiles: true,
}
const full = { A2: 'm1', B2: 'm2', A1: 'm3', B1: 'm4' }
const NO_START: TrialOutcome = { kind: 'NO_START' }
const PASS: TrialOutcome = { kind: 'PASS' }
const ERRORS: TrialOutcome = { kind: 'ERRORS' }
const missing = (...slots: string[]): TrialOutcome => ({ kind: 'MISSING', slots })
const made = (outcome: TrialOutcome, changes: Partial<Made> = {}): Made => ({
  arrangement: full,
  reseat: false,
  profile: false,
  depth: 'start',
  action: null,
  ...changes,
  outcome,
})
const alone = (slot: string, module: string) => ({ arrangement: { [slot]: module } })
const of = (part: string, ...trials: Made[]) => controlsMissing([part], bench, trials)
const times = (count: number, one: Made) => Array.from({ length: count }, () => one)

describe('passes that make it one in twenty to have missed the fault', () => {
  test('after the symptom in 2 of 2, three; in 1 of 3, seven; in 1 of 1, four', () => {
    // 2 of 2: (0.49 × 0.3³ + 0.25 × 0.5³ + 0.09 × 0.7³) ÷ 1.83 = 0.041.
    expect(passesNeeded(2)).toBe(3)
    // 1 of 3: (0.063 × 0.3⁷ + 0.125 × 0.5⁷ + 0.147 × 0.7⁷) ÷ 0.335 = 0.039.
    expect(passesNeeded(1, 2)).toBe(7)
    expect(passesNeeded(1)).toBe(4)
    expect(passesNeeded(8)).toBe(1)
  })
})

describe('nothing is named without its control', () => {
  const bad = made(NO_START, alone('A2', 'm1'))
  const good = made(PASS, alone('A2', 'm2'))

  test('a module: the symptom with it, passes without it in its slot, the symptom again', () => {
    expect(of('module m1')).toEqual(['symptom'])
    expect(of('module m1', bad, bad)).toEqual(['pass-without', 'pass-again', 'pass-again', 'back'])
    expect(of('module m1', bad, bad, ...times(3, good))).toEqual(['back'])
    expect(of('module m1', bad, ...times(3, good), bad)).toEqual([])
  })

  test('passes elsewhere, at other settings, or that were not sure are no control', () => {
    const enough = (one: Made) => of('module m1', bad, bad, ...times(3, one), bad)
    expect(enough(made(PASS, alone('B2', 'm2')))).toContain('pass-without')
    expect(enough({ ...good, profile: true })).toContain('pass-without')
    expect(enough({ ...good, unsure: true })).toContain('pass-without')
  })

  test('the symptom without it as well: not named unless that trial, repeated, comes out otherwise', () => {
    const without = made(NO_START, alone('A2', 'm2'))
    const trials = [bad, bad, ...times(4, made(PASS, alone('A2', 'm3'))), bad]
    expect(of('module m1', ...trials, without)).toEqual(['seen-without'])
    expect(of('module m1', ...trials, without, good, good)).toEqual([])
  })

  test('a pass counts only at the depth and warmth at which the symptom was seen', () => {
    const errors = made(ERRORS, { ...alone('A2', 'm1'), depth: 'test' })
    const tested: Made = { ...good, depth: 'test' }
    expect(of('module m1', errors, errors, ...times(3, good), errors)).toContain('pass-without')
    expect(of('module m1', errors, errors, ...times(3, tested), errors)).toEqual([])
    const warm: Made = { ...bad, warm: true }
    expect(of('module m1', warm, warm, ...times(3, good), warm)).toContain('pass-without')
    const warmPass: Made = { ...good, warm: true }
    expect(of('module m1', warm, warm, ...times(3, warmPass), warm)).toEqual([])
  })

  test('what comes and goes takes more passes', () => {
    const quiet = made(PASS, alone('A2', 'm1'))
    const again = (...trials: Made[]) =>
      of('module m1', ...trials).filter((control) => control === 'pass-again').length
    expect(again(bad, bad, good)).toBe(2)
    expect(again(bad, quiet, quiet, good)).toBe(6)
  })

  test('a slot: two modules in it, and one of them well elsewhere with the slot empty', () => {
    const first = made(missing('B2'))
    expect(of('slot B2', first)).toEqual(expect.arrayContaining(['other-module', 'pass-elsewhere']))
    const second = made(NO_START, alone('B2', 'm3'))
    const well = made(PASS, alone('A2', 'm3'))
    expect(of('slot B2', first, second)).toContain('pass-elsewhere')
    expect(of('slot B2', first, second, ...times(3, well), second)).toEqual([])
  })

  test('a pair: each well alone, and never both in and well', () => {
    const pair = { arrangement: { A2: 'm1', B2: 'm2' } }
    const both = made(NO_START, pair)
    const one = [made(PASS, alone('A2', 'm1')), made(PASS, alone('A2', 'm1'))]
    const other = [made(PASS, alone('A2', 'm2')), made(PASS, alone('A2', 'm2'))]
    expect(of('pair m1 m2', both, both, ...one, both)).toEqual(['pass-without', 'pass-again'])
    expect(of('pair m1 m2', both, both, ...one, ...other, both)).toEqual([])
    const passed = made(PASS, pair)
    expect(of('pair m1 m2', both, both, ...one, ...other, both, passed)).toContain(
      'passed-together',
    )
    // With the profile on each time it may be the profile.
    const on = (trial: Made): Made => ({ ...trial, profile: true })
    expect(of('pair m1 m2', ...[both, both, ...one, ...other, both].map(on))).toEqual([
      'profile-off',
    ])
  })

  test('a profile: the same modules in the same slots, on and off', () => {
    const on = made(ERRORS, { profile: true, depth: 'test' })
    const off = made(PASS, { depth: 'test' })
    expect(of('profile', on, on, ...times(3, off), on)).toEqual([])
    const fewer = made(PASS, { ...alone('A2', 'm1'), depth: 'test' })
    expect(of('profile', on, on, ...times(3, fewer), on)).toEqual(['pass-without'])
  })

  test('an order and a limit: as many modules in their order; each module in smaller company', () => {
    const odd = made(NO_START, { arrangement: { A1: 'm1', B1: 'm2' } })
    const ordered = made(PASS, { arrangement: { A2: 'm1', B2: 'm2' } })
    expect(of('order', odd, odd, ...times(3, ordered), odd)).toEqual([])
    expect(of('order', odd, odd, ...times(3, made(PASS, alone('A2', 'm1'))), odd)).toEqual([
      'pass-without',
    ])
    const whole = made(NO_START)
    const some = [
      made(PASS, { arrangement: { A2: 'm1', B2: 'm2' } }),
      made(PASS, { arrangement: { A2: 'm3', B2: 'm2' } }),
    ]
    expect(of('limit', whole, whole, ...some, ...some, whole)).toEqual(['pass-without'])
    const last = made(PASS, { arrangement: { A2: 'm4', B2: 'm2' } })
    expect(of('limit', whole, whole, ...some, last, whole)).toEqual([])
  })

  test('the machine: everything that can be changed was changed and the symptom stayed, now and then too', () => {
    const actions = ['clear-setup', 'wait', 'clean', 'connect'] as const
    const done = actions.map((action) => made(NO_START, { ...alone('A2', 'm1'), action }))
    expect(of('machine', made(NO_START))).toEqual([
      ...actions,
      'other-module',
      'other-slot',
      'other-slot',
    ])
    expect(of('machine', ...done)).toEqual(['other-module', 'other-slot'])
    expect(of('machine', ...done, made(NO_START, alone('B2', 'm2')))).toEqual([])
    const seldom = [...done, made(PASS), made(PASS), made(NO_START, alone('B2', 'm2'))]
    expect(of('machine', ...seldom)).toEqual([])
    const withKnown: TrialBench = { ...bench, known: ['g1'] }
    const trials = [...done, made(NO_START, alone('B2', 'm2'))]
    expect(controlsMissing(['machine'], withKnown, trials)).toEqual(['other-module'])
    const tried = [...trials, made(NO_START, alone('B2', 'g1'))]
    expect(controlsMissing(['machine'], withKnown, tried)).toEqual([])
  })

  test('two modules: each alone, and well without both', () => {
    const trials = [
      made(NO_START, alone('A2', 'm1')),
      made(NO_START, alone('A2', 'm2')),
      ...times(4, made(PASS, alone('A2', 'm3'))),
      made(NO_START, alone('A2', 'm1')),
    ]
    const both = (...more: Made[]) =>
      controlsMissing(['module m1', 'module m2'], bench, [...trials, ...more])
    expect(both()).toEqual(['back'])
    expect(both(made(NO_START, alone('A2', 'm2')))).toEqual([])
  })
})
