export interface FrameFigures {
  frames: number
  seconds: number
  /** Frames a second over the whole. */
  averageRate: number
  /** The rate of the frame time that only so many frames exceed: 99 and 99.9 of a hundred lie below. */
  rateAt99: number
  rateAt999: number
  /** The rate of the mean of the slowest hundredth and thousandth of all frames. */
  rateOfSlowest1: number
  rateOfSlowest01: number
  stutters: number
  /** Seconds that stutters took beyond the frames around them. */
  lostSeconds: number
}

/** A frame is a stutter when it takes so many times the mean of the frames before it. */
const STUTTER = 2.5
const WINDOW = 20

/**
 * Figures of a log of frame times (ms, all above 0); null for fewer than two frames. Both usual ways to
 * say how bad the slowest are, since they differ.
 */
export function frameFigures(times: ArrayLike<number>): FrameFigures | null {
  const frames = times.length
  if (frames < 2) return null
  const sorted = Float64Array.from(times).sort()
  const sum = sorted.reduce((all, one) => all + one, 0)
  const { stutters, lostMs } = stuttersIn(times)
  return {
    frames,
    seconds: sum / 1000,
    averageRate: (1000 * frames) / sum,
    rateAt99: 1000 / quantile(sorted, 0.99),
    rateAt999: 1000 / quantile(sorted, 0.999),
    rateOfSlowest1: 1000 / slowestMean(sorted, 0.01),
    rateOfSlowest01: 1000 / slowestMean(sorted, 0.001),
    stutters,
    lostSeconds: lostMs / 1000,
  }
}

/** The value below which a share lies, between neighbours in proportion. */
function quantile(sorted: Float64Array, share: number): number {
  const at = share * (sorted.length - 1)
  const low = Math.floor(at)
  const [a, b] = [sorted[low] as number, sorted[Math.min(low + 1, sorted.length - 1)] as number]
  return a + (at - low) * (b - a)
}

/** The mean of the slowest share, of one frame at least. */
function slowestMean(sorted: Float64Array, share: number): number {
  const count = Math.max(1, Math.round(sorted.length * share))
  const slowest = sorted.subarray(sorted.length - count)
  return slowest.reduce((sum, one) => sum + one, 0) / count
}

function stuttersIn(times: ArrayLike<number>): { stutters: number; lostMs: number } {
  let [stutters, lostMs, next] = [0, 0, 0]
  const window: number[] = []
  for (let at = 0; at < times.length; at += 1) {
    const time = times[at] as number
    if (window.length === WINDOW) {
      let usual = 0
      for (const one of window) usual += one / WINDOW
      if (time > STUTTER * usual) {
        stutters += 1
        lostMs += time - usual
        // A stutter does not make the next one look usual.
        continue
      }
    }
    window[next] = time
    next = (next + 1) % WINDOW
  }
  return { stutters, lostMs }
}
