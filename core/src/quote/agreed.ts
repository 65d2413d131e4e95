import { same } from '../model'
import type { Assignment, QuotedOption } from '../records'

/** Whether what is planned is what was agreed to. */
export const isAgreed = (
  { placement, profile }: Pick<QuotedOption, 'placement' | 'profile'>,
  planned: Assignment,
  asked: boolean,
): boolean => profile === asked && same(placement, planned)
