import { BUSY, LATENCY } from './assumed'
import type { MemoryState } from './memoryState'
import { reachedPeaks } from './reachedPeak'
import { type Dimension, DRAWS, evenly, placeIn, quantile } from './sample'
import { profileOf, type ShareRange, type Work } from './works'

/** What a change of memory brings for a work that does not page, over the ranges of what is not known. */
export interface Working {
  /** Middle of the natural logarithm of times as fast. */
  log: number
  /** Middle of the share of the time that each saves by itself. */
  latency: number
  bandwidth: number
}

/** What is drawn of a work, whatever the memory: once for all forecasts of it. */
const WORKS_DRAWN = new Map<
  Work,
  Record<'m' | 'g' | 'demand' | 'chip' | 'c' | 'queue', Float64Array>
>()

export function drawsOfWork(work: Work) {
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

/**
 * Times as fast, by T(after) ÷ T(before) with T = 1 − m + m·[(1 − g)·L ÷ L₀ + g·B₀ ÷ B]: m is the share of the time
 * that waits for memory where it is slowest, g the part of it that streams, L₀ the longer of the two loaded
 * latencies and B₀ the lower of the two peaks, so that a change and its reverse are each other's inverse. Loaded
 * latency is chip + words·first word + queue·u ÷ (1 − u), u the work's demand ÷ what is reached of the peak. The
 * demand belongs to the processor: it is given for a peak of `BUSY.of` and goes with the lower peak of the two.
 */
export function workingOf(work: Work, before: MemoryState, after: MemoryState): Working {
  const { m, g, demand, chip, c, queue } = drawsOfWork(work)
  const { most, reached, of } = BUSY.value
  const logs = new Float64Array(DRAWS)
  const latency = new Float64Array(DRAWS)
  const bandwidth = new Float64Array(DRAWS)
  const [peaksBefore, peaksAfter] = [reachedPeaks(before), reachedPeaks(after)]
  const loaded = (peak: number, firstWordNs: number, slowest: number, draw: number) => {
    const asked = ((demand[draw] as number) * slowest) / of
    const busy = Math.min(most, asked / (reached * peak))
    const waited = ((queue[draw] as number) * busy) / (1 - busy)
    return (chip[draw] as number) + (c[draw] as number) * firstWordNs + waited
  }
  for (let draw = 0; draw < DRAWS; draw += 1) {
    const [share, streamed] = [m[draw] as number, g[draw] as number]
    const [peakWas, peakIs] = [peaksBefore[draw] as number, peaksAfter[draw] as number]
    const slowest = Math.min(peakWas, peakIs)
    const was = loaded(peakWas, before.firstWordNs, slowest, draw)
    const is = loaded(peakIs, after.firstWordNs, slowest, draw)
    const longest = Math.max(was, is)
    const time = (ns: number, peak: number) =>
      1 - share + share * ((1 - streamed) * (ns / longest) + streamed * (slowest / peak))
    const first = time(was, peakWas)
    logs[draw] = Math.log(first / time(is, peakIs))
    latency[draw] = (share * (1 - streamed) * (was - is)) / longest / first
    bandwidth[draw] = (share * streamed * (slowest / peakWas - slowest / peakIs)) / first
  }
  const middle = (of: Float64Array) => quantile(of.sort(), 0.5)
  return { log: middle(logs), latency: middle(latency), bandwidth: middle(bandwidth) }
}
