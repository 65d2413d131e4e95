import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../test/builders'
import { evaluate } from '../evaluate'
import {
  analyseFrames,
  type Configuration,
  channelsTold,
  FRAME_RATES,
  type KeptRuns,
  loggedOf,
  rowsOf,
  testedOf,
} from '.'

const kept = (configuration: Configuration, runs: number[], changes: Partial<KeptRuns> = {}) => ({
  test: 'Export',
  unit: 's',
  better: 'lower' as const,
  bandwidth: null,
  configuration,
  runs,
  failed: 0,
  ...changes,
})

describe('tests by configuration', () => {
  test('each against before; of two of one configuration the last counts', () => {
    const old = kept('after', [90, 91, 92])
    const measured = [kept('before', [100, 101, 99]), old, kept('after', [50, 51, 49])]
    const [tested] = testedOf([...measured, kept('before', [1], { test: 'Other' })])
    expect(tested?.sides.after?.runs).toEqual([50, 51, 49])
    expect(tested?.against.after?.ratio).toBeCloseTo(2, 2)
    expect(tested?.against).not.toHaveProperty('before')
    expect(tested?.effects).toBeNull()
  })

  test('without a before nothing is compared; a run of one change alone is none of both', () => {
    const [tested] = testedOf([kept('after', [1, 2, 3]), kept('first', [1, 2, 3])])
    expect(tested?.against).toEqual({})
  })

  test('with all four the second change halves the time and the first does nothing', () => {
    const near = (value: number) => [value * 0.99, value, value * 1.01]
    const [tested] = testedOf([
      kept('before', near(100)),
      kept('first', near(100)),
      kept('second', near(50)),
      kept('after', near(50)),
    ])
    expect(tested?.effects?.first.ratio).toBeCloseTo(1, 6)
    expect(tested?.effects?.second.ratio).toBeCloseTo(2, 6)
    expect(tested?.effects?.second.sure).toBe(true)
    expect(tested?.effects?.first.sure).toBe(false)
  })

  test('as rows, configuration by configuration', () => {
    expect(rowsOf(testedOf([kept('after', [2]), kept('before', [3, 4])]))).toEqual([
      ['test', 'unit', 'configuration', 'run', 'figure'],
      ['Export', 's', 'before', 1, 3],
      ['Export', 's', 'before', 2, 4],
      ['Export', 's', 'after', 1, 2],
    ])
  })
})

test('logs of frame times are runs: one for each figure', () => {
  const log = (configuration: Configuration, ms: number) => {
    const analysed = analyseFrames(Float64Array.from({ length: 100 }, () => ms))
    if (!analysed) throw new Error('no figures')
    return { test: 'Gallery', configuration, figures: analysed.figures }
  }
  const logs = [log('before', 20), log('after', 10), log('before', 25)]
  const [logged] = loggedOf(logs, (name, rate) => `${name} ${rate}`)
  expect(Object.keys(logged?.rates ?? {})).toEqual([...FRAME_RATES])
  const average = logged?.rates.averageRate
  expect(average?.test).toBe('Gallery averageRate')
  for (const [at, rate] of [50, 40].entries()) {
    expect(average?.sides.before?.runs[at]).toBeCloseTo(rate, 9)
  }
  expect(average?.against.after?.ratio).toBeCloseTo(100 / Math.sqrt(50 * 40), 9)
  expect(logged?.logs.before).toEqual([logs[0], logs[2]])
})

describe('channels told by bandwidths', () => {
  const machine = desktop()
  const of = (placement: Parameters<typeof evaluate>[0]['placement']) =>
    evaluate({ machine, placement, settings: { profile: false } })
  // One channel at 3200 gives 25.6 GB/s at most.
  const [one, two] = [of({ A2: stick() }), of({ A2: stick(), B2: stick() })]
  const copy = { unit: 'GB/s', better: 'higher', bandwidth: 'copy' } as const
  const told = (before: number[], after: number[]) =>
    channelsTold(testedOf([kept('before', before, copy), kept('after', after, copy)]), one, two)

  test('above one channel’s limit two are proven, whatever was before', () => {
    expect(told([], [26])).toEqual({ proven: 2, stayed: false })
    expect(told([25.9, 26, 26.1], [26, 26.1, 25.9])).toEqual({ proven: 2, stayed: false })
  })

  test('a low figure alone tells nothing; that it did not rise tells that the channels stayed', () => {
    expect(told([], [12, 12.1, 11.9])).toEqual({ proven: 1, stayed: false })
    expect(told([11.9, 12, 12.1], [12.1, 12.2, 12])).toEqual({ proven: 1, stayed: true })
    // Half as much again: more than √2, which lies halfway to double.
    expect(told([11.9, 12, 12.1], [18, 18.2, 17.9])).toEqual({ proven: 1, stayed: false })
  })

  test('where no channel was added nothing is missed', () => {
    const tests = testedOf([kept('before', [20, 21, 20], copy), kept('after', [20, 21, 20], copy)])
    expect(channelsTold(tests, one, one).stayed).toBe(false)
    expect(channelsTold([], one, two)).toEqual({ proven: 0, stayed: false })
  })
})
