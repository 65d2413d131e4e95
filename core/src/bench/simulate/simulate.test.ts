import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import { evaluate } from '../../judging/evaluate'
import { answerTo } from '../../reading/inputs'
import { Module } from '../../things/model'
import {
  type Arrangement,
  always,
  type Fault,
  STARTING_CAUSES,
  suspect,
  type Trial,
} from '../diagnose'
import { analyseFrames, median } from '../measure'
import {
  asFound,
  bandwidthRuns,
  benchMachine,
  fittedOut,
  frameTimes,
  hiddenIn,
  hide,
  IN_STORE,
  type InStore,
  latencyRuns,
  type SimulatedMachine,
  standIn,
  type Trait,
  tryOut,
  usuallyFound,
} from '.'

const machine = desktop()
const bench = {
  order: ['A2', 'B2'],
  mustFill: [],
  modules: ['x', 'y'],
  known: [],
  profiles: false,
}
const full = { A2: 'x', B2: 'y' }
const trial = (changes: Partial<Trial> = {}): Trial => ({
  arrangement: full,
  reseat: false,
  profile: false,
  depth: 'test',
  action: null,
  ...changes,
})

function simulated(faults: Fault[] = []) {
  const first: SimulatedMachine = {
    machine,
    modules: { x: stick(), y: stick() },
    hidden: hide(bench, full, faults),
    last: null,
    seed: 1,
  }
  let kept = first
  const bound = benchMachine(first, (now) => {
    kept = now
  })
  return { on: bound, kept: () => kept }
}

describe('a simulated machine on the bench', () => {
  test('shows nothing and measures nothing before its first start', async () => {
    const { on } = simulated()
    expect(await on.show()).toEqual({
      setup: null,
      system: null,
      table: null,
      readout: '',
      contents: {},
    })
    expect(await on.bandwidth('copy', 3)).toEqual([])
  })

  test('all well: set-up, table, readout and contents say the same', async () => {
    const { on } = simulated()
    expect((await on.start(trial())).outcome).toEqual({ kind: 'PASS' })
    const { setup, table, readout, contents } = await on.show()
    const slots = { A1: 0, A2: 8, B1: 0, B2: 8 }
    expect(setup).toEqual({ totalGiB: 16, dataRate: 3200, cl: 22, slots })
    const fromTable = answerTo(table as Uint8Array)
    expect(fromTable).toMatchObject({ format: 'smbios', problems: [] })
    expect(fromTable.machine?.slots.map(({ locator, populated }) => [locator, populated])).toEqual([
      ['A1', false],
      ['A2', true],
      ['B1', false],
      ['B2', true],
    ])
    for (const { modules } of [fromTable, answerTo(readout)]) {
      expect(
        modules.map(({ slot, module, observed }) => [
          slot?.locator,
          module.capacityGiB,
          observed?.configuredDataRate,
        ]),
      ).toEqual([
        ['A2', 8, 3200],
        ['B2', 8, 3200],
      ])
    }
    const [own] = answerTo(contents.A2 as Uint8Array).modules
    expect(own).toMatchObject({ verified: true, module: { capacityGiB: 8, ranks: 1 } })
  })

  test('not fully seated: half is seen and half the bandwidth; seated again, all of it', async () => {
    const { on } = simulated([always({ kind: 'SEAT', slot: 'B2', way: 'missing' })])
    expect((await on.start(trial())).outcome).toEqual({ kind: 'MISSING', slots: ['B2'] })
    const { setup, readout } = await on.show()
    expect(setup).toMatchObject({ totalGiB: 8, slots: { A2: 8, B2: 0 } })
    expect(answerTo(readout).modules).toHaveLength(1)
    const half = median(await on.bandwidth('copy', 5))
    await on.start(trial({ reseat: true }))
    const whole = median(await on.bandwidth('copy', 5))
    expect(whole / half).toBeCloseTo(2, 0)
    expect((await on.latency(4)).every((ns) => ns > 13.75)).toBe(true)
    expect(await on.frames(50)).toHaveLength(50)
  })

  test('keeps some for graphics and lists slots that are not there, where it is such a one', async () => {
    const odd = { ...simulated().kept(), reservedGiB: 4, phantomSlots: 2 }
    const on = benchMachine(odd)
    await on.start(trial())
    const { setup, system, table } = await on.show()
    expect([setup?.totalGiB, system?.usableGiB]).toEqual([16, 12])
    expect(answerTo(table as Uint8Array).machine?.slots).toHaveLength(6)
  })

  test('trains longer with more ranks, not at all where nothing changed', async () => {
    const { on } = simulated()
    const minutes = async (arrangement: Record<string, string>) =>
      (await on.start(trial({ arrangement }))).training.minutes
    const one = await minutes({ A2: 'x' })
    const both = await minutes(full)
    // From 0.5 to 3 minutes in older generations: 1 and 2 of up to 8 ranks.
    expect(one).toBeCloseTo(0.5)
    expect(both).toBeCloseTo(0.5 + 2.5 / 7)
    expect((await on.start(trial())).training).toEqual({ minutes: 0.5, restarts: 0 })
  })

  test('no start: nothing is shown', async () => {
    const { on } = simulated([always({ kind: 'MODULE', module: 'x', way: 'stops' })])
    expect((await on.start(trial())).outcome).toEqual({ kind: 'NO_START' })
    expect((await on.show()).setup).toBeNull()
    expect(await on.latency(2)).toEqual([])
  })

  test('changed memory is trained, with a restart; after it no more', async () => {
    const { on, kept } = simulated()
    const first = (await on.start(trial())).training
    expect(first.minutes).toBeGreaterThan(0.5)
    expect(first.restarts).toBe(1)
    expect((await on.start(trial())).training).toEqual({ minutes: 0.5, restarts: 0 })
    expect((await on.start(trial({ profile: true }))).training.restarts).toBe(2)
    const one: Arrangement = { A2: 'x' }
    expect((await on.start(trial({ arrangement: one, profile: true }))).training.restarts).toBe(1)
    expect(kept().last?.trial.arrangement).toEqual(one)
  })
})

describe('a hidden fault', () => {
  test('shows the same each time, and a loose module is seated once it is seated again', () => {
    const hidden = hide(bench, full, [always({ kind: 'SEAT', slot: 'B2', way: 'missing' })])
    const first = tryOut(hidden, trial())
    expect(first.outcome).toEqual({ kind: 'MISSING', slots: ['B2'] })
    expect(tryOut(first.after, trial()).outcome).toEqual(first.outcome)
    const seated = tryOut(first.after, trial({ reseat: true }))
    expect(seated.outcome).toEqual({ kind: 'PASS' })
    expect(tryOut(seated.after, trial()).outcome).toEqual({ kind: 'PASS' })
  })

  test('goes with the module', () => {
    const hidden = hide(bench, full, [always({ kind: 'MODULE', module: 'y', way: 'errors' })])
    expect(tryOut(hidden, trial()).outcome).toEqual({ kind: 'ERRORS' })
    expect(tryOut(hidden, trial({ arrangement: { A2: 'x' } })).outcome).toEqual({ kind: 'PASS' })
    expect(tryOut(hidden, trial({ depth: 'start' })).outcome).toEqual({ kind: 'PASS' })
  })
})

describe('what is put right, and what comes and goes', () => {
  test('a setup until it is cleared, training until it was waited for', () => {
    for (const [kind, action] of [
      ['SETUP', 'clear-setup'],
      ['TRAINING', 'wait'],
    ] as const) {
      const hidden = hide(bench, full, [always({ kind, way: 'stops' })])
      expect(tryOut(hidden, trial({ reseat: true })).outcome).toEqual({ kind: 'NO_START' })
      const right = tryOut(hidden, trial({ action }))
      expect(right.outcome).toEqual({ kind: 'PASS' })
      expect(tryOut(right.after, trial()).outcome).toEqual({ kind: 'PASS' })
    }
  })

  test('the machine itself stays as it is whatever is done', () => {
    const hidden = hide(bench, full, [always({ kind: 'MACHINE', way: 'stops' })])
    for (const action of ['clear-setup', 'wait', 'clean', 'connect'] as const) {
      const made = tryOut(hidden, trial({ action, arrangement: { A2: 'x' } }))
      expect(made.outcome).toEqual({ kind: 'NO_START' })
    }
  })

  test('one that comes and goes shows by chance', () => {
    const seldom = { shows: 0.3, onlyWarm: false, cured: false } as const
    const fault: Fault = { kind: 'MODULE', module: 'x', way: 'errors', ...seldom }
    const hidden = hide(bench, full, [fault])
    expect(tryOut(hidden, trial(), () => 0.29).outcome).toEqual({ kind: 'ERRORS' })
    expect(tryOut(hidden, trial(), () => 0.31).outcome).toEqual({ kind: 'PASS' })
  })
})

describe('what it measures', () => {
  const middle = (runs: number[]) => median(runs)
  const of = (placement: Parameters<typeof evaluate>[0]['placement']) =>
    evaluate({ machine, placement, settings: { profile: false } })
  const [one, two] = [of({ A2: stick() }), of({ A2: stick(), B2: stick() })]
  const first = { seed: 4 }

  test('follows the evaluation: two channels copy twice as much, never more than their peak', () => {
    const single = bandwidthRuns(one, 'copy', 50, 1, first)
    const dual = bandwidthRuns(two, 'copy', 50, 2, first)
    expect(middle(dual) / middle(single)).toBeCloseTo(2, 1)
    expect(Math.max(...dual)).toBeLessThan(two.run?.wholePeakGBs ?? 0)
    expect(middle(latencyRuns(two, 20, 3, first))).toBeGreaterThan(two.run?.firstWordNs ?? 0)
  })

  test('a browser reaches its own ceiling, on one channel as on two', () => {
    const held = { seed: 4, ceilingGBs: 12 }
    expect(middle(bandwidthRuns(two, 'copy', 20, 1, held))).toBeLessThan(12.5)
    expect(middle(bandwidthRuns(one, 'copy', 20, 1, held))).toBeCloseTo(
      middle(bandwidthRuns(two, 'copy', 20, 1, held)),
      6,
    )
  })

  test('each start is a session with a place of its own, its first run cold', () => {
    const runs = bandwidthRuns(two, 'read', 6, 9, first)
    expect(bandwidthRuns(two, 'read', 6, 9, first)).toEqual(runs)
    expect(runs[0]).toBeLessThan(Math.min(...runs.slice(1)))
    const centres = Array.from({ length: 200 }, (_, seed) =>
      Math.log(middle(bandwidthRuns(two, 'read', 6, 9, { seed }))),
    )
    const mean = centres.reduce((sum, one) => sum + one, 0) / centres.length
    const sd = Math.sqrt(centres.reduce((sum, one) => sum + (one - mean) ** 2, 0) / 199)
    expect(sd).toBeGreaterThan(0.006)
    expect(sd).toBeLessThan(0.01)
  })

  test('frames are quicker with more bandwidth', () => {
    const rate = (evaluation: typeof one) =>
      analyseFrames(Float64Array.from(frameTimes(evaluation, 4000, 5, first)))?.figures
        .averageRate ?? 0
    expect(rate(two)).toBeGreaterThan(rate(one))
  })
})

describe('a machine that shows more when it is warm, or loses its setup', () => {
  test('a fault that shows only warm: under test or in a start right after one, not from cold', () => {
    const stops = { ...always({ kind: 'MODULE', module: 'x', way: 'stops' }), onlyWarm: true }
    const hidden = hide(bench, full, [{ ...stops, shows: 0.5 }])
    const [shows, stays] = [() => 0, () => 0.9]
    const start = (more: Partial<Trial> = {}) => trial({ depth: 'start', ...more })
    expect(tryOut(hidden, start(), shows).outcome).toEqual({ kind: 'PASS' })
    expect(tryOut(hidden, start({ warm: true }), shows).outcome).toEqual({ kind: 'PASS' })
    expect(tryOut(hidden, trial(), shows).outcome).toEqual({ kind: 'NO_START' })
    const tested = tryOut(hidden, trial(), stays)
    expect(tested.outcome).toEqual({ kind: 'PASS' })
    const after = (more: Partial<Trial>) => tryOut(tested.after, start(more), shows).outcome
    expect(after({ warm: true })).toEqual({ kind: 'NO_START' })
    expect(after({})).toEqual({ kind: 'PASS' })
    expect(after({ warm: true, reseat: true })).toEqual({ kind: 'PASS' })
  })

  test('a setup that is lost when memory was changed takes the profile with it, once', async () => {
    const on = benchMachine({ ...simulated().kept(), forgetsSetup: true })
    const wanted = trial({ profile: true })
    expect((await on.start(wanted)).setupReset).toBe(true)
    expect((await on.start(wanted)).setupReset).toBe(false)
    expect((await on.start({ ...wanted, reseat: true })).setupReset).toBe(true)
    expect((await on.start(trial())).setupReset).toBe(false)
  })
})

describe('a stand-in through a whole job', () => {
  const found = { A2: 'old' }
  const modules = { old: stick({ capacityGiB: 4 }), x: stick(), y: stick() }
  const suspicion = suspect({ ...bench, modules: ['x', 'y'] }, full, false, STARTING_CAUSES)
  const stand = (kind: InStore | Trait | null, seed = 5) =>
    standIn(machine, modules, found, kind, seed)
  const asItIs = trial({ arrangement: found })

  test('is sound as it is found, whatever is in store, and reports what is in it', async () => {
    for (const kind of IN_STORE) {
      const on = benchMachine(asFound(stand(kind)))
      expect((await on.start(asItIs)).outcome).toEqual({ kind: 'PASS' })
      expect(answerTo((await on.show()).table as Uint8Array).modules).toHaveLength(1)
    }
  })

  test('what is in store is hidden in it with the plan, once, and stays', () => {
    for (let seed = 1; seed < 30; seed += 1) {
      const fitted = fittedOut(stand('fault', seed), modules, suspicion)
      expect(hiddenIn(fitted)).toHaveLength(1)
      expect(fittedOut(fitted, modules, suspicion).hidden.faults).toEqual(fitted.hidden.faults)
      expect(tryOut(fitted.hidden, trial()).outcome.kind).not.toBe('PASS')
      const dead = fittedOut(stand('no-start', seed), modules, suspicion)
      expect(tryOut(dead.hidden, trial()).outcome).toEqual({ kind: 'NO_START' })
    }
    expect(hiddenIn(fittedOut(stand(null), modules, suspicion))).toEqual([])
    expect(hiddenIn(fittedOut(stand('fault'), modules, null))).toEqual([])
    const warm = fittedOut(stand('only-warm'), modules, suspicion).hidden.faults[0]
    expect(warm).toMatchObject({ kind: 'MODULE', shows: 1, onlyWarm: true })
    const fickle = fittedOut(stand('comes-and-goes'), modules, suspicion).hidden.faults[0]
    expect(fickle?.shows).toBe(0.5)
  })

  test('keeps its ways from what was found to what is fitted', async () => {
    const held = stand('held')
    const before = benchMachine(asFound(held))
    await before.start(asItIs)
    const after = benchMachine(fittedOut(held, modules, suspicion))
    await after.start(trial())
    for (const on of [before, after]) {
      expect(Math.max(...(await on.bandwidth('copy', 8)))).toBeLessThan(11.5)
    }
  })

  test('is found with one or two usual modules of its generation where nothing is known', () => {
    for (let seed = 1; seed < 20; seed += 1) {
      const usual = usuallyFound(machine, seed)
      expect(['A2', 'A2 B2']).toContain(Object.keys(usual).join(' '))
      for (const module of Object.values(usual)) {
        expect(Module.parse(module)).toEqual(module)
        expect(module).toMatchObject({ generation: 'DDR4', formFactor: 'DIMM', ranks: 1 })
      }
    }
  })
})
