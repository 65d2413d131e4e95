import type { Bandwidth } from '../measure'
import type { Evaluation } from '../model'
import { normal, random } from '../random'

/** What a benchmark reaches of the peak, and how far runs scatter about it. */
const REACHED: Record<Bandwidth, number> = { read: 0.86, copy: 0.8, write: 0.72 }
const SCATTER = 0.012

/** Everything between the processor and the first word that memory does not decide, ns. */
const WAY_NS = 48

/** GB/s that so many runs measure on a machine, by what its memory can do. */
export function bandwidthRuns(
  { run }: Evaluation,
  work: Bandwidth,
  runs: number,
  seed: number,
): number[] {
  const noise = normal(random(seed))
  const reached = (run?.wholePeakGBs ?? 0) * REACHED[work]
  return Array.from({ length: runs }, () => reached * Math.exp(SCATTER * noise()))
}

/** ns that so many runs measure for a load that waits for the one before. */
export function latencyRuns({ run }: Evaluation, runs: number, seed: number): number[] {
  const noise = normal(random(seed))
  const wait = WAY_NS + (run?.firstWordNs ?? 0) * 1.6
  return Array.from({ length: runs }, () => wait * Math.exp(SCATTER * noise()))
}

/** Shares of a frame's time that go with bandwidth and with the first word; the rest with neither. */
const FRAME = { plainMs: 9, bandwidth: 0.18, latency: 0.12, basePeak: 40, baseNs: 14 }

/** Frame times of a game, ms: a steady part, scatter, and stutters that are rarer where memory is quick. */
export function frameTimes({ run }: Evaluation, frames: number, seed: number): number[] {
  const next = random(seed)
  const noise = normal(next)
  const peak = run?.wholePeakGBs ?? FRAME.basePeak
  const ns = run?.firstWordNs ?? FRAME.baseNs
  const { plainMs, bandwidth, latency, basePeak, baseNs } = FRAME
  const steady =
    plainMs * (1 - bandwidth - latency + (bandwidth * basePeak) / peak + (latency * ns) / baseNs)
  return Array.from({ length: frames }, () => {
    const stutter = next() < (0.004 * basePeak) / peak ? 2 + 3 * next() : 1
    return steady * stutter * Math.exp(0.08 * noise())
  })
}
