import { fittingSteps } from '@tembrix/core/bench/fitting'
import { fittingInput } from '@tembrix/core/shop/job'
import { budgetFor, leftForParts } from '@tembrix/core/shop/money'
import { labourOf, minutesOf } from '@tembrix/core/shop/quote'
import type { Assignment } from '@tembrix/core/things/records'
import { useMemo } from 'react'

import { useJob } from './JobContext'
import { useModelRecord, useShop } from './useShop'

export interface Budget {
  /** What may be spent on parts, minor units; null where no budget is named. */
  parts: number | null
  /** Minutes of work that were taken off: every slot filled. */
  minutes: number
  /** The budget for the whole that parts of this cost want. */
  wholeFor: (parts: number) => number
}

/** The customer’s one budget, for parts and work: what it leaves for parts by the shop’s labour and tax. */
export function useBudget(): Budget {
  const view = useJob()
  const { file, machine, planned } = view
  const { terms } = useShop()
  const model = useModelRecord()
  return useMemo(() => {
    const full: Assignment = Object.fromEntries(
      machine.slots.map(({ id }) => [id, { moduleId: `in ${id}`, unit: 0 }]),
    )
    const steps = fittingSteps(fittingInput(view, { ...planned, assignment: full }, model, terms))
    const minutes = minutesOf(labourOf(steps))
    return {
      parts: file.budget === null ? null : leftForParts(file.budget, minutes, terms),
      minutes,
      wholeFor: (parts) => budgetFor(parts, minutes, terms),
    }
  }, [view, file.budget, machine, planned, model, terms])
}
