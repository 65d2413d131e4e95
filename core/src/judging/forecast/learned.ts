import { known } from '../../things/model'
import type { MemoryState } from './memoryState'
import { machineSpread } from './spread'
import { workingOf } from './working'
import type { Work } from './works'

/** What a change of memory was measured to bring on one machine, where nothing paged. */
export interface ShopResult {
  work: Work
  before: MemoryState
  after: MemoryState
  /** Times as fast, and how sure that is: standard deviation of its logarithm. */
  ratio: number
  sd: number
  /** Name of the result, and the job it is of; left out where nobody asks. */
  id?: string | undefined
  jobId?: string | undefined
  /** Somebody looked at it: it counts however unlike the others it is, or not at all. Left out: nobody has. */
  counts?: boolean | undefined
}

/** What a change of memory is: a second channel, a faster module, or more memory alone. */
export const CHANGE_KINDS = ['channels', 'speed', 'capacity'] as const
export type ChangeKind = (typeof CHANGE_KINDS)[number]

export function kindOfChange(before: MemoryState, after: MemoryState): ChangeKind {
  const bandwidth = Math.abs(Math.log(after.peakGBs / before.peakGBs))
  const latency = Math.abs(Math.log(before.firstWordNs / after.firstWordNs))
  if (bandwidth < SAME && latency < SAME) return 'capacity'
  return bandwidth > ANOTHER_CHANNEL && bandwidth > 2 * latency ? 'channels' : 'speed'
}
const SAME = 0.02
const ANOTHER_CHANNEL = 0.4

export const LEARNING = known(
  {
    /** A result further than so many of its own standard deviations from what is expected is unlike the others. */
    unlike: 3,
    /** What a result says of another kind of change. */
    otherKind: 0.5,
    /** So many results are learned from, the latest. */
    most: 200,
  },
  'A shop measures other machines and programs than those forecasts were judged by; its results move the middle by what they say together, and the next machine still differs. A result that the others and the forecast make very unlikely is more often a slip of the measurement than news: alone it moves nothing, and it is asked about.',
)

/** How far the shop's results lie from the forecast for one kind of change: of the logarithm. */
export interface Offset {
  mean: number
  variance: number
}

/** What the results of one work teach. */
export interface LearnedOfWork {
  offsets: Record<ChangeKind, Offset>
  counted: ShopResult[]
  /** Unlike the others, or ruled out. */
  setAside: ShopResult[]
}

/** A result as far as it is weighed: its kind, its distance from the forecast, and the variance of that. */
interface Deviation {
  result: ShopResult
  kind: number
  off: number
  variance: number
}

/** Offsets of the kinds of change, jointly normal: mean and covariance. */
interface Joint {
  mean: number[]
  covariance: number[][]
}

/**
 * What results of one work say together: for each, r = ln(measured) − ln(forecast without learning); the offsets of
 * the kinds of change are jointly normal with standard deviation τ and correlation `otherKind`, and each result is
 * one of them with variance s² + σ². Results unlike the others are set aside one by one, the most unlike first, each
 * judged by all the others that still count.
 */
export function learnedOf(work: Work, results: readonly ShopResult[]): LearnedOfWork {
  const own = results.filter((result) => result.work === work).slice(-LEARNING.value.most)
  const setAside = own.filter(({ counts }) => counts === false)
  let counted = own
    .filter(({ counts }) => counts !== false)
    .map((result) => deviationOf(work, result))
  for (;;) {
    const odd = mostUnlike(work, counted)
    if (!odd) break
    setAside.push(odd.result)
    counted = counted.filter((one) => one !== odd)
  }
  const { mean, covariance } = jointOf(work, counted)
  const offset = (kind: number): Offset => ({
    mean: mean[kind] as number,
    variance: covariance[kind]?.[kind] as number,
  })
  return {
    offsets: { channels: offset(0), speed: offset(1), capacity: offset(2) },
    counted: counted.map(({ result }) => result),
    setAside,
  }
}

function deviationOf(work: Work, result: ShopResult): Deviation {
  const { before, after, ratio, sd } = result
  return {
    result,
    kind: CHANGE_KINDS.indexOf(kindOfChange(before, after)),
    off: Math.log(ratio) - workingOf(work, before, after).log,
    variance: sd ** 2 + machineSpread(work).machines ** 2,
  }
}

/**
 * The result that the others and the forecast make most unlikely; null where none is unlike them. One that counts on
 * somebody's word judges no other.
 */
function mostUnlike(work: Work, counted: readonly Deviation[]): Deviation | null {
  let [most, odd]: [number, Deviation | null] = [LEARNING.value.unlike, null]
  for (const one of counted) {
    if (one.result.counts) continue
    const { mean, covariance } = jointOf(
      work,
      counted.filter((other) => other !== one && !other.result.counts),
    )
    const sd = Math.sqrt((covariance[one.kind]?.[one.kind] as number) + one.variance)
    const away = Math.abs(one.off - (mean[one.kind] as number)) / sd
    if (away > most) {
      most = away
      odd = one
    }
  }
  return odd
}

/** The offsets by these results: a normal prior, updated by one result after the other. */
function jointOf(work: Work, results: readonly Deviation[]): Joint {
  const prior = machineSpread(work).shop ** 2
  const mean = CHANGE_KINDS.map(() => 0)
  let covariance = CHANGE_KINDS.map((_, row) =>
    CHANGE_KINDS.map((_, column) => prior * (row === column ? 1 : LEARNING.value.otherKind)),
  )
  for (const { kind, off, variance } of results) {
    const seen = covariance.map((row) => row[kind] as number)
    const whole = (seen[kind] as number) + variance
    const surprise = off - (mean[kind] as number)
    seen.forEach((share, at) => {
      mean[at] = (mean[at] as number) + (share * surprise) / whole
    })
    covariance = covariance.map((row, at) =>
      row.map((one, column) => one - ((seen[at] as number) * (seen[column] as number)) / whole),
    )
  }
  return { mean, covariance }
}

/** Worked out once for the same results: planning asks for thousands of forecasts. */
const REMEMBERED = new WeakMap<readonly ShopResult[], Map<Work, LearnedOfWork>>()

export function learnedFromResults(work: Work, results: readonly ShopResult[]): LearnedOfWork {
  const byWork = REMEMBERED.get(results) ?? new Map<Work, LearnedOfWork>()
  REMEMBERED.set(results, byWork)
  const learned = byWork.get(work) ?? learnedOf(work, results)
  byWork.set(work, learned)
  return learned
}

/** All results that count, and those set aside, whatever work they are of. */
export function sortedOut(
  results: readonly ShopResult[],
): Pick<LearnedOfWork, 'counted' | 'setAside'> {
  const all = [...new Set(results.map(({ work }) => work))].map((work) =>
    learnedFromResults(work, results),
  )
  return {
    counted: all.flatMap(({ counted }) => counted),
    setAside: all.flatMap(({ setAside }) => setAside),
  }
}
