import { deepEqual } from '../../things/model'
import type { Assignment, Plan, Quote, QuotedOption, QuoteOption } from '../../things/records'

/**
 * The options of an approved quote for a new version: each with the plan that holds now what it offered,
 * whichever place that has; those whose plan is gone are left out. Ids are given by `newId`.
 */
export function optionsAgain(
  { options, document }: Pick<Quote, 'options' | 'document'>,
  plans: readonly Pick<Plan, 'id' | 'placement' | 'profile' | 'manual'>[],
  found: Assignment,
  newId: () => string,
): QuoteOption[] {
  return options.flatMap((option) => {
    const offered = document?.options.find(({ id }) => id === option.id)
    const plan =
      (offered && planOffering(offered, plans, found)) ??
      plans.find(({ id }) => id === option.planId)
    return plan ? [{ ...option, id: newId(), planId: plan.id }] : []
  })
}

/** The plan that holds now what an option offered, whichever place it has. */
export const planOffering = <P extends Pick<Plan, 'placement' | 'profile' | 'manual'>>(
  offered: Pick<QuotedOption, 'placement' | 'profile' | 'manual'>,
  plans: readonly P[],
  found: Assignment,
): P | undefined =>
  plans.find(
    ({ placement, profile, manual }) =>
      profile === offered.profile &&
      deepEqual(placement ?? found, offered.placement) &&
      (offered.manual === undefined || deepEqual(manual, offered.manual)),
  )
