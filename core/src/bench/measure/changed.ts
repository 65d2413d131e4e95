import type { Evaluation, Module, Placement } from '../../things/model'

export const MEMORY_CHANGES = ['capacity', 'channels', 'rate', 'latency', 'ranks', 'width'] as const
export type MemoryChange = (typeof MEMORY_CHANGES)[number]

/** Contents of the slots with their evaluation. */
interface State {
  placement: Placement
  evaluation: Evaluation
}

/** What a change of memory changed at once: of more than one, nobody can say which did it. */
export function changesBetween(before: State, after: State): MemoryChange[] {
  const [was, is] = [before.evaluation, after.evaluation]
  const ways = ({ zones }: Evaluation) => zones[0]?.ways ?? 0
  const differs: Record<MemoryChange, boolean> = {
    capacity: was.capacity.usableGiB !== is.capacity.usableGiB,
    channels: ways(was) !== ways(is) || was.zones.length !== is.zones.length,
    rate: was.run?.dataRate !== is.run?.dataRate,
    latency: was.run?.firstWordNs !== is.run?.firstWordNs,
    ranks: kindsIn(before, ({ ranks }) => ranks) !== kindsIn(after, ({ ranks }) => ranks),
    width:
      kindsIn(before, ({ deviceWidth }) => deviceWidth) !==
      kindsIn(after, ({ deviceWidth }) => deviceWidth),
  }
  return MEMORY_CHANGES.filter((change) => differs[change])
}

/** The kinds of module there are in the slots by a figure, however many of each; `1R` and `2R` apart. */
function kindsIn({ placement }: State, of: (module: Module) => number): string {
  const figures = Object.values(placement).flatMap((module) => (module ? [of(module)] : []))
  return [...new Set(figures)].sort((a, b) => a - b).join()
}
