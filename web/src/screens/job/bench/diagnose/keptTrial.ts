import type { Made } from '@tembrix/core/bench/diagnose'
import type { TrialMade } from '@tembrix/core/things/records'

/** A trial as it is kept: made now, by whom; one that is kept already stays as it is. */
export const keptTrial = (trial: Made | TrialMade, by: string): TrialMade => ({
  id: crypto.randomUUID(),
  at: new Date().toISOString(),
  by,
  unsure: false,
  code: '',
  ...trial,
})
