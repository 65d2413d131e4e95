import { channelPeakGBs, type Evaluation } from '../../things/model'
import { median } from './session'
import type { Tested } from './tested'

/** What bandwidths measured tell of the channels at work. */
export interface MeasuredChannels {
  /** So many at least: fewer could not carry what was measured. 0 where no bandwidth was measured. */
  atLeast: number
  /** The rate that rests on, MT/s: the one seen, or the highest these modules could run at. */
  rate: number
  rateSeen: boolean
  /** A test did not rise as the channels added should make it, though it has shown more elsewhere. */
  stayed: boolean
}

/**
 * The highest figure each test of bandwidth has shown on machines known to have several channels at work,
 * GB/s: what the test itself, a browser say, can reach.
 */
export type Ceilings = Readonly<Record<string, number>>

/** A ceiling this far above what was measured leaves room that was not used. */
const ROOM = 1.3

export interface ChannelsAsked {
  before: Evaluation
  after: Evaluation
  /** The rate seen after the change, MT/s, and the channels reported; null where nobody looked. */
  seen: { rate: number | null; ways: number | null }
  /** The highest rate these modules could run at, MT/s. */
  topRate: number
  ceilings: Ceilings
}

/**
 * What tests of bandwidth tell after a change. Figures bound the channels from below only. From above a
 * test bounds them where it is known to reach more on machines that have more; and a report that names
 * the channels outranks any measurement.
 */
export function measuredChannels(
  tested: readonly Pick<Tested<unknown>, 'test' | 'bandwidth' | 'sides' | 'against'>[],
  { before, after, seen, topRate, ceilings }: ChannelsAsked,
): MeasuredChannels {
  const rateSeen = seen.rate !== null
  const rate = seen.rate ?? topRate
  const measured = tested.filter(({ bandwidth }) => bandwidth !== null)
  const best = Math.max(0, ...measured.map((one) => middleOf(one, 'after')))
  const atLeast = Math.ceil(best / channelPeakGBs(rate))
  const [was, is] = [waysOf(before), waysOf(after)]
  const told = { atLeast, rate, rateSeen, stayed: false }
  const [peakBefore, peakAfter] = [before.zones[0]?.peakGBs ?? 0, after.zones[0]?.peakGBs ?? 0]
  if (seen.ways !== null || is <= was || peakBefore <= 0 || atLeast > was) return told
  // Halfway, by ratio, between nothing gained and all of it.
  const halfway = Math.sqrt(peakAfter / peakBefore)
  const stayed = measured.some((one) => {
    const compared = one.against.after
    const ceiling = ceilings[one.test] ?? 0
    return (
      compared !== undefined &&
      compared.verdict !== 'too-few' &&
      compared.high < halfway &&
      ceiling > ROOM * middleOf(one, 'after')
    )
  })
  return { ...told, stayed }
}

/** The middle run of those that count; 0 where there is none. */
export function middleOf(
  { sides }: Pick<Tested<unknown>, 'sides'>,
  configuration: 'before' | 'after',
): number {
  const runs = sides[configuration]?.runs ?? []
  return runs.length === 0 ? 0 : median(runs)
}

const waysOf = ({ zones }: Evaluation): number => zones[0]?.ways ?? 0
