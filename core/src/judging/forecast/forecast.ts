import type { Bound } from '../../things/model'
import { BUSY, LATENCY, PAGING, PAGING_POWER, type PagedTo, SLOWEST_FRAMES } from './assumed'
import { drawsBy, type ShopResult } from './learned'
import type { MemoryState } from './memoryState'
import { byMagnitude, type Dimension, DRAWS, evenly, placeIn, quantile, through } from './sample'
import { profileOf, type ShareRange, type Work } from './works'

/** What a use and what runs with it need, GiB. */
export interface MemoryNeed {
  low: number
  likely: number
  high: number
}

/** A use, its share of the time (only the proportions count), and its need; null where nobody knows. */
export interface ForecastUse {
  work: Work
  weight: number
  need: MemoryNeed | null
  /** Limit of a game; null or left out means unknown, and the range covers both. */
  bound?: Bound | null
}

export interface ForecastRequest {
  uses: readonly ForecastUse[]
  before: MemoryState
  after: MemoryState
  disk: PagedTo
  /** The share of the logged time that was lost to paging, where it was measured. */
  log?: { pagingShare: number | null } | null
  /** What the shop measured on its own jobs; it moves the ranges of the works it is of. */
  results?: readonly ShopResult[]
}

/** What a customer is told. */
export const FORECAST_WORDS = ['NONE', 'SOME', 'MUCH', 'STALLS_STOP', 'UNKNOWN'] as const
export type ForecastWord = (typeof FORECAST_WORDS)[number]

/** Times as fast: the middle, and the range that holds nine tenths of the draws. */
export interface Expected {
  median: number
  most: [number, number]
}

export interface UseForecast extends Expected {
  work: Work
  /** How much each brings by itself, as a share of the time after. */
  parts: { bandwidth: number; latency: number; paging: number }
  /** Whether it outgrows the memory as is likely. */
  pages: { before: boolean; after: boolean }
  /** The slowest 1 % of frames, of games; null for other works. */
  low1: Expected | null
  /** A game of which nobody knows what limits it: the forecast for either. */
  either: Record<Bound, Expected> | null
}

export interface Forecast {
  /** Times as fast: the middle, and the ranges that hold half and nine tenths of the draws. */
  median: number
  half: [number, number]
  most: [number, number]
  /** The chance of more than a tenth faster. */
  chance10: number
  uses: UseForecast[]
  /** The slowest 1 % of frames, over the games; null where there is none. */
  low1: Expected | null
  words: ForecastWord
  /** How many of the shop's own results stand behind it. */
  basis: { jobs: number }
}

/** Below this nobody notices; from here it is much. */
const NOTICED = 1.03
const MUCH = 1.2
/** A range wider than this says less than words do. */
const USEFUL_WIDTH = 0.4

/** Whether frames come steadier though nobody would notice more speed. */
export const isSteadier = ({ words, low1 }: Pick<Forecast, 'words' | 'low1'>): boolean =>
  words === 'NONE' && low1 !== null && low1.median >= SLOWEST_FRAMES.value.noticed

/** The forecast for work that was measured: of a game of which nobody knew what limits it, that for what the test shows. */
export function forecastOf(uses: readonly UseForecast[], work: Work): UseForecast | undefined {
  const use =
    uses.find((one) => one.work === work) ??
    (work === 'games-processor' ? uses.find((one) => one.work === 'games') : undefined)
  if (!use?.either) return use
  return { ...use, ...use.either[work === 'games-processor' ? 'processor' : 'card'], either: null }
}

/**
 * What a change of memory should bring, by simulation over the ranges of what is not known: time after
 * ÷ before is 1 + m·[(1 − g)·(L′ ÷ L − 1) + g·(B ÷ B′ − 1)] for each use, with loaded latency
 * L = chip + words·first word + queue·u ÷ (1 − u), u the work's demand ÷ what is reached of the peak;
 * times paging after ÷ before, 1 + k·((N − M)⁺ ÷ N)^1.5 with N the need and M what is usable. An end of
 * a range is a quantile, not a corner. Nothing changed gives exactly 1. Where paging was logged, that
 * share of the time is what can come back.
 * @throws RangeError for figures that are not above 0, or uses of no weight.
 */
export function forecast(request: ForecastRequest): Forecast {
  const { uses, before, after, results = [] } = request
  for (const state of [before, after]) {
    for (const figure of [state.peakGBs, state.firstWordNs, state.usableGiB]) {
      if (!(figure > 0)) throw new RangeError('a forecast needs figures above 0')
    }
  }
  const weighed = uses.filter(({ weight }) => weight > 0)
  if (weighed.length === 0) throw new RangeError('a forecast needs a use with a weight above 0')

  const changes = changesBy(request)
  const forecasts = weighed.map((use) => ({ use, drawn: drawnOf(use, request, changes) }))
  const speedups = weightedSpeedups(forecasts.map(({ use, drawn }) => [use.weight, drawn.ratio]))
  const faster = speedups.filter((one) => one > 1.1).length
  const { median, most } = expected(speedups)
  const slowest = forecasts.flatMap(({ use, drawn }) =>
    drawn.low1 ? [[use.weight, drawn.low1] as const] : [],
  )
  const low1 = slowest.length > 0 ? expected(weightedSpeedups(slowest)) : null
  const each = forecasts.map(({ use, drawn }) => useForecast(use, request, drawn, changes))
  const words = wordFor(request, weighed, each, { median, most })
  return {
    median,
    half: [quantile(speedups, 0.25), quantile(speedups, 0.75)],
    most,
    chance10: faster / speedups.length,
    uses: each,
    low1,
    words,
    basis: { jobs: results.filter((result) => weighed.some((use) => isOf(result, use))).length },
  }
}

const isOf = ({ work }: ShopResult, use: ForecastUse): boolean => profilesOf(use).includes(work)

/** Sorted speed-ups of a mix, from each part's weight and its time after ÷ before, draw by draw. */
function weightedSpeedups(parts: readonly (readonly [number, Float64Array])[]): Float64Array {
  const whole = parts.reduce((sum, [weight]) => sum + weight, 0)
  const change = new Float64Array(DRAWS)
  for (const [weight, ratio] of parts) {
    for (let draw = 0; draw < DRAWS; draw += 1) {
      // Adds up changes of the time, which are exactly 0 where nothing changed.
      change[draw] = (change[draw] as number) + (weight / whole) * ((ratio[draw] as number) - 1)
    }
  }
  return change.map((one) => 1 / (1 + one)).sort()
}

const expected = (speedups: Float64Array): Expected => ({
  median: quantile(speedups, 0.5),
  most: [quantile(speedups, 0.05), quantile(speedups, 0.95)],
})

/** Draws for one use: time after ÷ before, and the part of each cause. */
interface Drawn {
  ratio: Float64Array
  bandwidth: Float64Array
  latency: Float64Array
  paging: Float64Array
  /** The same ratio for the slowest 1 % of frames; null for other works than games. */
  low1: Float64Array | null
}

/** The kinds of work a use may be: two for a game of which nobody knows what limits it, the card first. */
function profilesOf({ work, bound }: Pick<ForecastUse, 'work' | 'bound'>): Work[] {
  if (work !== 'games') return [work]
  if (bound === 'card') return ['games']
  return bound === 'processor' ? ['games-processor'] : ['games', 'games-processor']
}

function drawnOf(use: ForecastUse, request: ForecastRequest, changes: ChangesOf): Drawn {
  const [first, second] = profilesOf(use).map(changes) as [Changes, Changes?]
  const { latency, bandwidth } = second ? between(first, second) : first
  const paging = new Float64Array(DRAWS)
  const ratio = new Float64Array(DRAWS)
  for (let at = 0; at < DRAWS; at += 1) {
    const paged = pagingRatio(use, request, first.draws[at] as number)
    paging[at] = paged
    ratio[at] = (1 + (latency[at] as number) + (bandwidth[at] as number)) * paged
  }
  return { ratio, latency, bandwidth, paging, low1: slowestFrames(use, paging, changes) }
}

/** Change of a work's time by latency and by bandwidth, for the draws that fit the shop's results. */
interface Changes {
  latency: Float64Array
  bandwidth: Float64Array
  /** Which draw stands in each place. */
  draws: readonly number[]
}

type ChangesOf = (work: Work) => Changes

/** The changes of each work, worked out once for a request. */
function changesBy(request: ForecastRequest): ChangesOf {
  const known = new Map<Work, Changes>()
  return (work) => {
    const before = known.get(work)
    if (before) return before
    const made = changesOf(work, request)
    known.set(work, made)
    return made
  }
}

const ALL_DRAWS = Array.from({ length: DRAWS }, (_, at) => at)

function changesOf(work: Work, { before, after, results = [] }: ForecastRequest): Changes {
  const draws = chosenFor(work, results)
  const working = workingOf(work, before, after)
  if (!draws) return { ...working, draws: ALL_DRAWS }
  const taken = (of: Float64Array) => Float64Array.from(draws, (draw) => of[draw] as number)
  return { latency: taken(working.latency), bandwidth: taken(working.bandwidth), draws }
}

/** A share of the time, drawn evenly from none to all of it, goes by the second; the rest by the first. */
function between(first: Changes, second: Changes): Pick<Changes, 'latency' | 'bandwidth'> {
  const mix = (a: Float64Array, b: Float64Array) =>
    a.map((one, at) => {
      const share = placeIn('bound', at)
      return (1 - share) * one + share * (b[at] as number)
    })
  return {
    latency: mix(first.latency, second.latency),
    bandwidth: mix(first.bandwidth, second.bandwidth),
  }
}

/**
 * Time after ÷ before of a game's slowest 1 % of frames. Where the processor limits it, they wait for memory
 * more than the average frame; where the card does, most of them are those in which the processor was late.
 */
function slowestFrames(
  use: ForecastUse,
  paging: Float64Array,
  changes: ChangesOf,
): Float64Array | null {
  const profiles = profilesOf(use)
  const isGame = profiles.includes('games') || profiles.includes('games-processor')
  if (!isGame) return null
  const { waitMore, processorLate, pagesMore, waitAtMost } = SLOWEST_FRAMES.value
  const late = changes('games-processor')
  const card = changes('games')
  const { m } = drawsOfWork('games-processor')
  const shareOfProcessor = (at: number) => {
    if (profiles.length > 1) return placeIn('bound', at)
    return profiles.includes('games') ? 0 : 1
  }
  return paging.map((paged, at) => {
    const place = placeIn('slowest', at)
    const waits = m[late.draws[at] as number] as number
    const more = Math.min(evenly(waitMore, place), waitAtMost / waits)
    const byProcessor = ((late.latency[at] as number) + (late.bandwidth[at] as number)) * more
    const share = evenly(processorLate, place)
    const byCard = (card.latency[at] as number) + (card.bandwidth[at] as number)
    const cardBound = (1 - share) * byCard + share * byProcessor
    const processor = shareOfProcessor(at)
    return (1 + (1 - processor) * cardBound + processor * byProcessor) * paged ** pagesMore
  })
}

/** What is drawn of a work, whatever the memory: once for all forecasts of it. */
const WORKS_DRAWN = new Map<
  Work,
  Record<'m' | 'g' | 'demand' | 'chip' | 'c' | 'queue', Float64Array>
>()

function drawsOfWork(work: Work) {
  const known = WORKS_DRAWN.get(work)
  if (known) return known
  const { waits, streams, asks } = profileOf(work)
  const { chipNs, words, queueNs } = LATENCY.value
  const over = (range: ShareRange, dimension: Dimension) =>
    Float64Array.from({ length: DRAWS }, (_, draw) => evenly(range, placeIn(dimension, draw)))
  const drawn = {
    m: over(waits, 'waits'),
    g: over(streams, 'streams'),
    demand: over(asks, 'asks'),
    chip: over(chipNs, 'chip'),
    c: over(words, 'words'),
    queue: over(queueNs, 'queue'),
  }
  WORKS_DRAWN.set(work, drawn)
  return drawn
}

/** What latency and bandwidth add to the time of a work, draw by draw. */
function workingOf(
  work: Work,
  before: MemoryState,
  after: MemoryState,
): { latency: Float64Array; bandwidth: Float64Array } {
  const { m, g, demand, chip, c, queue } = drawsOfWork(work)
  const { most, reached } = BUSY.value
  const latency = new Float64Array(DRAWS)
  const bandwidth = new Float64Array(DRAWS)
  const loaded = ({ peakGBs, firstWordNs }: MemoryState, draw: number) => {
    const busy = Math.min(most, (demand[draw] as number) / (reached * peakGBs))
    const waited = ((queue[draw] as number) * busy) / (1 - busy)
    return (chip[draw] as number) + (c[draw] as number) * firstWordNs + waited
  }
  for (let draw = 0; draw < DRAWS; draw += 1) {
    const [share, streamed] = [m[draw] as number, g[draw] as number]
    latency[draw] = share * (1 - streamed) * (loaded(after, draw) / loaded(before, draw) - 1)
    bandwidth[draw] = share * streamed * (before.peakGBs / after.peakGBs - 1)
  }
  return { latency, bandwidth }
}

/** Worked out once for the same results: planning asks for thousands of forecasts. */
let remembered: { results: readonly ShopResult[]; by: Map<Work, readonly number[] | null> } | null =
  null

function chosenFor(work: Work, results: readonly ShopResult[]): readonly number[] | null {
  if (results.length === 0) return null
  if (remembered?.results !== results) remembered = { results, by: new Map() }
  const known = remembered.by.get(work)
  if (known !== undefined) return known
  const own = results.filter((result) => result.work === work)
  const chosen = drawsBy(own, ({ before, after }) => {
    const { latency, bandwidth } = workingOf(work, before, after)
    return latency.map((one, draw) => 1 / (1 + one + (bandwidth[draw] as number)))
  })
  remembered.by.set(work, chosen)
  return chosen
}

const pagingDrawn = (disk: PagedTo) =>
  Float64Array.from({ length: DRAWS }, (_, draw) =>
    byMagnitude(PAGING.value[disk], placeIn('paging', draw)),
  )
const PAGING_DRAWN: Readonly<Record<PagedTo, Float64Array>> = {
  'solid-state': pagingDrawn('solid-state'),
  spinning: pagingDrawn('spinning'),
}

/** Time lost to paging, after ÷ before. */
function pagingRatio({ need }: ForecastUse, request: ForecastRequest, draw: number): number {
  const { before, after, disk, log } = request
  const logged = log?.pagingShare ?? null
  if (logged === null) {
    if (!need) return 1
    const n = through(need, placeIn('need', draw))
    const k = PAGING_DRAWN[disk][draw] as number
    return (1 + k * over(n, after.usableGiB)) / (1 + k * over(n, before.usableGiB))
  }
  if (logged === 0) return 1
  return 1 - logged + logged * stillPaged(need, before, after, draw)
}

/** How far a need outgrows what is usable, bent upwards. */
const over = (need: number, usable: number): number =>
  need > usable ? ((need - usable) / need) ** PAGING_POWER : 0

/** Of the paging that was logged, the part that stays. */
function stillPaged(
  need: MemoryNeed | null,
  before: MemoryState,
  after: MemoryState,
  draw: number,
): number {
  if (!need) return after.usableGiB > before.usableGiB ? 0 : 1
  const n = through(need, placeIn('need', draw))
  const was = over(n, before.usableGiB)
  if (was > 0) return over(n, after.usableGiB) / was
  // It was logged though the need would not say so: what grew holds it, what did not holds none of it.
  return after.usableGiB > before.usableGiB ? 0 : 1
}

function useForecast(
  use: ForecastUse,
  request: ForecastRequest,
  drawn: Drawn,
  changes: ChangesOf,
): UseForecast {
  const { work, need } = use
  const { before, after } = request
  const { ratio, bandwidth, latency, paging, low1 } = drawn
  const middle = (of: Float64Array) => quantile(of.slice().sort(), 0.5)
  const exceeds = ({ usableGiB }: MemoryState) => need !== null && need.likely > usableGiB
  return {
    work,
    ...expected(speedupsOf(ratio)),
    parts: {
      bandwidth: 0 - middle(bandwidth),
      latency: 0 - middle(latency),
      paging: 1 / middle(paging) - 1,
    },
    pages: { before: exceeds(before), after: exceeds(after) },
    low1: low1 && expected(speedupsOf(low1)),
    either: isOpen(use)
      ? {
          card: byWork('games', paging, changes),
          processor: byWork('games-processor', paging, changes),
        }
      : null,
  }
}

const speedupsOf = (ratio: Float64Array) => ratio.map((one) => 1 / one).sort()

/** A game of which nobody knows what limits it. */
const isOpen = (use: ForecastUse): boolean => profilesOf(use).length > 1

/** The forecast of a use taken as one kind of work, with the same paging. */
function byWork(work: Work, paging: Float64Array, changes: ChangesOf): Expected {
  const { latency, bandwidth } = changes(work)
  const ratio = paging.map(
    (paged, at) => (1 + (latency[at] as number) + (bandwidth[at] as number)) * paged,
  )
  return expected(speedupsOf(ratio))
}

/**
 * The word for a customer: stalls where the memory ran out and will not, and no figure wider than helps. Where
 * nobody knows what limits a game, “no difference” is said only where it holds for either.
 */
function wordFor(
  { before, after, disk, log }: ForecastRequest,
  uses: readonly ForecastUse[],
  forecasts: readonly UseForecast[],
  { median, most }: Expected,
): ForecastWord {
  const logged = log?.pagingShare ?? null
  const whole = uses.reduce((sum, { weight }) => sum + weight, 0)
  const open = uses.reduce((sum, { need, weight }) => sum + (need === null ? weight : 0), 0)
  if (
    logged === null &&
    after.usableGiB > before.usableGiB &&
    open > whole / 2 &&
    median < NOTICED
  ) {
    return 'UNKNOWN'
  }
  const stops =
    logged === null
      ? forecasts.some(({ pages }) => pages.before && !pages.after)
      : logged > 0.02 && after.usableGiB > before.usableGiB
  const wide = most[1] - most[0] > USEFUL_WIDTH
  if (stops && (disk === 'spinning' || wide) && median >= NOTICED) return 'STALLS_STOP'
  if (median >= NOTICED) return median < MUCH ? 'SOME' : 'MUCH'
  const asProcessorBound = forecasts.reduce(
    (time, one, at) =>
      time +
      (uses[at] as ForecastUse).weight / whole / (one.either?.processor.median ?? one.median),
    0,
  )
  const mayBeNoticed = forecasts.some(({ either }) => either) && 1 / asProcessorBound >= NOTICED
  return mayBeNoticed ? 'UNKNOWN' : 'NONE'
}
