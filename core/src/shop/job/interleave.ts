import { middleOf, testedOf } from '../../bench/measure'
import { known, type Machine } from '../../things/model'
import type { Shown } from './proof'

export const INTERLEAVE_SHOWN = known(
  { falls: 2 / 3, stays: 0.9 },
  'Unequal channels that do not interleave copy at the rate of one: a third less and more than they did as equals. Those that interleave as far as they are equal keep nearly all of it.',
)

/** Interleaving shown by the copy bandwidth, and its ratio (after ÷ before). */
export interface InterleaveShown {
  interleave: Exclude<Machine['interleave'], 'unknown'>
  ratio: number
}

/**
 * How a controller interleaves unequal channels, by copies measured before and after modules made equal channels
 * unequal; null where that did not happen, nothing was measured, or the figures lie between.
 */
export function interleaveShown(job: Shown): InterleaveShown | null {
  const [before, after] = [job.now.evaluation, job.planned.evaluation]
  const ways = before.zones[0]?.ways ?? 0
  const isUneven = after.findings.some(({ code }) => code === 'UNEVEN_CHANNELS')
  if (before.zones.length !== 1 || ways < 2 || !isUneven) return null
  const copies = testedOf(job.file.measurements).filter(({ bandwidth }) => bandwidth === 'copy')
  const ratios = copies.flatMap((one) => {
    const [was, is] = [middleOf(one, 'before'), middleOf(one, 'after')]
    return was > 0 && is > 0 ? [is / was] : []
  })
  const [ratio] = ratios
  if (ratio === undefined || ratios.length > 1) return null
  // A lower speed copies less as well: what is left is the layout.
  const slower = (after.run?.dataRate ?? 0) / (before.run?.dataRate ?? 1)
  const alone = ratio / Math.min(1, slower)
  const { falls, stays } = INTERLEAVE_SHOWN.value
  if (alone <= falls) return { interleave: 'matched', ratio }
  return alone >= stays ? { interleave: 'flex', ratio } : null
}
