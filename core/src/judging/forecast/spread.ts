import { known } from '../../things/model'
import type { MemoryState } from './memoryState'
import { reachedPeak } from './reachedPeak'
import type { Work } from './works'

/** How far machines of a kind lie apart, and how far a shop's mean may lie from a forecast; of the logarithm. */
export interface MachineSpread {
  /** σ: one machine, and one program, from the next. */
  machines: number
  /** τ: the mean of a shop's machines from the forecast. */
  shop: number
}

const QUIET: MachineSpread = { machines: 0.015, shop: 0.02 }
const USUAL: MachineSpread = { machines: 0.04, shop: 0.045 }

/** Spreads of works; those that are not here are as usual. */
export const SPREADS = known<{ usual: MachineSpread; of: Partial<Record<Work, MachineSpread>> }>(
  {
    usual: USUAL,
    of: {
      office: QUIET,
      browsing: QUIET,
      games: QUIET,
      'integrated-graphics': { machines: 0.05, shop: 0.11 },
      models: { machines: 0.04, shop: 0.08 },
    },
  },
  'A judgement: programs of one kind of work differ by some 4 per cent in what memory brings, and so do machines; where pictures are drawn in the main memory they differ most. A range is for the next machine, not for the middle of all.',
)

export const machineSpread = (work: Work): MachineSpread =>
  SPREADS.value.of[work] ?? SPREADS.value.usual

/** From this change of bandwidth and latency on, of the logarithm, machines differ in full. */
const FULL_CHANGE = 0.1

/** How much of a change memory makes for whoever does not page, from 0 (none) to 1; below 0 where it gets worse. */
export function sizeOfChange(before: MemoryState, after: MemoryState): number {
  const bandwidth = Math.log(reachedPeak(after) / reachedPeak(before))
  const latency = Math.log(before.firstWordNs / after.firstWordNs)
  return Math.max(-1, Math.min(1, (bandwidth + latency) / FULL_CHANGE))
}

/** The same whichever way it goes: what gets better and what gets worse both make machines differ. */
export function extentOfChange(before: MemoryState, after: MemoryState): number {
  const bandwidth = Math.abs(Math.log(reachedPeak(after) / reachedPeak(before)))
  const latency = Math.abs(Math.log(before.firstWordNs / after.firstWordNs))
  return Math.min(1, (bandwidth + latency) / FULL_CHANGE)
}
