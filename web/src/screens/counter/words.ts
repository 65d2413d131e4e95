import type { DayGroup } from '@tembrix/core/shop/counter'
import type { Stage } from '@tembrix/core/things/records'

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

export const GROUP_NAMES: Record<DayGroup, string> = {
  overdue: 'Overdue',
  today: 'Due today',
  bench: 'On the bench',
  workshop: 'In the workshop',
  approval: 'Waiting for approval',
  parts: 'Waiting for parts',
  ready: 'Ready to collect',
}
