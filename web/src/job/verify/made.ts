import type { Outcome, Trial } from '@tembrix/core/diagnose'
import type { TrialMade } from '@tembrix/core/records'

/** A trial as it is kept: made now, by whom. */
export const made = (
  { trial, outcome }: { trial: Trial; outcome: Outcome },
  by: string,
): TrialMade => ({
  ...trial,
  outcome,
  id: crypto.randomUUID(),
  at: new Date().toISOString(),
  by,
})
