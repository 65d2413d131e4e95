import { deepEqual, type Generation, known } from '../../things/model'
import type { SpeedPoint } from './speeds'
import type { Tried, TuneSettings } from './tried'

export const LADDER_STAGES = ['rated', 'speed', 'cl', 'trcd-trp', 'tras', 'final'] as const
export type LadderStage = (typeof LADDER_STAGES)[number]

export type SettingName = 'nothing' | 'dataRate' | 'cl' | 'trcd-trp' | 'tras'

/** What a rung changes against the one before: one thing. */
export interface SettingChange {
  what: SettingName
  from: number
  to: number
}

/** Settings to try next: one change, its test, and the way back. */
export interface Rung {
  stage: LadderStage
  settings: TuneSettings
  change: SettingChange
  test: 'short' | 'long'
  /** The last that passed, to be set again where this does not; null for the values as found. */
  back: TuneSettings | null
}

export interface Ladder {
  /** What to try next; null at the end. */
  next: Rung | null
  /** The settings that held through the soak test; null until then. */
  holds: TuneSettings | null
  /**
   * How it ended: even the rated values fail; the last settings held; or what held is no better than as found and is
   * not kept. Null while it goes on.
   */
  end: 'RATED_FAILS' | 'DONE' | 'NOT_BETTER' | null
  /** Stages given up because what they could still gain would not show in this customer's work. */
  notWorth: LadderStage[]
}

export interface LadderCase {
  generation: Generation
  picture: readonly SpeedPoint[]
  /** What was tried so far, in order. */
  tried: readonly Tried[]
  /** How many times as fast the customer's work becomes from one to the other. */
  gainOf: (from: TuneSettings, to: TuneSettings) => number
  /** How many times as fast it becomes against the machine as found. */
  gainOnFound: (to: TuneSettings) => number
  /** Minutes below which a test that passed was cut short, and tells nothing. */
  least: Readonly<Record<Tried['test'], number>>
}

/** A short test of fewer minutes was cut short. */
export const SHORT_TEST = known(
  5,
  'A judgement: a test that is broken off after a start has seen little of the memory.',
)

/** Whether a test that found no error ran too short to count as passed. */
export const isCutShort = (
  { outcome, test, minutes }: Tried,
  least: LadderCase['least'],
): boolean => outcome === 'passed' && minutes < least[test]

/** A gain below this does not show. */
export const NOT_WORTH = 1.003
/** How far a timing is lowered before its stage ends by itself, clocks. */
const MOST_LOWERED = 8

/**
 * The ladder of settings, one change each: the rated values first and tested; then speed in steps up to the
 * ceiling (or down to it, where the rated speed is above, and also where the rated values fail at half rate); then
 * CL, then tRCD and tRP, then tRAS, each a clock down until errors or no start, and back to what passed; at the end the
 * soak test of it. Rungs pass; only what came through the soak test holds, and it is kept only where it is better than
 * as found. A test cut short counts as not made. The ladder is carried on by what was seen, and a stage that would not
 * show in the customer's work is left out. Settings tried besides, with a reason, go into the soak test where they
 * passed and are the better ones.
 */
export function ladder(given: LadderCase): Ladder {
  const { generation, picture, gainOf, gainOnFound, least } = given
  const tried = given.tried.filter((one) => !isCutShort(one, least))
  const rated = picture.find((point) => point.rated)
  if (!rated) return { next: null, holds: null, end: 'DONE', notWorth: [] }
  const outcomeOf = (settings: TuneSettings, test: Tried['test']) =>
    tried.findLast((one) => one.test === test && deepEqual(plain(one.settings), plain(settings)))
      ?.outcome
  const notWorth: LadderStage[] = []
  const rung = (
    stage: LadderStage,
    settings: TuneSettings,
    change: SettingChange,
    back: TuneSettings | null,
  ) => ({
    next: { stage, settings, change, test: 'short' as const, back },
    holds: null,
    end: null,
    notWorth,
  })

  const first = plain(rated)
  const ratedOutcome = outcomeOf(first, 'short')
  if (ratedOutcome === undefined) {
    return rung('rated', first, { what: 'nothing', from: 0, to: 0 }, null)
  }
  const below = ratedOutcome === 'passed' ? null : speedsToTry(picture, rated)[0]
  if (ratedOutcome !== 'passed' && !(rated.halfRate && below)) {
    return { next: null, holds: null, end: 'RATED_FAILS', notWorth }
  }

  let passes = first
  if (below) {
    // The rated values fail at half rate: the proposed ones below the ceiling are a start of their own.
    passes = plain(below)
    const outcome = outcomeOf(passes, 'short')
    const change = { what: 'dataRate', from: first.dataRate, to: passes.dataRate } as const
    if (outcome === undefined) return rung('speed', passes, change, null)
    if (outcome !== 'passed') return { next: null, holds: null, end: 'RATED_FAILS', notWorth }
  }
  for (const to of below ? [] : speedsToTry(picture, rated)) {
    const settings = plain(to)
    if (to.firstWordNs < rated.firstWordNs && gainOf(passes, settings) < NOT_WORTH) {
      notWorth.push('speed')
      break
    }
    const outcome = outcomeOf(settings, 'short')
    const change = { what: 'dataRate', from: passes.dataRate, to: settings.dataRate } as const
    if (outcome === undefined) return rung('speed', settings, change, passes)
    if (outcome !== 'passed') break
    passes = settings
  }

  for (const stage of ['cl', 'trcd-trp', 'tras'] as const) {
    if (gainOf(passes, lowered(passes, stage, generation, 2)) < NOT_WORTH) {
      notWorth.push(stage)
      continue
    }
    for (let down = 1; down <= MOST_LOWERED; down += 1) {
      const settings = lowered(passes, stage, generation, 1)
      if (!isPossible(settings)) break
      const outcome = outcomeOf(settings, 'short')
      const change = { what: stage, from: clocksOf(passes, stage), to: clocksOf(settings, stage) }
      if (outcome === undefined) return rung(stage, settings, change, passes)
      if (outcome !== 'passed') break
      passes = settings
    }
  }
  const own = tried
    .filter(({ reason, test, outcome }) => reason && test === 'short' && outcome === 'passed')
    .map(({ settings }) => plain(settings))
  const best = own.reduce((most, one) => (gainOf(most, one) > 1 ? one : most), passes)
  return finalTest(below ? passes : first, best)

  /** The soak test of what passed; where it fails, of what passed before it. */
  function finalTest(start: TuneSettings, best: TuneSettings): Ladder {
    const passed = tried
      .filter(({ test, outcome }) => test === 'short' && outcome === 'passed')
      .map(({ settings }) => plain(settings))
      .filter((one) => deepEqual(one, best) || gainOf(one, best) >= 1)
    const upTo = passed.findLastIndex((one) => deepEqual(one, best))
    const chain = [...passed.slice(0, upTo + 1)].reverse()
    for (const settings of chain.length > 0 ? chain : [start]) {
      const outcome = outcomeOf(settings, 'long')
      if (outcome === undefined) {
        const change: SettingChange = { what: 'nothing', from: 0, to: 0 }
        const next: Rung = { stage: 'final', settings, change, test: 'long', back: null }
        return { next, holds: null, end: null, notWorth }
      }
      if (outcome === 'passed') {
        const end = gainOnFound(settings) > 1 ? 'DONE' : 'NOT_BETTER'
        return { next: null, holds: settings, end, notWorth }
      }
    }
    return { next: null, holds: null, end: 'RATED_FAILS', notWorth }
  }
}

const plain = ({ dataRate, timings }: TuneSettings): TuneSettings => ({
  dataRate,
  timings: { cl: timings.cl, trcd: timings.trcd, trp: timings.trp, tras: timings.tras },
})

/** Speeds to try, in order: down to the ceiling where the rated one is above it, else upwards while synchronous. */
function speedsToTry(picture: readonly SpeedPoint[], rated: SpeedPoint): SpeedPoint[] {
  const synchronous = picture.filter(({ halfRate }) => !halfRate)
  if (rated.halfRate) return synchronous.slice(-1)
  return synchronous.filter(({ dataRate }) => dataRate > rated.dataRate)
}

function lowered(
  { dataRate, timings }: TuneSettings,
  stage: 'cl' | 'trcd-trp' | 'tras',
  generation: Generation,
  steps: number,
): TuneSettings {
  // DDR5 knows even CAS latencies only.
  const cl = generation === 'DDR5' ? 2 * steps : steps
  switch (stage) {
    case 'cl':
      return { dataRate, timings: { ...timings, cl: timings.cl - cl } }
    case 'trcd-trp':
      return {
        dataRate,
        timings: { ...timings, trcd: timings.trcd - steps, trp: timings.trp - steps },
      }
    case 'tras':
      return { dataRate, timings: { ...timings, tras: timings.tras - 2 * steps } }
  }
}

/** A row must be open at least as long as it takes to reach it and read from it. */
const isPossible = ({ timings: { cl, trcd, trp, tras } }: TuneSettings): boolean =>
  cl > 4 && trcd > 4 && trp > 4 && tras >= trcd + 8

function clocksOf({ timings }: TuneSettings, stage: 'cl' | 'trcd-trp' | 'tras'): number {
  return stage === 'cl' ? timings.cl : stage === 'tras' ? timings.tras : timings.trcd
}
