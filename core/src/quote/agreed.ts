import { same } from '../model'
import type { Assignment, Plan, QuotedOption } from '../records'

/** Whether what is planned is what was agreed to. An offer that does not say what is set by hand leaves it open. */
export const isAgreed = (
  { placement, profile, manual }: Pick<QuotedOption, 'placement' | 'profile' | 'manual'>,
  planned: Assignment,
  asked: Pick<Plan, 'profile' | 'manual'>,
): boolean =>
  profile === asked.profile &&
  same(placement, planned) &&
  (manual === undefined || same(manual, asked.manual))
