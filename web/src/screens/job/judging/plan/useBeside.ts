import type { PlanOption } from '@tembrix/core/judging/plan'
import { areAllListed } from '@tembrix/core/reading/lists'
import { suggestedCredit } from '@tembrix/core/shop/money'
import {
  type Assignment,
  movesOf,
  placementOf,
  purchasesOf,
  type ShopModule,
} from '@tembrix/core/things/records'
import { useCallback } from 'react'
import { type ModelList, useJob, useShop } from '../../base/file'

/** What stands beside an option’s price: amounts in minor units, days, months. */
export interface Beside {
  /** What the old modules would be taken for. */
  credit: number
  /** Until everything is here; null where nobody knows, 0 where it is in the shop. */
  leadDays: number | null
  /** How long the shop stands by what is bought; null where it says nothing, or nothing is bought. */
  warrantyMonths: number | null
  /** What the newest validated list of this model says of all of it; null where there is none. */
  listed: boolean | null
}

/** Works out what stands beside options, by the assignment they come to. */
export function useBeside(
  assignmentOf: (option: PlanOption) => Assignment,
  validated: ModelList | null,
) {
  const { machine, now, pieces, shop } = useJob()
  const { terms } = useShop()
  return useCallback(
    (option: PlanOption): Beside => {
      const assignment = assignmentOf(option)
      const bought = purchasesOf(assignment, pieces).map(({ piece }) => piece as ShopModule)
      const { removed } = movesOf(now.assignment, assignment)
      const credits = removed.map((id) => {
        const module = pieces.get(id)?.module
        return module ? suggestedCredit(module, shop, terms.creditPercent) : 0
      })
      const days = bought.map(({ source, leadDays }) => (source === 'shelf' ? 0 : leadDays))
      const months = bought.map(({ condition }) =>
        condition === 'used' ? terms.warranty.usedParts : terms.warranty.newParts,
      )
      const placed = Object.values(placementOf(machine, assignment, pieces)).flatMap((module) =>
        module ? [module.article] : [],
      )
      return {
        credit: credits.reduce((sum, one) => sum + one, 0),
        leadDays: days.some((one) => one === null) ? null : Math.max(0, ...(days as number[])),
        warrantyMonths:
          months.length === 0 || months.some((one) => one === null)
            ? null
            : Math.min(...(months as number[])),
        listed: validated && areAllListed(validated.index, placed),
      }
    },
    [assignmentOf, pieces, now.assignment, shop, terms, machine, validated],
  )
}
