import { type Difference, differences, type Standing, standing } from '@tembrix/core/diagnose'
import { type ChannelsTold, channelsTold, testedOf } from '@tembrix/core/measure'
import { UNVERIFIED } from '@tembrix/core/records'
import type { JobView } from '../file'

type View = Pick<JobView, 'file' | 'machine' | 'now' | 'planned'>

/** What bandwidths measured tell of the channels at work after the change. */
export const channelsMeasured = ({ file, now, planned }: View): ChannelsTold =>
  channelsTold(testedOf(file.measurements), now.evaluation, planned.evaluation)

/** In what the machine as it is seen, and measured, differs from what the plan should give. */
export function differencesFound(view: View): Difference[] {
  const { file, machine, now, planned } = view
  const { seen } = file.verifications[0] ?? UNVERIFIED
  const asBefore = channelsMeasured(view).stayed ? (now.evaluation.zones[0]?.ways ?? null) : null
  const ways = seen.ways ?? asBefore
  return differences(machine, planned.placement, planned.settings, { ...seen, ways })
}

/** How far the job's proof is; null before anything was looked at. */
export function standingOf(view: View, ruleHours: number | null): Standing | null {
  const [record] = view.file.verifications
  return record ? standing(differencesFound(view), record.seen, record.stability, ruleHours) : null
}
