import { same } from '../model'
import type { Assignment, Plan, Quote, QuoteOption } from '../records'

/**
 * The options of an approved quote for a new version: each with the plan that holds now what it offered,
 * whichever place that has; those whose plan is gone are left out. Ids are given by `newId`.
 */
export function optionsAgain(
  { options, document }: Pick<Quote, 'options' | 'document'>,
  plans: readonly Pick<Plan, 'id' | 'placement' | 'profile'>[],
  found: Assignment,
  newId: () => string,
): QuoteOption[] {
  return options.flatMap((option) => {
    const offered = document?.options.find(({ id }) => id === option.id)
    const holds = plans.find(
      ({ placement, profile }) =>
        offered && profile === offered.profile && same(placement ?? found, offered.placement),
    )
    const plan = holds ?? plans.find(({ id }) => id === option.planId)
    return plan ? [{ ...option, id: newId(), planId: plan.id }] : []
  })
}
