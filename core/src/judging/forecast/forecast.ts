import type { Bound } from '../../things/model'
import { PAGING, PAGING_POWER, type PagedTo, SLOWEST_FRAMES } from './assumed'
import { kindOfChange, learnedFromResults, type ShopResult } from './learned'
import type { MemoryState } from './memoryState'
import { reachedPeak } from './reachedPeak'
import { byMagnitude, DRAWS, evenly, normalIn, placeIn, quantile, through } from './sample'
import { extentOfChange, machineSpread, sizeOfChange } from './spread'
import { drawsOfWork, type Working, workingOf } from './working'
import type { Work } from './works'

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

/** Times as fast: the middle, and the range that holds the next machine nine times in ten. */
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
  /** Times as fast: the middle, and the ranges that hold the next machine half the time and nine times in ten. */
  median: number
  half: [number, number]
  most: [number, number]
  /** The chance of more than a tenth faster. */
  chance10: number
  uses: UseForecast[]
  /** The slowest 1 % of frames, over the games; null where there is none. */
  low1: Expected | null
  words: ForecastWord
  /** How many of the shop's own results stand behind it, and how many were set aside. */
  basis: { jobs: number; setAside: number }
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
 * What a change of memory should bring, by simulation over the ranges of what is not known: for each use the time
 * that it waits for memory (`working.ts`), times paging after ÷ before, 1 + k·((N − M)⁺ ÷ N)^1.5 with N the need and
 * M what is usable. A range is for the next machine: it holds what machines and programs of one kind differ by, and an
 * end of it is a quantile, not a corner. Nothing changed gives exactly 1. Where paging was logged, that share of the
 * time is what can come back.
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
  const speedups = (of: 'middle' | 'next') =>
    weightedSpeedups(forecasts.map(({ use, drawn }) => [use.weight, drawn[of]]))
  const next = speedups('next')
  const faster = next.filter((one) => one > 1.1).length
  const { median, half, most } = expectedOf(speedups('middle'), next)
  const slowest = forecasts.filter(({ drawn }) => drawn.low1)
  const slowestOf = (of: 'middle' | 'next') =>
    weightedSpeedups(
      slowest.map(({ use, drawn }) => [use.weight, (drawn.low1 as Slowest)[of]] as const),
    )
  const low1 = slowest.length > 0 ? rangeOf(slowestOf('middle'), slowestOf('next')) : null
  const each = forecasts.map(({ use, drawn }) => useForecast(use, request, drawn, changes))
  const words = wordFor(request, weighed, each, { median, most })
  return {
    median,
    half,
    most,
    chance10: faster / next.length,
    uses: each,
    low1,
    words,
    basis: basisOf(weighed, results),
  }
}

type Slowest = NonNullable<Drawn['low1']>

function basisOf(uses: readonly ForecastUse[], results: readonly ShopResult[]): Forecast['basis'] {
  const works = new Set(uses.flatMap(profilesOf))
  let [jobs, setAside] = [0, 0]
  for (const work of works) {
    const learned = learnedFromResults(work, results)
    jobs += learned.counted.length
    setAside += learned.setAside.length
  }
  return { jobs, setAside }
}

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

/** The middle of middle machines, within the ranges of the next one. */
function expectedOf(
  middle: Float64Array,
  next: Float64Array,
): Expected & { half: [number, number] } {
  const median = quantile(middle, 0.5)
  const between = (low: number, high: number): [number, number] => [
    Math.min(median, quantile(next, low)),
    Math.max(median, quantile(next, high)),
  ]
  return { median, half: between(0.25, 0.75), most: between(0.05, 0.95) }
}

function rangeOf(middle: Float64Array, next: Float64Array): Expected {
  const { median, most } = expectedOf(middle, next)
  return { median, most }
}

/** Draws for one use: time after ÷ before, for the middle machine and for the next one. */
interface Drawn {
  /** For a machine in the middle: only paging, and what limits a game, are drawn. */
  middle: Float64Array
  /** For the next machine, which differs from the middle. */
  next: Float64Array
  paging: Float64Array
  /** The same for the slowest 1 % of frames; null for other works than games. */
  low1: { middle: Float64Array; next: Float64Array } | null
}

/** The kinds of work a use may be: two for a game of which nobody knows what limits it, the card first. */
function profilesOf({ work, bound }: Pick<ForecastUse, 'work' | 'bound'>): Work[] {
  if (work !== 'games') return [work]
  if (bound === 'card') return ['games']
  return bound === 'processor' ? ['games-processor'] : ['games', 'games-processor']
}

/** What a change brings for a work that does not page: for the middle machine, and how far the next may lie from it. */
interface Change extends Working {
  /** Standard deviation of the logarithm of times as fast. */
  sd: number
  /** Ends of what is possible: 0 below where nothing got worse, above where nothing got better. */
  least: number
  most: number
}

type ChangesOf = (work: Work) => Change

/** The changes of each work, worked out once for a request. */
function changesBy(request: ForecastRequest): ChangesOf {
  const known = new Map<Work, Change>()
  return (work) => {
    const before = known.get(work)
    if (before) return before
    const made = changeOf(work, request)
    known.set(work, made)
    return made
  }
}

/**
 * The middle is the simulation's, moved by the shop's offset; the next machine lies round it with the variance of the
 * offset and of machines. Both go to nothing as the change does, and a change for the better never costs.
 */
function changeOf(work: Work, { before, after, results = [] }: ForecastRequest): Change {
  const working = workingOf(work, before, after)
  const { offsets } = learnedFromResults(work, results)
  const { mean, variance } = offsets[kindOfChange(before, after)]
  const extent = extentOfChange(before, after)
  const sd = extent * Math.sqrt(variance + machineSpread(work).machines ** 2)
  const noWorse =
    reachedPeak(after) >= reachedPeak(before) && after.firstWordNs <= before.firstWordNs
  const noBetter =
    reachedPeak(after) <= reachedPeak(before) && after.firstWordNs >= before.firstWordNs
  return {
    ...working,
    log: movedBy(working.log, mean, sizeOfChange(before, after)),
    sd,
    least: noWorse ? 0 : Number.NEGATIVE_INFINITY,
    most: noBetter ? 0 : Number.POSITIVE_INFINITY,
  }
}

/** An offset below this moves in full whatever the forecast. */
const LEAST_OFFSET = 0.01

/**
 * The logarithm of a forecast, moved by an offset so that a better change never becomes the slower one: what speeds
 * up less than was forecast does so in proportion, down to nothing.
 */
function movedBy(log: number, offset: number, size: number): number {
  if (offset >= 0) return log + offset * size
  const whole = Math.max(LEAST_OFFSET, -offset)
  return Math.abs(log) < whole ? log * (1 + offset / whole) : log + offset * Math.sign(log)
}

/** Time after ÷ before without paging: of the middle machine, and of the next one in a draw. */
const middleTime = ({ log }: Change): number => Math.exp(-log)
const nextTime = ({ log, sd, least, most }: Change, draw: number): number =>
  Math.exp(-Math.min(most, Math.max(least, log + sd * normalIn('machine', draw))))

function drawnOf(use: ForecastUse, request: ForecastRequest, changes: ChangesOf): Drawn {
  const [first, second] = profilesOf(use).map(changes) as [Change, Change?]
  const paging = new Float64Array(DRAWS)
  for (let draw = 0; draw < DRAWS; draw += 1) paging[draw] = pagingRatio(use, request, draw)
  const over = (timeOf: (change: Change, draw: number) => number) =>
    paging.map((paged, draw) => {
      const time = timeOf(first, draw)
      const share = second ? placeIn('bound', draw) : 0
      const other = second ? timeOf(second, draw) : time
      return ((1 - share) * time + share * other) * paged
    })
  return {
    middle: over(middleTime),
    next: over(nextTime),
    paging,
    low1: slowestFrames(use, paging, changes),
  }
}

/**
 * Time after ÷ before of a game's slowest 1 % of frames. Where the processor limits it, they wait for memory
 * more than the average frame; where the card does, most of them are those in which the processor was late.
 */
function slowestFrames(use: ForecastUse, paging: Float64Array, changes: ChangesOf): Drawn['low1'] {
  const profiles = profilesOf(use)
  const isGame = profiles.includes('games') || profiles.includes('games-processor')
  if (!isGame) return null
  const { waitMore, processorLate, pagesMore, waitAtMost } = SLOWEST_FRAMES.value
  const late = changes('games-processor')
  const card = changes('games')
  const { m } = drawsOfWork('games-processor')
  const shareOfProcessor = (draw: number) => {
    if (profiles.length > 1) return placeIn('bound', draw)
    return profiles.includes('games') ? 0 : 1
  }
  const over = (timeOf: (change: Change, draw: number) => number) =>
    paging.map((paged, draw) => {
      const place = placeIn('slowest', draw)
      const more = Math.min(evenly(waitMore, place), waitAtMost / (m[draw] as number))
      const byProcessor = (timeOf(late, draw) - 1) * more
      const share = evenly(processorLate, place)
      const cardBound = (1 - share) * (timeOf(card, draw) - 1) + share * byProcessor
      const processor = shareOfProcessor(draw)
      return (1 + (1 - processor) * cardBound + processor * byProcessor) * paged ** pagesMore
    })
  return { middle: over(middleTime), next: over(nextTime) }
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
  const { middle, next, paging, low1 } = drawn
  const all = profilesOf(use).map(changes)
  const saved = (part: 'bandwidth' | 'latency') =>
    all.reduce((sum, change) => sum + change[part], 0) / all.length
  const exceeds = ({ usableGiB }: MemoryState) => need !== null && need.likely > usableGiB
  return {
    work,
    ...rangeOf(speedupsOf(middle), speedupsOf(next)),
    parts: {
      bandwidth: saved('bandwidth'),
      latency: saved('latency'),
      paging: 1 / quantile(paging.slice().sort(), 0.5) - 1,
    },
    pages: { before: exceeds(before), after: exceeds(after) },
    low1: low1 && rangeOf(speedupsOf(low1.middle), speedupsOf(low1.next)),
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
  const change = changes(work)
  return rangeOf(
    speedupsOf(paging.map((paged) => middleTime(change) * paged)),
    speedupsOf(paging.map((paged, draw) => nextTime(change, draw) * paged)),
  )
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
