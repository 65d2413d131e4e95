import type { Stage } from '@tembrix/core/records'

export const STAGE_NAMES: Record<Stage, string> = {
  intake: 'Intake',
  identify: 'Identify',
  size: 'Size',
  plan: 'Plan',
  quote: 'Quote',
  fit: 'Fit',
  verify: 'Verify',
  handover: 'Hand over',
  closed: 'Closed',
}
