import type { Evaluation } from '../model'

export const CHANGES = ['capacity', 'channels', 'rate', 'latency'] as const
export type Change = (typeof CHANGES)[number]

/** What a change of memory changed at once: of more than one, nobody can say which did it. */
export function changesBetween(before: Evaluation, after: Evaluation): Change[] {
  const ways = ({ zones }: Evaluation) => zones[0]?.ways ?? 0
  const differs: Record<Change, boolean> = {
    capacity: before.capacity.usableGiB !== after.capacity.usableGiB,
    channels: ways(before) !== ways(after) || before.zones.length !== after.zones.length,
    rate: before.run?.dataRate !== after.run?.dataRate,
    latency: before.run?.firstWordNs !== after.run?.firstWordNs,
  }
  return CHANGES.filter((change) => differs[change])
}
