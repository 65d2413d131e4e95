import { FRAME_EDGES, FRAME_STRETCHES, LOG_LENGTHS } from '../../things/model'

export { FRAME_EDGES, FRAME_STRETCHES }

/** How bad the slowest frames are, both usual ways, frames a second. */
export interface SlowFigures {
  /** The rate of the frame time that only so many frames exceed: 99 and 99.9 of a hundred lie below. */
  rateAt99: number
  rateAt999: number
  /** The rate of the mean of the slowest hundredth and thousandth of all frames. */
  rateOfSlowest1: number
  rateOfSlowest01: number
}

/** The slowest frames of the first so many seconds of a log. */
export interface LogBeginning extends SlowFigures {
  seconds: number
  frames: number
}

export interface FrameFigures extends SlowFigures {
  frames: number
  seconds: number
  /** Frames a second over the whole. */
  averageRate: number
  stutters: number
  /** Seconds that stutters took beyond the frames around them. */
  lostSeconds: number
  /** The rate that frames were held to, a second; null for none. Left out of logs of before it was looked for. */
  cap?: number | null
  /** Frames that took the time of several, where they were held to a rate. */
  dropped?: number
  /** Figures of its beginnings, shortest first, for comparison with a shorter log; left out of older logs. */
  beginnings?: LogBeginning[]
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

/** A frame is a stutter when it takes so many times the middle one of the frames around it. */
const STUTTER = 2.5
const WINDOW = 20

const STEP = Math.log(1.05)

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
      ...slowFigures(sorted),
      stutters,
      lostSeconds: lostMs / 1000,
      ...capOf(times),
      beginnings: beginningsOf(times, sum / 1000),
    },
    bins: binned(times),
    line: longestOf(times, sum),
    otherUnit: longEnough,
  }
}

const slowFigures = (sorted: Float64Array): SlowFigures => ({
  rateAt99: 1000 / quantile(sorted, 0.99),
  rateAt999: 1000 / quantile(sorted, 0.999),
  rateOfSlowest1: 1000 / slowestMean(sorted, 0.01),
  rateOfSlowest01: 1000 / slowestMean(sorted, 0.001),
})

/** Beginnings of a log (ms) of each length that is shorter than the whole. */
function beginningsOf(times: Float64Array, whole: number): LogBeginning[] {
  let [frames, passed] = [0, 0]
  return LOG_LENGTHS.filter((length) => length < whole).flatMap((length) => {
    while (frames < times.length && passed + (times[frames] as number) <= length * 1000) {
      passed += times[frames] as number
      frames += 1
    }
    const sorted = times.slice(0, frames).sort()
    return frames < 2 ? [] : [{ seconds: length, frames, ...slowFigures(sorted) }]
  })
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

/**
 * A stutter is a frame longer than those before and those after it alike, by their middle one: after a step
 * in pace the frames are as usual as those before it.
 */
function stuttersIn(times: Float64Array): { stutters: number; lostMs: number } {
  const before = runningMedians(times)
  const after = runningMedians(times.slice().reverse()).reverse()
  let [stutters, lostMs] = [0, 0]
  for (let at = WINDOW; at < times.length; at += 1) {
    const time = times[at] as number
    const [was, follows] = [before[at] as number, after[at] as number]
    const usual = Number.isNaN(follows) ? was : Math.max(was, follows)
    if (time > STUTTER * usual) {
      stutters += 1
      lostMs += time - usual
    }
  }
  return { stutters, lostMs }
}

/** For each frame the middle one of the frames before it; NaN where there are too few. */
function runningMedians(times: Float64Array): Float64Array {
  const medians = new Float64Array(times.length).fill(Number.NaN)
  const sorted: number[] = []
  for (let at = 0; at < times.length; at += 1) {
    if (sorted.length === WINDOW) {
      medians[at] = ((sorted[WINDOW / 2 - 1] as number) + (sorted[WINDOW / 2] as number)) / 2
      sorted.splice(sorted.indexOf(times[at - WINDOW] as number), 1)
    }
    const time = times[at] as number
    let place = sorted.length
    while (place > 0 && (sorted[place - 1] as number) > time) place -= 1
    sorted.splice(place, 0, time)
  }
  return medians
}

/** Rates that screens and settings hold frames to, a second. */
const CAPS = [
  24, 25, 30, 40, 48, 50, 60, 72, 75, 90, 100, 120, 144, 165, 170, 180, 200, 240, 280, 360,
]
/** Frames this near to a cap's time are held to it; so many of them tell of one. */
const NEAR_CAP = 0.02
const HELD = 0.6
/** Share of frames, and their distance from the median, above which any rate counts as a cap: no free game is as steady. */
const STEADY = { near: 0.03, held: 0.85 }

/** A rate that settings may name, such as 57 or 141, by how steady the frames are; null where they are free. */
function steadyRate(times: Float64Array): number | null {
  const middle = times.slice().sort()[times.length >> 1] as number
  const near = times.filter((time) => Math.abs(time - middle) <= STEADY.near * middle)
  return near.length >= STEADY.held * times.length ? Math.round(1000 / middle) : null
}

/** The rate that most frames are held to, if any, and how many frames took the time of several. */
function capOf(times: Float64Array): { cap: number | null; dropped: number } {
  let best = { cap: null as number | null, held: HELD * times.length }
  for (const cap of CAPS) {
    const ms = 1000 / cap
    let held = 0
    for (const time of times) if (Math.abs(time - ms) <= NEAR_CAP * ms) held += 1
    if (held > best.held) best = { cap, held }
  }
  const cap = best.cap ?? steadyRate(times)
  if (cap === null) return { cap, dropped: 0 }
  let dropped = 0
  for (const time of times) {
    const frames = (time * cap) / 1000
    const whole = Math.round(frames)
    if (whole >= 2 && Math.abs(frames - whole) <= NEAR_CAP * whole) dropped += 1
  }
  return { cap, dropped }
}

/** The fewest frames that the mean of the slowest rests on. */
const FEWEST_SLOW = 10

/** The shares of the slowest frames that a log is too short for: 0.001 of 1,000 frames is one frame. */
export const tooShortFor = ({ frames }: Pick<FrameFigures, 'frames'>): number[] =>
  [0.01, 0.001].filter((share) => frames * share < FEWEST_SLOW)

/** A log without the frames of so many seconds at its beginning and end: loading, a menu. */
export function trimmed(times: Float64Array, { begin, end }: Trim): Float64Array {
  let from = 0
  for (let passed = 0; from < times.length && passed < begin * 1000; from += 1) {
    passed += times[from] as number
  }
  let to = times.length
  for (let passed = 0; to > from && passed < end * 1000; to -= 1) {
    passed += times[to - 1] as number
  }
  return times.subarray(from, to)
}

/** Seconds left out at the beginning and at the end. */
export interface Trim {
  begin: number
  end: number
}

function binned(times: Float64Array): number[] {
  const bins = new Array<number>(FRAME_EDGES.length).fill(0)
  for (const time of times) {
    const at = Math.min(bins.length - 1, Math.max(0, Math.floor(Math.log(time) / STEP)))
    bins[at] = (bins[at] as number) + 1
  }
  return bins
}

/** A whole log to choose from: its longest frame (ms) in each of up to `FRAME_STRETCHES` stretches of time, and how long it is. */
export function overviewOf(times: Float64Array): { line: number[]; seconds: number } {
  const sum = times.reduce((all, one) => all + one, 0)
  return { line: longestOf(times, sum), seconds: sum / 1000 }
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
