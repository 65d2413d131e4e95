import type { Evaluation } from '../../things/model'
import { normal, random } from '../../things/random'
import type { Bandwidth } from '../measure'

/** What a benchmark reaches of the peak. */
const REACHED: Record<Bandwidth, number> = { read: 0.86, copy: 0.8, write: 0.72 }

/**
 * How figures scatter: each start has a place of its own, runs scatter about it, the first finds caches
 * and clocks cold, and the machine warms up over the first runs.
 */
const SCATTER = { session: 0.008, run: 0.006, cold: 0.05, warming: 0.01, warmAfter: 8 }

/** What is the same for all runs since one start. */
export interface SimulatedSession {
  seed: number
  /** What a browser on this machine reaches at most, GB/s; none where left out. */
  ceilingGBs?: number
}

/** Where a start lies among others; seeds near each other are mixed first, as their first draws are alike. */
const placeOf = (session: number): number =>
  SCATTER.session * normal(random(Math.imul(session + 1, 2_654_435_761) >>> 0))()

/** By how much each of so many runs is slower than the machine could be: logarithms, the first run cold. */
function slownessOf({ seed: session }: SimulatedSession, runs: number, seed: number): number[] {
  const place = placeOf(session)
  const noise = normal(random(seed))
  return Array.from({ length: runs }, (_, at) => {
    const cold = at === 0 ? SCATTER.cold : 0
    const warm = SCATTER.warming * Math.min(1, at / SCATTER.warmAfter)
    return place + cold + warm + SCATTER.run * noise()
  })
}

/** Everything between the processor and the first word that memory does not decide, ns. */
const WAY_NS = 48

/** GB/s that so many runs measure on a machine, by what its memory can do. */
export function bandwidthRuns(
  { run }: Evaluation,
  work: Bandwidth,
  runs: number,
  seed: number,
  session: SimulatedSession,
): number[] {
  const { ceilingGBs = Infinity } = session
  const reached = Math.min(ceilingGBs, (run?.wholePeakGBs ?? 0) * REACHED[work])
  return slownessOf(session, runs, seed).map((slow) => reached * Math.exp(-slow))
}

/** ns that so many runs measure for a load that waits for the one before. */
export function latencyRuns(
  { run }: Evaluation,
  runs: number,
  seed: number,
  session: SimulatedSession,
): number[] {
  const wait = WAY_NS + (run?.firstWordNs ?? 0) * 1.6
  return slownessOf(session, runs, seed).map((slow) => wait * Math.exp(slow))
}

/** Shares of a frame's time that go with bandwidth and with the first word; the rest with neither. */
const FRAME = { plainMs: 9, bandwidth: 0.18, latency: 0.12, basePeak: 40, baseNs: 14 }

/** Frame times of a game, ms: a steady part, scatter, and stutters that are rarer where memory is quick. */
export function frameTimes(
  { run }: Evaluation,
  frames: number,
  seed: number,
  session: SimulatedSession,
): number[] {
  const place = Math.exp(placeOf(session.seed))
  const next = random(seed)
  const noise = normal(next)
  const peak = run?.wholePeakGBs ?? FRAME.basePeak
  const ns = run?.firstWordNs ?? FRAME.baseNs
  const { plainMs, bandwidth, latency, basePeak, baseNs } = FRAME
  const steady =
    place *
    plainMs *
    (1 - bandwidth - latency + (bandwidth * basePeak) / peak + (latency * ns) / baseNs)
  return Array.from({ length: frames }, () => {
    const stutter = next() < (0.004 * basePeak) / peak ? 2 + 3 * next() : 1
    return steady * stutter * Math.exp(0.08 * noise())
  })
}
