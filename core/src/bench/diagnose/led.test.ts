import { describe, expect, test } from 'vitest'
import { random } from '../../things/random'
import { hide, tryOut } from '../simulate'
import {
  type Fault,
  faultsOf,
  type Made,
  observed,
  proposals,
  STARTING_CAUSES,
  type Suspicion,
  suspect,
  suspectOf,
  suspects,
  type Trial,
  type TrialBench,
  verdict,
} from '.'

const two: TrialBench = {
  order: ['A2', 'B2', 'A1', 'B1'],
  mustFill: [],
  modules: ['m1', 'm2'],
  known: ['g1'],
  profiles: false,
}
const asBrought = { A2: 'm1', B2: 'm2' }
const asItStands: Trial = {
  arrangement: asBrought,
  reseat: false,
  profile: false,
  depth: 'start',
  action: null,
}
const begun = suspect(two, asBrought, false, STARTING_CAUSES)

/** What this machine is led through from its first start on, well or not; the part in the end, null where it stays open. */
function led(fault: Fault, seed: number, most = 80) {
  const chance = random(seed)
  let machine = hide(two, asBrought, [fault])
  let suspicion = begun
  const trials: Made[] = []
  while (trials.length < most) {
    const named = trials.length === 0 ? null : verdict(suspicion, trials)
    if (named) return { named, trials }
    const trial = trials.length === 0 ? asItStands : proposals(suspicion, trials)[0]?.trial
    if (!trial) return { named: null, trials }
    const { outcome, after } = tryOut(machine, trial, chance)
    machine = after
    suspicion = observed(suspicion, trial, outcome)
    trials.push({ ...trial, outcome })
  }
  return { named: null, trials }
}

/** What can be hidden in a machine that stands like this. */
const hidden = (shows: number) =>
  faultsOf(begun).filter(
    (fault) =>
      !fault.cured &&
      fault.shows === shows &&
      !['NOTHING', 'ORDER', 'PAIR'].includes(fault.kind) &&
      !(fault.kind === 'SLOT' && !(fault.slot in asBrought)),
  )
const nameOf = (fault: Fault) => `${suspectOf(fault)}, ${'way' in fault ? fault.way : ''}`

const after = (...trials: Made[]) =>
  proposals(
    trials.reduce((now, trial) => observed(now, trial, trial.outcome), begun),
    trials,
    200,
  )
const chanceOf = (suspicion: Suspicion, part: string) =>
  suspects(suspicion).find(({ parts }) => parts.join() === part)?.chance ?? 0

const well = (changes: Partial<Trial> = {}): Made => ({
  ...asItStands,
  ...changes,
  outcome: { kind: 'PASS' },
})

describe('led from the first start to the part', () => {
  test.each(hidden(1).map((fault) => [nameOf(fault), fault] as const))(
    'whatever always shows is named, nothing else, within 25 trials: %s',
    (_, fault) => {
      const { named, trials } = led(fault, 3)
      expect(named?.parts).toContain(suspectOf(fault))
      expect(trials.length).toBeLessThanOrEqual(25)
    },
  )

  test('what comes and goes: most is named, 3 of 100 wrongly at the most', () => {
    const results = [1, 2, 3].flatMap((seed) =>
      hidden(0.5).map((fault) => {
        const { named } = led(fault, seed)
        return named === null ? 'open' : named.parts.includes(suspectOf(fault)) ? 'right' : 'wrong'
      }),
    )
    const share = (kind: string) => results.filter((one) => one === kind).length / results.length
    expect(share('wrong')).toBeLessThanOrEqual(0.03)
    expect(share('right')).toBeGreaterThan(0.8)
  })

  test('nothing is touched before something wrong was seen: three starts, then tests', () => {
    const starts = [well(), well(), well()]
    for (let count = 1; count <= 3; count += 1) {
      const offered = after(...starts.slice(0, count))
      expect(offered.map(({ trial }) => trial)).toContainEqual({ ...asItStands, depth: 'test' })
      for (const { trial } of offered) expect({ ...trial, depth: 'start' }).toEqual(asItStands)
    }
    const tests = after(...starts).map(({ trial }) => trial)
    expect(tests).toEqual([{ ...asItStands, depth: 'test' }])
  })

  test('where something else was tried and went well, it goes back to what was brought', () => {
    const [first] = after(well(), well({ arrangement: { A2: 'm1' } }))
    expect(first?.trial.arrangement).toEqual(asBrought)
  })

  test('what has never shown is left open after so many passes', () => {
    const passes = Array.from({ length: 8 }, () => well({ depth: 'test' }))
    expect(after(well(), well(), well(), ...passes)).toEqual([])
  })

  test('what cannot show as the machine was brought has not brought it', () => {
    const passed = Array.from({ length: 8 }, () => well({ depth: 'test' })).reduce(
      (now, trial) => observed(now, trial, trial.outcome),
      begun,
    )
    const [first] = suspects(passed)
    expect(first?.parts).toEqual(['nothing'])
    for (const part of ['order', 'slot A1', 'slot B1']) {
      expect(chanceOf(passed, part)).toBeGreaterThan(0)
      expect(chanceOf(passed, part)).toBeLessThan((first?.chance ?? 0) / 5)
    }
    // Beside one that does show it is suspected as before.
    const slots = { arrangement: { A1: 'm1', B1: 'm2' } }
    const bad = observed(begun, { ...asItStands, ...slots }, { kind: 'MISSING', slots: ['A1'] })
    expect(chanceOf(bad, 'slot A1')).toBeGreaterThan(chanceOf(begun, 'slot A1'))
  })

  test('what shows under test only is not looked for by starts', () => {
    const errors: Made = { ...asItStands, depth: 'test', outcome: { kind: 'ERRORS' } }
    const offered = after(well(), well(), well(), errors)
    expect(offered.length).toBeGreaterThan(3)
    expect(offered.map(({ trial }) => trial.depth)).not.toContain('start')
  })
})
