import { type Difference, differences } from '@tembrix/core/diagnose'
import { inferChannels, surelyAtWork } from '@tembrix/core/measure'
import { UNVERIFIED } from '@tembrix/core/records'
import type { JobView } from '../file'

type View = Pick<JobView, 'file' | 'machine' | 'planned'>

/** The most channels that any bandwidth measured after the change surely tells of; null where none does. */
export function waysMeasured({ file, machine, planned }: View): number | null {
  const { run, zones } = planned.evaluation
  const most = machine.channels.length
  if (!run || most < 2) return null
  const told = file.measurements.flatMap(({ bandwidth, configuration, runs }) => {
    if (!bandwidth || configuration !== 'after' || runs.length === 0) return []
    const best = Math.max(...runs)
    const inferred = inferChannels(best, bandwidth, run.dataRate, most, zones[0]?.ways ?? 1)
    return surelyAtWork(inferred) ?? []
  })
  return told.length > 0 ? Math.max(...told) : null
}

/** In what the machine as it is seen, and measured, differs from what the plan should give. */
export function differencesFound(view: View): Difference[] {
  const { file, machine, planned } = view
  const { seen } = file.verifications[0] ?? UNVERIFIED
  const ways = seen.ways ?? waysMeasured(view)
  return differences(machine, planned.placement, planned.settings, { ...seen, ways })
}

export type Standing =
  | { kind: 'untouched' }
  | { kind: 'wrong' }
  | { kind: 'errors' }
  /** What has still to be done before it can be handed over. */
  | { kind: 'open'; missing: ('seen' | 'stability')[] }
  | { kind: 'verified' }

/** How far the proof is that the upgrade works. */
export function standingOf(view: View): Standing {
  const [record] = view.file.verifications
  if (!record) return { kind: 'untouched' }
  if (differencesFound(view).some(({ harmless }) => !harmless)) return { kind: 'wrong' }
  const { seen, stability } = record
  if (stability.some(({ errors }) => errors > 0)) return { kind: 'errors' }
  const missing: ('seen' | 'stability')[] = []
  if (seen.totalGiB === null) missing.push('seen')
  if (!stability.some(({ passes }) => passes > 0)) missing.push('stability')
  return missing.length > 0 ? { kind: 'open', missing } : { kind: 'verified' }
}
