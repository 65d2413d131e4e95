import type { Bandwidth } from './bandwidths'
import { type Comparison, compareRuns } from './compare'
import { CONFIGURATIONS, type Configuration } from './configurations'
import type { FrameFigures } from './frames'
import { type GridEffects, gridEffects } from './grid'

/** Runs of one test in one configuration, as they are kept. */
export interface KeptRuns {
  test: string
  unit: string
  better: 'higher' | 'lower'
  bandwidth: Bandwidth | null
  configuration: Configuration
  runs: readonly number[]
  failed: number
}

/** A log of frame times, as it is kept. */
export interface KeptFrames {
  test: string
  configuration: Configuration
  figures: FrameFigures
}

/** Runs in one configuration. */
export interface Side<R> {
  runs: readonly number[]
  failed: number
  /** The record they stand in; null where they come from logs. */
  record: R | null
}

/** A test with its runs in every configuration it was made in, and what they say. */
export interface Tested<R> extends Pick<KeptRuns, 'test' | 'unit' | 'better' | 'bandwidth'> {
  sides: Partial<Record<Configuration, Side<R>>>
  /** Each other configuration against before. */
  against: Partial<Record<Configuration, Comparison>>
  /** What each of two changes does; null until all four configurations are measured. */
  effects: GridEffects | null
}

/** Measurements test by test; of several of one test and configuration the last counts. */
export function testedOf<R extends KeptRuns>(measurements: readonly R[]): Tested<R>[] {
  return byTest(measurements).map(([test, own]) => {
    const { unit, better, bandwidth } = own.at(-1) as R
    const sides: Tested<R>['sides'] = {}
    for (const record of own) {
      const { configuration, runs, failed } = record
      sides[configuration] = { runs, failed, record }
    }
    return told({ test, unit, better, bandwidth, sides })
  })
}

/** The figures of a log, each under its own name, since the ways to say “slowest” differ. */
export const FRAME_RATES = [
  'averageRate',
  'rateAt99',
  'rateOfSlowest1',
  'rateAt999',
  'rateOfSlowest01',
] as const
export type FrameRate = (typeof FRAME_RATES)[number]

/** What was logged frame by frame under one name: its logs, and a test for each figure, a log being a run. */
export interface Logged<L> {
  test: string
  logs: Partial<Record<Configuration, L[]>>
  rates: Record<FrameRate, Tested<never>>
}

/** Logs of frame times by what was run; `nameOf` names the test that a figure makes. */
export function loggedOf<L extends KeptFrames>(
  frames: readonly L[],
  nameOf: (test: string, rate: FrameRate) => string,
): Logged<L>[] {
  return byTest(frames).map(([test, own]) => {
    const logs: Logged<L>['logs'] = {}
    for (const log of own) logs[log.configuration] = [...(logs[log.configuration] ?? []), log]
    const rates = FRAME_RATES.map((rate) => {
      const sides: Tested<never>['sides'] = {}
      for (const configuration of CONFIGURATIONS) {
        const runs = logs[configuration]?.map(({ figures }) => figures[rate])
        if (runs) sides[configuration] = { runs, failed: 0, record: null }
      }
      const about = { unit: 'frames/s', better: 'higher', bandwidth: null } as const
      return [rate, told({ test: nameOf(test, rate), ...about, sides })]
    })
    return { test, logs, rates: Object.fromEntries(rates) as Logged<L>['rates'] }
  })
}

function byTest<T extends { test: string }>(records: readonly T[]): [string, T[]][] {
  const groups = new Map<string, T[]>()
  for (const one of records) groups.set(one.test, [...(groups.get(one.test) ?? []), one])
  return [...groups]
}

function told<R>(test: Omit<Tested<R>, 'against' | 'effects'>): Tested<R> {
  const { sides, better } = test
  const runsOf = (configuration: Configuration) => sides[configuration]?.runs ?? []
  const against: Tested<R>['against'] = {}
  for (const configuration of CONFIGURATIONS) {
    const [was, is] = [sides.before, sides[configuration]]
    if (configuration !== 'before' && was && is) {
      against[configuration] = compareRuns(was.runs, is.runs, better)
    }
  }
  const effects = gridEffects({
    cells: [
      [runsOf('before'), runsOf('second')],
      [runsOf('first'), runsOf('after')],
    ],
    better,
  })
  return { ...test, against, effects }
}

/** All runs as rows with headings, for a table elsewhere. */
export function rowsOf(tested: readonly Tested<unknown>[]): (string | number)[][] {
  const rows = tested.flatMap(({ test, unit, sides }) =>
    CONFIGURATIONS.flatMap((configuration) =>
      (sides[configuration]?.runs ?? []).map((run, at) => [test, unit, configuration, at + 1, run]),
    ),
  )
  return [['test', 'unit', 'configuration', 'run', 'figure'], ...rows]
}
