import { ORGANISATION } from './assumed'
import type { MemoryState } from './memoryState'
import { DRAWS, evenly, placeIn } from './sample'

const MIDDLE = 0.5

/** The peak as far as the organisation of its modules lets it be reached, GB/s; `place` from 0 to 1 in its range. */
function peakAt({ peakGBs, organisation }: MemoryState, place: number): number {
  if (!organisation) return peakGBs
  const { halfGroups, twoRanks } = ORGANISATION.value
  const { halfGroups: half, twoRanks: two } = organisation
  return (
    peakGBs *
    (1 + half * (evenly(halfGroups, place) - 1)) *
    (1 + two * (evenly(twoRanks, place) - 1))
  )
}

/** In the middle of what is likely. */
export const reachedPeak = (state: MemoryState): number => peakAt(state, MIDDLE)

/** Draw by draw. */
export const reachedPeaks = (state: MemoryState): Float64Array =>
  Float64Array.from({ length: DRAWS }, (_, draw) => peakAt(state, placeIn('organisation', draw)))
