import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../test/builders'
import type { Trial } from '../diagnose'
import { evaluate } from '../evaluate'
import { frameFigures } from '../measure'
import { read } from '../readings'
import { bandwidthRuns, frameTimes, hide, latencyRuns, shows, tryOut } from '.'

const placement = { A2: stick(), B2: stick() }
const machine = desktop()
const plain = { profile: false }
const of = (slots: Parameters<typeof evaluate>[0]['placement']) =>
  evaluate({ machine, placement: slots, settings: plain })

describe('what a simulated machine shows', () => {
  test('all of it, where nothing is wrong: set-up and readout say the same', () => {
    const { setup, readout, contents } = shows(machine, placement, plain, { kind: 'PASS' })
    expect(setup).toEqual({
      totalGiB: 16,
      dataRate: 3200,
      slots: { A1: 0, A2: 8, B1: 0, B2: 8 },
    })
    const { format, modules } = read(readout)
    const [own] = read(contents.A2 as Uint8Array).modules
    expect(own).toMatchObject({ verified: true, module: { capacityGiB: 8, ranks: 1 } })
    expect(format).toBe('cim-csv')
    expect(modules.map(({ slot, module }) => [slot?.locator, module.capacityGiB])).toEqual([
      ['A2', 8],
      ['B2', 8],
    ])
  })

  test('less, where a slot is missing; nothing, where it does not start', () => {
    const lost = shows(machine, placement, plain, { kind: 'MISSING', slots: ['B2'] })
    expect(lost.setup).toMatchObject({ totalGiB: 8, slots: { A2: 8, B2: 0 } })
    expect(read(lost.readout).modules).toHaveLength(1)
    const dark = shows(machine, placement, plain, { kind: 'NO_START' })
    expect(dark).toEqual({ setup: null, readout: '', contents: {} })
  })
})

describe('a hidden fault', () => {
  const bench = { order: ['A2', 'B2'], mustFill: [], modules: ['x', 'y'] }
  const full = { A2: 'x', B2: 'y' }
  const trial = (changes: Partial<Trial> = {}): Trial => ({
    arrangement: full,
    reseat: false,
    profile: false,
    depth: 'test',
    ...changes,
  })

  test('shows the same each time, and a loose seat is home once it is seated anew', () => {
    const hidden = hide(bench, full, [{ kind: 'SEAT', slot: 'B2', way: 'missing' }])
    const first = tryOut(hidden, trial())
    expect(first.outcome).toEqual({ kind: 'MISSING', slots: ['B2'] })
    expect(tryOut(first.after, trial()).outcome).toEqual(first.outcome)
    const seated = tryOut(first.after, trial({ reseat: true }))
    expect(seated.outcome).toEqual({ kind: 'PASS' })
    expect(tryOut(seated.after, trial()).outcome).toEqual({ kind: 'PASS' })
  })

  test('goes with the module', () => {
    const hidden = hide(bench, full, [{ kind: 'MODULE', module: 'y', way: 'errors' }])
    expect(tryOut(hidden, trial()).outcome).toEqual({ kind: 'ERRORS' })
    expect(tryOut(hidden, trial({ arrangement: { A2: 'x' } })).outcome).toEqual({ kind: 'PASS' })
    expect(tryOut(hidden, trial({ depth: 'start' })).outcome).toEqual({ kind: 'PASS' })
  })
})

describe('what it measures', () => {
  const mean = (runs: number[]) => runs.reduce((sum, one) => sum + one, 0) / runs.length
  const [one, two] = [of({ A2: stick() }), of(placement)]

  test('follows the evaluation: two channels copy twice as much, never more than their peak', () => {
    const [single, dual] = [bandwidthRuns(one, 'copy', 50, 1), bandwidthRuns(two, 'copy', 50, 2)]
    expect(mean(dual) / mean(single)).toBeCloseTo(2, 1)
    expect(Math.max(...dual)).toBeLessThan(two.run?.wholePeakGBs ?? 0)
    expect(mean(latencyRuns(two, 20, 3))).toBeGreaterThan(two.run?.firstWordNs ?? 0)
  })

  test('the same seed measures the same; frames are quicker with more bandwidth', () => {
    expect(bandwidthRuns(two, 'read', 5, 9)).toEqual(bandwidthRuns(two, 'read', 5, 9))
    const rate = (evaluation: typeof one) =>
      frameFigures(frameTimes(evaluation, 4000, 5))?.averageRate ?? 0
    expect(rate(two)).toBeGreaterThan(rate(one))
  })
})
