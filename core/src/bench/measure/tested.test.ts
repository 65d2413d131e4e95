import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import { evaluate } from '../../judging/evaluate'
import {
  type AnalysedFrames,
  analyseFrames,
  type Configuration,
  callsOf,
  FRAME_RATES,
  type FrameFigures,
  type KeptRuns,
  loggedOf,
  measuredChannels,
  runRows,
  scatterFrom,
  shopScatter,
  testedOf,
} from '.'

const kept = (
  configuration: Configuration,
  runs: number[],
  changes: Partial<KeptRuns> = {},
): KeptRuns => ({
  test: 'Export',
  unit: 's',
  better: 'lower',
  bandwidth: null,
  work: null,
  configuration,
  at: null,
  conditions: {},
  busy: false,
  runs,
  failed: 0,
  ...changes,
})
const near = (value: number) => [value * 0.99, value, value * 1.01]

describe('tests by configuration', () => {
  test('each against before; a second session joins the first and does not replace it', () => {
    const measured = [
      kept('before', near(100)),
      kept('after', near(52), { failed: 1 }),
      kept('after', near(50)),
    ]
    const [tested] = testedOf([...measured, kept('before', [1], { test: 'Other' })])
    expect(tested?.sides.after?.sessions.map(({ record }) => record)).toEqual(measured.slice(1))
    expect(tested?.sides.after).toMatchObject({ runs: [...near(52), ...near(50)], failed: 1 })
    expect(tested?.against.after).toMatchObject({
      ratio: expect.closeTo(100 / Math.sqrt(52 * 50), 2),
      after: { sessions: 2, count: 6 },
    })
    expect(tested?.against).not.toHaveProperty('before')
    expect(tested?.effects).toBeNull()
  })

  test('a session taken while something else was busy is kept and not counted', () => {
    const busy = kept('after', [90, 20, 55], { busy: true })
    const [tested] = testedOf([kept('before', near(100)), busy, kept('after', near(50))])
    expect(tested?.sides.after?.sessions.map(({ leftOut }) => leftOut)).toEqual(['busy', null])
    expect(tested?.against.after?.ratio).toBeCloseTo(2, 6)
    const [alone] = testedOf([kept('before', near(100)), busy])
    expect(alone?.against.after?.verdict).toBe('too-few')
  })

  test('sessions under other conditions than the newest are left out and say by what', () => {
    const low = { resolution: '1280 × 720', power: 'Mains' }
    const measured = [
      kept('before', near(60), { conditions: low }),
      kept('before', near(100), { conditions: { resolution: '1920 × 1080', power: 'mains ' } }),
      kept('after', near(50), { conditions: { resolution: '1920 × 1080' } }),
    ]
    const [tested] = testedOf(measured)
    expect(tested?.sides.before?.sessions.map(({ leftOut }) => leftOut)).toEqual([
      ['resolution'],
      null,
    ])
    expect(tested?.against.after?.ratio).toBeCloseTo(2, 6)
    // What nobody noted is no difference.
    const [open] = testedOf([kept('before', near(100)), ...measured.slice(2)])
    expect(open?.against.after?.ratio).toBeCloseTo(2, 6)
  })

  test('without a before nothing is compared; a run of one change alone is none of both', () => {
    const [tested] = testedOf([kept('after', [1, 2, 3]), kept('first', [1, 2, 3])])
    expect(tested?.against).toEqual({})
  })

  test('with all four the second change halves the time and the first does nothing', () => {
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

  test('of twenty tests chance alone calls one', () => {
    const names = Array.from({ length: 20 }, (_, at) => `Test ${at}`)
    const all = names.flatMap((name, at) => [
      kept('before', near(100), { test: name }),
      kept('after', at < 3 ? near(50) : near(100), { test: name }),
    ])
    const unmade = kept('before', near(100), { test: 'Unmade' })
    expect(callsOf(testedOf([...all, unmade]))).toEqual({
      compared: 20,
      called: 3,
      byChance: 1,
      machine: 'gain',
    })
  })

  test('as rows, configuration by configuration and session by session', () => {
    const measured = [
      kept('after', [2]),
      kept('before', [3, 4]),
      kept('before', [5], { busy: true }),
    ]
    expect(runRows(testedOf(measured))).toEqual([
      ['test', 'unit', 'configuration', 'session', 'run', 'figure', 'counted'],
      ['Export', 's', 'before', 1, 1, 3, 'yes'],
      ['Export', 's', 'before', 1, 2, 4, 'yes'],
      ['Export', 's', 'before', 2, 1, 5, 'no'],
      ['Export', 's', 'after', 1, 1, 2, 'yes'],
    ])
  })

  test('the shop’s scatter comes from one machine’s repeated sessions of one state', () => {
    const of = (jobId: string, runs: number[], more: Partial<KeptRuns> = {}) => ({
      ...kept('after', runs, more),
      jobId,
    })
    const apart = [of('a', near(100)), of('b', near(50)), of('a', near(80), { busy: true })]
    expect(shopScatter(apart)).toMatchObject({ all: { sessions: 0, sessionSd: 0.01 }, tests: {} })
    const other = of('a', near(80), { conditions: { quality: 'high' } })
    const shop = shopScatter([of('a', near(100), { conditions: { quality: 'low' } }), other])
    expect(shop.all.sessions).toBe(0)
    const repeated = shopScatter([of('a', near(100)), of('a', near(110)), of('a', near(100))])
    expect(repeated.all.sessions).toBe(3)
    expect(repeated.tests.Export?.sessionSd).toBeGreaterThan(repeated.all.sessionSd)
    const wide = testedOf(
      [kept('before', near(100)), kept('after', near(93))],
      scatterFrom(repeated),
    )
    expect(wide[0]?.against.after?.verdict).toBe('cannot-tell')
    // Steady tests say nothing of one that was never repeated.
    const steady = shopScatter(Array.from({ length: 30 }, () => of('a', [100, 100, 100])))
    expect(steady.all.sessionSd).toBeLessThan(0.005)
    expect(scatterFrom(steady)('Another')).toEqual({ withinSd: 0.01, sessionSd: 0.01 })
    const [usual] = testedOf([kept('before', near(100)), kept('after', near(93))])
    expect(usual?.against.after?.verdict).toBe('gain')
  })
})

test('logs of frame times are runs: one for each figure, session by session', () => {
  const log = (configuration: Configuration, ms: number, session = 1) => {
    const analysed = analyseFrames(Float64Array.from({ length: 100 }, () => ms))
    if (!analysed) throw new Error('no figures')
    const about = { test: 'Gallery', at: null, conditions: {}, session }
    return { ...about, configuration, figures: analysed.figures }
  }
  const logs = [log('before', 20), log('after', 10), log('before', 20.1), log('before', 25, 2)]
  const [logged] = loggedOf(logs, (name, rate) => `${name} ${rate}`)
  expect(Object.keys(logged?.rates ?? {})).toEqual([...FRAME_RATES])
  const average = logged?.rates.averageRate
  expect(average?.test).toBe('Gallery averageRate')
  expect(average?.sides.before?.sessions.map(({ runs }) => runs.length)).toEqual([2, 1])
  expect(average?.sides.before?.runs[0]).toBeCloseTo(50, 9)
  // One log after the change is too few.
  expect(average?.against.after?.verdict).toBe('too-few')
  expect(logged?.logs.before).toEqual([logs[0], logs[2], logs[3]])
})

test('logs of which a side was held to a rate are not compared as if nothing held them', () => {
  const session = (configuration: Configuration, at: number, cap: number | null) => {
    const times = Float64Array.from({ length: 400 }, (_, n) => 16.6 + (n % 5) * 0.02)
    const figures = { ...(analyseFrames(times)?.figures as FrameFigures), cap }
    return { test: 'Gallery', configuration, at: null, conditions: {}, session: at, figures }
  }
  const verdict = (cap: number | null) => {
    const logs = [1, 1, 1, 2, 2, 2].map((at) => session('before', at, null))
    const held = [3, 3, 3, 4, 4, 4].map((at) => session('after', at, cap))
    const [logged] = loggedOf([...logs, ...held], (name, rate) => `${name} ${rate}`)
    return logged?.rates.averageRate.against.after
  }
  expect(verdict(null)?.notes).not.toContain('CAPPED')
  expect(verdict(60)).toMatchObject({ verdict: 'cannot-tell', next: null })
  expect(verdict(60)?.notes).toContain('CAPPED')
})

describe('rare frames of logs of unequal lengths', () => {
  // 10 ms a frame; a hitch of 40 ms each second, and of 200 ms from the second minute on.
  const times = (seconds: number) =>
    Float64Array.from({ length: seconds * 100 }, (_, at) =>
      at % 100 === 50 ? (at > 6000 ? 200 : 40) : 10,
    )
  const figuresOf = (all: Float64Array) => (analyseFrames(all) as AnalysedFrames).figures
  const log = (configuration: Configuration, seconds: number, beginnings = true) => {
    const whole = figuresOf(times(seconds))
    const { beginnings: _, ...plain } = whole
    const figures = beginnings ? whole : plain
    return { test: 'Gallery', configuration, at: null, conditions: {}, session: 1, figures }
  }
  const slowest = (...logs: ReturnType<typeof log>[]) =>
    loggedOf(logs, (name, rate) => `${name} ${rate}`)[0]?.rates

  test('longer logs are cut to the shortest, so that later scenes are not taken for a loss', () => {
    const before = [40, 41, 40].map((seconds) => log('before', seconds))
    const after = [150, 160, 155].map((seconds) => log('after', seconds))
    const got = slowest(...before, ...after)
    // The slowest hundredth of the first 40 s is the hitches of 40 ms: 25 a second.
    for (const side of ['before', 'after'] as const) {
      for (const run of got?.rateOfSlowest1.sides[side]?.runs ?? []) expect(run).toBeCloseTo(25, 6)
    }
    expect(got?.rateOfSlowest1.against.after?.ratio).toBeCloseTo(1, 6)
    expect(got?.rateOfSlowest1.cutTo).toBeCloseTo((40 * 1000 + 40 * 30) / 1000, 6)
    // Too short for the slowest thousandth: 4,000 frames hold four of them. The longer ones are enough.
    expect(got?.rateOfSlowest01.sides.before).toMatchObject({ runs: [] })
    expect(got?.rateOfSlowest01.notCompared).toBe(3)
    // The average counts them whole.
    expect(got?.averageRate).toMatchObject({ cutTo: null, notCompared: 0 })
  })

  test('a log kept without its beginnings is left out where it would have to be cut', () => {
    const got = slowest(log('before', 40), log('after', 40, false), log('after', 150, false))
    expect(got?.rateOfSlowest1.notCompared).toBe(1)
    expect(got?.rateOfSlowest1.sides.after?.runs).toHaveLength(1)
  })

  test('logs of one length are compared whole', () => {
    const got = slowest(log('before', 150), log('after', 150))
    expect(got?.rateOfSlowest1).toMatchObject({ cutTo: null, notCompared: 0 })
    expect(got?.rateOfSlowest1.sides.after?.runs[0]).toBeCloseTo(
      log('after', 150).figures.rateOfSlowest1,
      9,
    )
  })

  test('a log longer than the longest beginning is cut to that, and short ones have none', () => {
    const long = Float64Array.from({ length: 4000 * 2 }, () => 500)
    const { beginnings = [] } = figuresOf(long)
    expect(beginnings.at(-1)?.seconds).toBeCloseTo(10 * 1.05 ** 120, 6)
    expect(beginnings.every(({ frames, seconds }) => frames === Math.floor(seconds * 2))).toBe(true)
    expect(figuresOf(times(9)).beginnings).toEqual([])
  })
})

describe('channels told by bandwidths', () => {
  const machine = desktop()
  const of = (placement: Parameters<typeof evaluate>[0]['placement']) =>
    evaluate({ machine, placement, settings: { profile: false } })
  // One channel at 3200 gives 25.6 GB/s at most.
  const [one, two] = [of({ A2: stick() }), of({ A2: stick(), B2: stick() })]
  const copy = { unit: 'GB/s', better: 'higher', bandwidth: 'copy' } as const
  const open = { rate: 3200 as number | null, ways: null as number | null }
  const told = (before: number[], after: number[], seen = open, ceiling = 30) =>
    measuredChannels(testedOf([kept('before', before, copy), kept('after', after, copy)]), {
      before: one,
      after: two,
      seen,
      topRate: 6400,
      ceilings: ceiling > 0 ? { Export: ceiling } : {},
    })

  test('what one channel cannot carry at the speed seen takes two at least', () => {
    expect(told([], [26, 26.1, 26.2])).toMatchObject({ atLeast: 2, rate: 3200, rateSeen: true })
    // The middle run counts, and not a lucky one.
    expect(told([], [20, 26, 20]).atLeast).toBe(1)
    // Nobody has seen the speed: at the highest these modules could run at, one would do.
    expect(told([], [26, 26.1, 26.2], { ...open, rate: null })).toMatchObject({
      atLeast: 1,
      rate: 6400,
      rateSeen: false,
    })
  })

  test('that a test did not rise counts only where it has shown more on another machine', () => {
    expect(told(near(12), near(12)).stayed).toBe(true)
    expect(told(near(12), near(12), open, 13).stayed).toBe(false)
    expect(told(near(12), near(12), open, 0).stayed).toBe(false)
    // Half as much again: more than √2, which lies halfway to double.
    expect(told(near(12), near(18)).stayed).toBe(false)
    expect(told([], near(12)).stayed).toBe(false)
  })

  test('a report that names the channels outranks it', () => {
    expect(told(near(12), near(12), { ...open, ways: 2 }).stayed).toBe(false)
  })

  test('where no channel was added nothing is missed', () => {
    const tests = testedOf([kept('before', near(20), copy), kept('after', near(20), copy)])
    const asked = { after: one, seen: open, topRate: 3200, ceilings: { Export: 60 } }
    expect(measuredChannels(tests, { before: one, ...asked }).stayed).toBe(false)
    expect(measuredChannels([], { before: one, ...asked })).toMatchObject({
      atLeast: 0,
      stayed: false,
    })
  })
})

test('a log counts once, and one call among many tests does not make a machine better', () => {
  const against = (verdict: 'gain' | 'loss' | 'alike') =>
    ({ against: { after: { verdict } } }) as unknown as Parameters<typeof callsOf>[0][number]
  const log = [against('gain'), against('gain'), against('alike')].flat()
  expect(callsOf([log])).toMatchObject({ compared: 1, called: 1, machine: 'gain' })
  // Of ten tests one is called a gain by chance in 1 − 0.975¹⁰ = 22 of 100 cases.
  const alike = Array.from({ length: 9 }, () => against('alike'))
  expect(callsOf([against('gain'), ...alike]).machine).toBeNull()
  expect(callsOf([against('gain'), against('gain'), ...alike]).machine).toBe('gain')
  expect(callsOf([against('loss'), against('loss'), ...alike]).machine).toBe('loss')
})
