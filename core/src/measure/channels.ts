import { channelPeakGBs } from '../model'
import type { Configuration } from './configurations'

export const BANDWIDTHS = ['read', 'copy', 'write'] as const
export type Bandwidth = (typeof BANDWIDTHS)[number]

/**
 * What share of the peak such a measurement reaches on machines that work well: middle and spread of
 * its logarithm. Writes read what they replace unless told not to; browsers reach less than programs.
 */
const REACH: Record<Bandwidth, { middle: number; spread: number }> = {
  read: { middle: 0.8, spread: 0.12 },
  copy: { middle: 0.74, spread: 0.14 },
  write: { middle: 0.62, spread: 0.2 },
}

export interface ChannelChance {
  ways: number
  chance: number
  /** What so many channels could give at most, GB/s. */
  peakGBs: number
}

export interface ChannelInference {
  chances: ChannelChance[]
  /** At least so many are at work beyond doubt: fewer could not give what was measured. */
  proven: number
  /** How sure it is that as many as expected are at work. */
  asExpected: number
}

/**
 * How many channels are at work, from a measured bandwidth (GB/s) at a data rate (MT/s): what is above
 * the limit of so many channels proves more. `most` are there, `expected` should be at work.
 */
export function inferChannels(
  measuredGBs: number,
  kind: Bandwidth,
  dataRate: number,
  most: number,
  expected: number,
): ChannelInference {
  const each = channelPeakGBs(dataRate)
  const { middle, spread } = REACH[kind]
  const candidates = [...new Set([1, 2, 3, 4, 6, 8, 12, expected])]
    .filter((ways) => ways <= most)
    .sort((a, b) => a - b)
  const weights = candidates.map((ways) => {
    const share = measuredGBs / (each * ways)
    if (share > 1) return 0
    return Math.exp(-0.5 * (Math.log(share / middle) / spread) ** 2) + 1e-9
  })
  const total = weights.reduce((sum, one) => sum + one, 0)
  const chances = candidates.map((ways, at) => ({
    ways,
    chance: total > 0 ? (weights[at] as number) / total : 0,
    peakGBs: each * ways,
  }))
  const proven = candidates.find((ways) => measuredGBs <= each * ways) ?? most
  const own = chances.filter(({ ways }) => ways >= expected)
  return { chances, proven, asExpected: own.reduce((sum, { chance }) => sum + chance, 0) }
}

/** Sure enough to say how many channels are at work. */
const SURE = 0.95

/** How many channels are at work, where that is sure enough to be said; null elsewhere. */
export function surelyAtWork({ chances, proven }: ChannelInference): number | null {
  const sure = chances.find(({ chance }) => chance >= SURE)
  if (sure) return sure.ways
  return proven > 1 ? proven : null
}

/**
 * The most channels that any bandwidth measured after the change surely tells of, of `most` with
 * `expected` at work, at a data rate in MT/s; null where none tells.
 */
export function waysMeasured(
  measured: readonly {
    bandwidth: Bandwidth | null
    configuration: Configuration
    runs: readonly number[]
  }[],
  dataRate: number,
  most: number,
  expected: number,
): number | null {
  const told = measured.flatMap(({ bandwidth, configuration, runs }) => {
    if (!bandwidth || configuration !== 'after' || runs.length === 0) return []
    const best = Math.max(...runs)
    return surelyAtWork(inferChannels(best, bandwidth, dataRate, most, expected)) ?? []
  })
  return told.length > 0 ? Math.max(...told) : null
}
