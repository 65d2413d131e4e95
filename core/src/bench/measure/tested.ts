import type { Work } from '../../judging/forecast'
import { SURROUNDINGS, type Surrounding } from '../../things/model'
import type { Bandwidth } from './bandwidths'
import { type Comparison, compare, LEVEL } from './compare'
import { differing, type TestCondition, type TestConditions } from './conditions'
import { CONFIGURATIONS, type Configuration } from './configurations'
import { atLeastChance } from './distributions'
import { atEqualLength } from './equalLengths'
import type { FrameFigures } from './frames'
import { type GridEffects, gridEffects } from './grid'
import type { FigureSort, Scatter } from './scatter'
import type { Session } from './session'

/** What is kept of any session: how the machine was, when, and under which conditions. */
interface KeptSession {
  test: string
  configuration: Configuration
  /** When it was made (ISO); null where nobody noted it. */
  at: string | null
  conditions: TestConditions
}

/** One session of one test in one configuration, as it is kept. */
export interface KeptRuns extends KeptSession {
  unit: string
  better: 'higher' | 'lower'
  bandwidth: Bandwidth | null
  /** The use of the customer’s that it stands for; null for none. */
  work: Work | null
  /** The machine was busy with something else: it is not counted. */
  busy: boolean
  runs: readonly number[]
  failed: number
}

/** A log of frame times, as it is kept; logs with the same number are of one session. */
export interface KeptFrames extends KeptSession {
  session: number
  figures: FrameFigures
}

/** A session with the record it stands in; null where it comes from logs. */
export interface SessionOf<R> extends Session {
  record: R | null
  failed: number
  /** Why it does not count: something else was busy, or these conditions were others than the newest’s. */
  leftOut: 'busy' | TestCondition[] | null
}

/** Sessions in one configuration. */
export interface Configured<R> {
  sessions: SessionOf<R>[]
  /** Runs of the sessions that count. */
  runs: readonly number[]
  failed: number
}

/** A test with its sessions in every configuration it was made in, and what they say. */
export interface Tested<R>
  extends Pick<KeptRuns, 'test' | 'unit' | 'better' | 'bandwidth' | 'work'> {
  sides: Partial<Record<Configuration, Configured<R>>>
  /** Each other configuration against before. */
  against: Partial<Record<Configuration, Comparison>>
  /** Changes made along with the memory, by configuration; they share in its difference from the newest. */
  along: Partial<Record<Configuration, Surrounding[]>>
  /** What each of two changes does; null until all four configurations are measured. */
  effects: GridEffects | null
}

/** What a test’s sessions usually scatter by; null where nothing was learned of it. */
export type ScatterOf = (test: string, figure?: FigureSort) => Scatter | null

/** Measurements test by test, a record being a session. */
export function testedOf<R extends KeptRuns>(
  measurements: readonly R[],
  scatterOf: ScatterOf = () => null,
): Tested<R>[] {
  return byTest(measurements).map(([test, own]) => {
    const { unit, better, bandwidth, work } = own.at(-1) as R
    const sessions = own.map((record) => {
      const { configuration, at, conditions, runs, failed, busy } = record
      return { configuration, conditions, at, runs, failed, record, busy }
    })
    return told({ test, unit, better, bandwidth, work }, sessions, scatterOf)
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

/** Kind of figure by its scatter: rates that few frames make scatter more. */
const FIGURE_OF: Record<FrameRate, FigureSort> = {
  averageRate: 'average',
  rateAt99: 'average',
  rateOfSlowest1: 'low1',
  rateAt999: 'low1',
  rateOfSlowest01: 'low01',
}

/** A figure of logs: a test with a log as a run. */
export interface LoggedRate extends Tested<never> {
  /** The length, s, that longer logs are cut to before they are compared; null where none is. */
  cutTo: number | null
  /** Logs that are not compared: too short for the figure, or kept without the beginning it takes. */
  notCompared: number
}

/** What was logged frame by frame under one name: its logs, and each figure of them. */
export interface Logged<L> {
  test: string
  logs: Partial<Record<Configuration, L[]>>
  rates: Record<FrameRate, LoggedRate>
}

/** Logs of frame times by what was run; `nameOf` names the test that a figure makes. */
export function loggedOf<L extends KeptFrames>(
  frames: readonly L[],
  nameOf: (test: string, rate: FrameRate) => string,
  scatterOf: ScatterOf = () => null,
): Logged<L>[] {
  return byTest(frames).map(([test, own]) => {
    const logs: Logged<L>['logs'] = {}
    for (const log of own) logs[log.configuration] = [...(logs[log.configuration] ?? []), log]
    const rates = FRAME_RATES.map((rate) => {
      const { rates: all, cutTo } =
        rate === 'averageRate'
          ? { rates: own.map(({ figures }) => figures.averageRate), cutTo: null }
          : atEqualLength(
              own.map(({ figures }) => figures),
              rate,
            )
      const rateOf = new Map(own.map((log, at) => [log, all[at] ?? null]))
      const sessions = CONFIGURATIONS.flatMap((configuration) =>
        bySession(logs[configuration] ?? []).map((of) => {
          const { at, conditions } = of[0] as L
          const runs = of.flatMap((log) => rateOf.get(log) ?? [])
          const isCapped = of.some(({ figures: { cap } }) => cap !== null && cap !== undefined)
          const session = { configuration, conditions, at, runs, failed: 0, record: null }
          return { ...session, busy: false, isCapped }
        }),
      )
      const about = { unit: 'frames/s', better: 'higher', bandwidth: null, work: null } as const
      const named = { test: nameOf(test, rate), ...about }
      const notCompared = all.filter((one) => one === null).length
      const tested = told<never>(named, sessions, scatterOf, FIGURE_OF[rate], FRAME_RATES.length)
      return [rate, { ...tested, cutTo, notCompared }]
    })
    return { test, logs, rates: Object.fromEntries(rates) as Logged<L>['rates'] }
  })
}

/** Of several tests on one machine: how many were compared, how many called, and how many of them chance alone would call. */
export interface Calls {
  compared: number
  called: number
  byChance: number
  /** Whether chance alone would hardly call as many gains, or as many losses: at most six times in a hundred. */
  machine: 'gain' | 'loss' | 'both' | null
}

/** Chance alone would call the machine better or worse no more often than this, over all tests together. */
const SUMMARY_LEVEL = 0.06

/** Calls over several tests; of figures of one log, given as one list, the log counts once. */
export function callsOf(
  tests: readonly (
    | Pick<Tested<unknown>, 'against'>
    | readonly Pick<Tested<unknown>, 'against'>[]
  )[],
): Calls {
  const verdicts = tests.flatMap((one) => {
    const all = [one]
      .flat()
      .flatMap(({ against: { after } }) =>
        after && after.verdict !== 'too-few' ? [after.verdict] : [],
      )
    return all.length > 0 ? [new Set(all)] : []
  })
  const compared = verdicts.length
  const callsFor = (verdict: 'gain' | 'loss') => verdicts.filter((one) => one.has(verdict)).length
  const [gains, losses] = [callsFor('gain'), callsFor('loss')]
  // One side of the level for each: a test is called one way as often as the other by chance.
  const isReal = (many: number) =>
    many > 0 && atLeastChance(many, compared, LEVEL / 2) <= SUMMARY_LEVEL / 2
  const [better, worse] = [isReal(gains), isReal(losses)]
  return {
    compared,
    called: verdicts.filter((one) => one.has('gain') || one.has('loss')).length,
    byChance: compared * LEVEL,
    machine: better && worse ? 'both' : better ? 'gain' : worse ? 'loss' : null,
  }
}

function byTest<T extends { test: string }>(records: readonly T[]): [string, T[]][] {
  const groups = new Map<string, T[]>()
  for (const one of records) groups.set(one.test, [...(groups.get(one.test) ?? []), one])
  return [...groups]
}

function bySession<L extends KeptFrames>(logs: readonly L[]): L[][] {
  const sessions = new Map<number, L[]>()
  for (const log of logs) sessions.set(log.session, [...(sessions.get(log.session) ?? []), log])
  return [...sessions.values()]
}

interface Found<R> extends Session {
  configuration: Configuration
  conditions: TestConditions
  failed: number
  record: R | null
  busy: boolean
  /** Whether its frames were held to a rate. */
  isCapped?: boolean
}

/**
 * Only what was run under the conditions of the newest session after the change is compared. A driver or another of
 * the machine's surroundings that differs in all sessions of a configuration was changed along with the memory: they
 * are compared, and it is told.
 */
function told<R>(
  test: Pick<KeptRuns, 'test' | 'unit' | 'better' | 'bandwidth' | 'work'>,
  found: readonly Found<R>[],
  scatterOf: ScatterOf,
  figure: FigureSort = 'average',
  family = 1,
): Tested<R> {
  const quiet = found.filter(({ busy, runs }) => !busy && runs.length > 0)
  const newest = quiet.findLast(({ configuration }) => configuration === 'after') ?? quiet.at(-1)
  const sides: Tested<R>['sides'] = {}
  const along: Tested<R>['along'] = {}
  for (const configuration of CONFIGURATIONS) {
    const own = quiet.filter((one) => one.configuration === configuration)
    const changed = SURROUNDINGS.filter(
      (one) =>
        own.length > 0 &&
        own.every(({ conditions }) =>
          differing(conditions, newest?.conditions ?? {}).includes(one),
        ),
    )
    if (changed.length > 0) along[configuration] = changed
  }
  for (const { configuration, conditions, busy, isCapped: _, ...session } of found) {
    const changed: readonly TestCondition[] = along[configuration] ?? []
    const others = differing(conditions, newest?.conditions ?? {}).filter(
      (one) => !changed.includes(one),
    )
    const leftOut = busy ? 'busy' : others.length > 0 ? others : null
    const side = sides[configuration] ?? { sessions: [], runs: [], failed: 0 }
    sides[configuration] = {
      sessions: [...side.sessions, { ...session, leftOut }],
      runs: leftOut ? side.runs : [...side.runs, ...session.runs],
      failed: side.failed + (leftOut ? 0 : session.failed),
    }
  }
  const counted = (configuration: Configuration) =>
    (sides[configuration]?.sessions ?? []).filter(({ leftOut }) => leftOut === null)
  const about = { better: test.better, figure, shop: scatterOf(test.test, figure) }
  const against: Tested<R>['against'] = {}
  for (const configuration of CONFIGURATIONS) {
    if (configuration === 'before' || !sides.before || !sides[configuration]) continue
    const capped = quiet.some(
      (one) =>
        one.isCapped && (one.configuration === 'before' || one.configuration === configuration),
    )
    against[configuration] = compare({
      ...about,
      capped,
      family,
      before: counted('before'),
      after: counted(configuration),
    })
  }
  const effects = gridEffects({
    cells: [
      [counted('before'), counted('second')],
      [counted('first'), counted('after')],
    ],
    ...about,
  })
  return { ...test, sides, against, along, effects }
}

/** All runs as rows with headings, for a table elsewhere. */
export function runRows(tested: readonly Tested<unknown>[]): (string | number)[][] {
  const rows = tested.flatMap(({ test, unit, sides }) =>
    CONFIGURATIONS.flatMap((configuration) =>
      (sides[configuration]?.sessions ?? []).flatMap(({ runs, leftOut }, session) =>
        runs.map((run, at) => [
          test,
          unit,
          configuration,
          session + 1,
          at + 1,
          run,
          leftOut === null ? 'yes' : 'no',
        ]),
      ),
    ),
  )
  return [['test', 'unit', 'configuration', 'session', 'run', 'figure', 'counted'], ...rows]
}
