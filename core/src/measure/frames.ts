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

/** A log of frame times, worked through: its figures, and what is drawn of it. */
export interface AnalysedFrames {
  figures: FrameFigures
  /** How many frames fall between an edge of `FRAME_EDGES` and the next; the last takes what is longer. */
  bins: number[]
  /** The longest frame, ms, of each of as many equal stretches of the log’s time. */
  line: number[]
  /** Frames so short beside the others that the column may hold two units. */
  otherUnit: number
}

/** A frame is a stutter when it takes so many times the mean of the frames before it. */
const STUTTER = 2.5
const WINDOW = 20

/** Edges of the distribution, ms: each a twentieth above the one before, from 1 ms to a second. */
export const FRAME_EDGES: readonly number[] = Array.from({ length: 142 }, (_, at) => 1.05 ** at)
const STEP = Math.log(1.05)

export const FRAME_STRETCHES = 240

/** So many times shorter than the middle frame is another unit rather than a short frame. */
const OTHER_UNIT = 200

/**
 * Works through a log of frame times (ms, all above 0); null for fewer than two frames. Both usual ways
 * to say how bad the slowest are, since they differ.
 */
export function analyseFrames(times: Float64Array): AnalysedFrames | null {
  const frames = times.length
  if (frames < 2) return null
  const sorted = times.slice().sort()
  const sum = sorted.reduce((all, one) => all + one, 0)
  const { stutters, lostMs } = stuttersIn(times)
  const tooShort = (sorted[frames >> 1] as number) / OTHER_UNIT
  const longEnough = sorted.findIndex((time) => time >= tooShort)
  return {
    figures: {
      frames,
      seconds: sum / 1000,
      averageRate: (1000 * frames) / sum,
      rateAt99: 1000 / quantile(sorted, 0.99),
      rateAt999: 1000 / quantile(sorted, 0.999),
      rateOfSlowest1: 1000 / slowestMean(sorted, 0.01),
      rateOfSlowest01: 1000 / slowestMean(sorted, 0.001),
      stutters,
      lostSeconds: lostMs / 1000,
    },
    bins: binned(times),
    line: longestOf(times, sum),
    otherUnit: longEnough,
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

function stuttersIn(times: Float64Array): { stutters: number; lostMs: number } {
  let [stutters, lostMs, next] = [0, 0, 0]
  const window: number[] = []
  for (const time of times) {
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

function binned(times: Float64Array): number[] {
  const bins = new Array<number>(FRAME_EDGES.length).fill(0)
  for (const time of times) {
    const at = Math.min(bins.length - 1, Math.max(0, Math.floor(Math.log(time) / STEP)))
    bins[at] = (bins[at] as number) + 1
  }
  return bins
}

/** By time and not by count, so that no stutter is lost to the drawing and none looks shorter than it was. */
function longestOf(times: Float64Array, sum: number): number[] {
  const count = Math.min(FRAME_STRETCHES, times.length)
  const line = new Array<number>(count).fill(0)
  let passed = 0
  for (const time of times) {
    const from = Math.floor((passed / sum) * count)
    passed += time
    const to = Math.min(count - 1, Math.floor((passed / sum) * count))
    for (let at = Math.min(from, to); at <= to; at += 1) {
      if (time > (line[at] as number)) line[at] = time
    }
  }
  return line
}
