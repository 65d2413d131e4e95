import { type PlanCandidate, rounded } from './paretoFront'

/** Plans by peak and cost, both rising: the cheapest with at least a peak is the first from there on. */
interface Stairs {
  peaks: number[]
  costs: number[]
}

/**
 * Answers at once what the cheapest plan is that brings at least so much, from plans added before.
 * `latencies` (ns, rising) and `sizes` (GiB, rising) are all the figures that will be asked for.
 */
export class PruningBound {
  private readonly cells: Stairs[]

  constructor(
    private readonly latencies: readonly number[],
    private readonly sizes: readonly number[],
  ) {
    this.cells = Array.from({ length: latencies.length * sizes.length }, () => ({
      peaks: [],
      costs: [],
    }))
  }

  /** The least cost of a plan no later than the latency, no smaller than the size, with at least the peak. */
  least(latency: number, size: number, wholePeakGBs: number): number {
    const { peaks, costs } = this.cells[latency * this.sizes.length + size] as Stairs
    const peak = rounded(wholePeakGBs)
    let [low, high] = [0, peaks.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((peaks[middle] as number) >= peak) high = middle
      else low = middle + 1
    }
    return low < peaks.length ? (costs[low] as number) : Infinity
  }

  add({ firstWordNs, usableGiB, wholePeakGBs, cost }: PlanCandidate): void {
    const peak = rounded(wholePeakGBs)
    const soonest = this.latencies.findIndex((ns) => rounded(ns) >= rounded(firstWordNs))
    const largest = this.sizes.findLastIndex((gib) => gib <= usableGiB)
    if (soonest < 0) return
    for (let latency = soonest; latency < this.latencies.length; latency += 1) {
      for (let size = largest; size >= 0; size -= 1) {
        const stairs = this.cells[latency * this.sizes.length + size] as Stairs
        if (step(stairs, peak, cost)) continue
        // What is known here is known of every smaller size, and of every later latency too.
        if (size === largest) return
        break
      }
    }
  }
}

/** Puts a plan on the stairs; false where one there is as good. */
function step({ peaks, costs }: Stairs, peak: number, cost: number): boolean {
  let at = peaks.findIndex((own) => own >= peak)
  if (at < 0) at = peaks.length
  if (at < peaks.length && (costs[at] as number) <= cost) return false
  const end = peaks[at] === peak ? at + 1 : at
  let start = at
  while (start > 0 && (costs[start - 1] as number) >= cost) start -= 1
  peaks.splice(start, end - start, peak)
  costs.splice(start, end - start, cost)
  return true
}
