import { BUSY, LATENCY, PAGING, PAGING_POWER, type PagedTo } from './assumed'
import { drawsBy, type ShopResult } from './learned'
import { byMagnitude, type Dimension, DRAWS, evenly, placeIn, quantile, through } from './sample'
import { profileOf, type Range, type Work } from './works'

/** A machine's memory as a forecast sees it: the part of it that is in use. */
export interface MemoryState {
  peakGBs: number
  firstWordNs: number
  usableGiB: number
}

/** What a use and what runs with it need, GiB. */
export interface Need {
  low: number
  likely: number
  high: number
}

/** A use, its share of the time (only the proportions count), and its need; null where nobody knows. */
export interface ForecastUse {
  work: Work
  weight: number
  need: Need | null
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

export interface UseForecast {
  work: Work
  median: number
  most: [number, number]
  /** How much each brings by itself, as a share of the time after. */
  parts: { bandwidth: number; latency: number; paging: number }
  /** Whether it outgrows the memory as is likely. */
  pages: { before: boolean; after: boolean }
}

export interface Forecast {
  /** Times as fast: the middle, and the ranges that hold half and nine tenths of the draws. */
  median: number
  half: [number, number]
  most: [number, number]
  /** The chance of more than a tenth faster. */
  chance10: number
  uses: UseForecast[]
  words: ForecastWord
  /** How many of the shop's own results stand behind it. */
  basis: { jobs: number }
}

/** Below this nobody notices; from here it is much. */
const NOTICED = 1.03
const MUCH = 1.2
/** A range wider than this says less than words do. */
const USEFUL_WIDTH = 0.4

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
  const whole = weighed.reduce((sum, { weight }) => sum + weight, 0)
  if (whole === 0) throw new RangeError('a forecast needs a use with a weight above 0')

  const time = new Float64Array(DRAWS)
  const forecasts = weighed.map((use) => {
    const drawn = drawnOf(use, request)
    for (let draw = 0; draw < DRAWS; draw += 1) {
      // What each use adds to or takes from the time: exactly nothing where nothing changed.
      time[draw] =
        (time[draw] as number) + (use.weight / whole) * ((drawn.ratio[draw] as number) - 1)
    }
    return useForecast(use, request, drawn)
  })
  const speedups = time.map((change) => 1 / (1 + change)).sort()
  const faster = speedups.filter((one) => one > 1.1).length
  const most: [number, number] = [quantile(speedups, 0.05), quantile(speedups, 0.95)]
  const median = quantile(speedups, 0.5)
  return {
    median,
    half: [quantile(speedups, 0.25), quantile(speedups, 0.75)],
    most,
    chance10: faster / speedups.length,
    uses: forecasts,
    words: wordFor(request, weighed, whole, forecasts, median, most),
    basis: { jobs: results.filter(({ work }) => weighed.some((use) => use.work === work)).length },
  }
}

interface Drawn {
  ratio: Float64Array
  bandwidth: Float64Array
  latency: Float64Array
  paging: Float64Array
}

function drawnOf(use: ForecastUse, request: ForecastRequest): Drawn {
  const { before, after, results = [] } = request
  const chosen = chosenFor(use.work, results)
  const working = workingOf(use.work, before, after)
  const drawn: Drawn = {
    ratio: new Float64Array(DRAWS),
    bandwidth: new Float64Array(DRAWS),
    latency: new Float64Array(DRAWS),
    paging: new Float64Array(DRAWS),
  }
  for (let at = 0; at < DRAWS; at += 1) {
    const draw = chosen?.[at] ?? at
    const [latency, bandwidth] = [working.latency[draw], working.bandwidth[draw]] as [
      number,
      number,
    ]
    const paging = pagingRatio(use, request, draw)
    drawn.bandwidth[at] = bandwidth
    drawn.latency[at] = latency
    drawn.paging[at] = paging
    drawn.ratio[at] = (1 + latency + bandwidth) * paging
  }
  return drawn
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
  const over = (range: Range, dimension: Dimension) =>
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
  need: Need | null,
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
  { work, need }: ForecastUse,
  { before, after }: ForecastRequest,
  { ratio, bandwidth, latency, paging }: Drawn,
): UseForecast {
  const speedups = ratio.map((one) => 1 / one).sort()
  const middle = (of: Float64Array) => quantile(of.slice().sort(), 0.5)
  const exceeds = ({ usableGiB }: MemoryState) => need !== null && need.likely > usableGiB
  return {
    work,
    median: quantile(speedups, 0.5),
    most: [quantile(speedups, 0.05), quantile(speedups, 0.95)],
    parts: {
      bandwidth: 0 - middle(bandwidth),
      latency: 0 - middle(latency),
      paging: 1 / middle(paging) - 1,
    },
    pages: { before: exceeds(before), after: exceeds(after) },
  }
}

/** The word for a customer: stalls where the memory ran out and will not, and no figure wider than helps. */
function wordFor(
  { before, after, disk, log }: ForecastRequest,
  uses: readonly ForecastUse[],
  whole: number,
  forecasts: readonly UseForecast[],
  median: number,
  most: [number, number],
): ForecastWord {
  const logged = log?.pagingShare ?? null
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
  if (median < NOTICED) return 'NONE'
  return median < MUCH ? 'SOME' : 'MUCH'
}
