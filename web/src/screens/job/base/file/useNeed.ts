import { organisationOf } from '@tembrix/core/judging/evaluate'
import type { Forecast } from '@tembrix/core/judging/forecast'
import type { Policy } from '@tembrix/core/judging/plan'
import {
  buildableTotals,
  forecaster,
  type JudgedNeed,
  judgeNeed,
  type Total,
  type UseTable,
} from '@tembrix/core/judging/sizing'
import type { Evaluation, Placement } from '@tembrix/core/things/model'
import { useMemo } from 'react'
import { useJob } from './JobContext'
import { useShop } from './useShop'

/** What the job is to be planned for. */
export interface JobNeed extends JudgedNeed {
  table: UseTable
  /** Every total this machine can be built to. */
  totals: Total[]
  /** Whether somebody set the usable memory to plan for. */
  isSet: boolean
  policy: Policy
  shopPolicy: Policy
  /** What a change from what was found brings for the customer's work; null where it cannot be said. */
  gainOf: (after: Evaluation, placement?: Placement) => Forecast | null
}

export function useNeed(): JobNeed {
  const { file, machine, now, unseen, learned } = useJob()
  const { uses: table, policy: shopPolicy } = useShop()
  const { sizing } = file
  return useMemo(() => {
    const forecastFor = forecaster(
      table,
      sizing,
      now.evaluation,
      learned.results,
      organisationOf(machine, now.placement),
    )
    return {
      ...judgeNeed(table, sizing, now.evaluation.capacity.usableGiB),
      table,
      totals: buildableTotals(machine),
      isSet: sizing.wantedGiB !== null,
      policy: file.policy ?? shopPolicy,
      shopPolicy,
      // What is in the machine now is not known while a slot was not looked into.
      gainOf: (after, placement) =>
        unseen.length > 0
          ? null
          : forecastFor(after, placement && organisationOf(machine, placement)),
    }
  }, [table, sizing, machine, now, unseen, learned, file.policy, shopPolicy])
}
