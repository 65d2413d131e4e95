import { channelPeakGBs, type Evaluation } from '../model'
import type { Bandwidth } from './bandwidths'
import type { Tested } from './tested'

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

/** What bandwidths measured tell of the channels at work. */
export interface ChannelsTold {
  /** So many at least, beyond doubt: the limit of fewer was passed. */
  proven: number
  /** The same test, before and after, rose far less than what the channels added should bring. */
  stayed: boolean
}

/**
 * What tests of bandwidth tell after a change from one evaluation to another. A low figure alone tells
 * nothing, since a browser or other work may hold it back; only that it did not rise where it should.
 */
export function channelsTold(
  tested: readonly Pick<Tested<unknown>, 'bandwidth' | 'sides' | 'against'>[],
  before: Evaluation,
  after: Evaluation,
): ChannelsTold {
  const [peakBefore, peakAfter] = [before.zones[0]?.peakGBs ?? 0, after.zones[0]?.peakGBs ?? 0]
  const runs = tested.flatMap(({ bandwidth, sides }) =>
    bandwidth ? (sides.after?.runs ?? []) : [],
  )
  const each = after.run ? channelPeakGBs(after.run.dataRate) : Infinity
  const best = Math.max(0, ...runs)
  const more = waysOf(after) > waysOf(before) && peakBefore > 0
  // Halfway, by ratio, between nothing gained and all of it.
  const halfway = Math.sqrt(peakAfter / peakBefore)
  const stayed =
    more &&
    tested.some(({ bandwidth, against }) => {
      const compared = against.after
      return bandwidth !== null && compared !== undefined && compared.high < halfway
    })
  return { proven: Math.ceil(best / each), stayed: stayed && best <= each * waysOf(before) }
}

const waysOf = ({ zones }: Evaluation): number => zones[0]?.ways ?? 0
