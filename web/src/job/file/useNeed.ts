import { forecastMix, likelyGain, type MemoryState, type MixForecast } from '@tembrix/core/forecast'
import type { Evaluation } from '@tembrix/core/model'
import type { Policy } from '@tembrix/core/plan'
import {
  buildableTotals,
  type Demand,
  demand,
  demandOfUses,
  growthOver,
  STARTING_USES,
  type Total,
  type UseDemand,
  type UseTable,
  workOf,
} from '@tembrix/core/sizing'
import { useMemo } from 'react'
import { useShopQuery } from '../../data'
import { useJob } from './JobContext'

/** What the job is to be planned for. */
export interface Need {
  table: UseTable
  /** What the uses want; null where none is named. */
  uses: UseDemand | null
  /** From uses and measurement together; null where there is neither. */
  demand: Demand | null
  /** Every total this machine can be built to. */
  totals: Total[]
  /** The usable memory to plan for at least, and whether somebody set it. */
  minGiB: number
  isSet: boolean
  policy: Policy
  shopPolicy: Policy
  /** What a change from what was found brings for the customer's work; null where it cannot be said. */
  gainOf: (after: Evaluation) => MixForecast | null
  /** The same as one figure, for what is likely: how many times as fast; 1 where nothing can be said. */
  likelyGainOf: (after: Evaluation) => number
}

export function useNeed(): Need {
  const { file, machine, now, unseen } = useJob()
  const { data: shop } = useShopQuery()
  const table = shop?.uses ?? STARTING_USES
  const { sizing } = file
  const found = now.evaluation
  return useMemo(() => {
    const { integratedGraphics, log, wantedGiB, disk } = sizing
    const named = sizing.uses.length > 0
    const growth = growthOver(table, sizing.years)
    const uses = named ? demandOfUses(table, sizing.uses, integratedGraphics, growth) : null
    const wanted = demand(uses, log, table.reserveGiB, growth)
    const likely = wanted && Math.round(wanted.likely * 10) / 10
    const mix = workOf(table, sizing.uses, integratedGraphics)
    // What is in the machine now is not known while a slot was not looked into.
    const before = unseen.length > 0 ? null : memoryState(found)
    const shopPolicy = shop?.policy ?? 'balanced'
    const likelyNeed = wanted && { low: wanted.likely, likely: wanted.likely, high: wanted.likely }
    const gain = (evaluation: Evaluation, wants: typeof likelyNeed) => {
      const after = memoryState(evaluation)
      if (!before || !after || mix.length === 0) return null
      return forecastMix(mix, before, after, wants, disk === 'spinning' ? disk : 'solid-state')
    }
    return {
      table,
      uses,
      demand: wanted,
      totals: buildableTotals(machine),
      minGiB: wantedGiB ?? likely ?? found.capacity.usableGiB,
      isSet: wantedGiB !== null,
      policy: file.policy ?? shopPolicy,
      shopPolicy,
      gainOf: (evaluation) => gain(evaluation, wanted),
      likelyGainOf: (evaluation) => {
        const likelyMix = gain(evaluation, likelyNeed)
        return likelyMix ? likelyGain(likelyMix) : 1
      },
    }
  }, [table, sizing, machine, found, unseen, file.policy, shop?.policy])
}

function memoryState({ run, capacity }: Evaluation): MemoryState | null {
  if (!run || capacity.usableGiB <= 0) return null
  const { wholePeakGBs, firstWordNs } = run
  return { wholePeakGBs, firstWordNs, usableGiB: capacity.usableGiB }
}
