import { type Difference, differences, type Standing, standing } from '@tembrix/core/diagnose'
import { waysMeasured } from '@tembrix/core/measure'
import { UNVERIFIED } from '@tembrix/core/records'
import type { JobView } from '../file'

type View = Pick<JobView, 'file' | 'machine' | 'planned'>

/** Channels at work as the bandwidths measured after the change tell; null where they do not. */
export function channelsMeasured({ file, machine, planned }: View): number | null {
  const { run, zones } = planned.evaluation
  const most = machine.channels.length
  if (!run || most < 2) return null
  return waysMeasured(file.measurements, run.dataRate, most, zones[0]?.ways ?? 1)
}

/** In what the machine as it is seen, and measured, differs from what the plan should give. */
export function differencesFound(view: View): Difference[] {
  const { file, machine, planned } = view
  const { seen } = file.verifications[0] ?? UNVERIFIED
  const ways = seen.ways ?? channelsMeasured(view)
  return differences(machine, planned.placement, planned.settings, { ...seen, ways })
}

/** How far the job's proof is; null before anything was looked at. */
export function standingOf(view: View): Standing | null {
  const [record] = view.file.verifications
  return record ? standing(differencesFound(view), record.seen, record.stability) : null
}
