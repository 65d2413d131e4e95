import type { PlanFigures } from './request'

/** A plan to weigh: its figures, and what decides between plans of the same figures. */
export interface PlanCandidate extends PlanFigures {
  purchases: number
  pieces: number
}

/** The same figure whatever way it was calculated. */
export const rounded = (figure: number): number => Math.round(figure * 1e9)

interface Held<T extends PlanCandidate> {
  plan: T
  peak: number
  ns: number
}

/** How many plans may gather before those that others outdo are thrown out. */
const CROWD = 4000

/**
 * The plans that no other equals or beats on cost, usable memory, peak and first word and betters on
 * one; of plans with the same figures the one with the fewest purchases, then the fewest pieces, then
 * the one `comesFirst` prefers.
 */
export class ParetoFront<T extends PlanCandidate> {
  private held = new Map<string, Held<T>>()
  private crowded = CROWD

  constructor(private readonly comesFirst: (a: T, b: T) => boolean) {}

  get plans(): T[] {
    this.thin()
    return [...this.held.values()].map(({ plan }) => plan)
  }

  /** Whether a plan of the very same figures is held that this one could not take the place of. */
  keeps(plan: PlanCandidate): boolean {
    const same = this.held.get(keyOf(plan))
    return same !== undefined && comparedTo(plan, same.plan) > 0
  }

  add(plan: T): void {
    const key = keyOf(plan)
    const same = this.held.get(key)
    if (same) {
      const order = comparedTo(plan, same.plan)
      if (order < 0 || (order === 0 && this.comesFirst(plan, same.plan))) same.plan = plan
      return
    }
    this.held.set(key, { plan, peak: rounded(plan.wholePeakGBs), ns: rounded(plan.firstWordNs) })
    if (this.held.size > this.crowded) this.thin()
  }

  /** Throws out what others outdo. Cheap plans first, so that whatever could outdo a plan stands before it. */
  private thin(): void {
    const kept: [string, Held<T>][] = []
    for (const [key, one] of [...this.held].sort(([, a], [, b]) => inOrder(a, b))) {
      if (!kept.some(([, other]) => covers(other, one))) kept.push([key, one])
    }
    this.held = new Map(kept)
    this.crowded = Math.max(CROWD, 2 * kept.length)
  }
}

const keyOf = ({ cost, usableGiB, wholePeakGBs, firstWordNs }: PlanFigures): string =>
  `${cost} ${usableGiB} ${rounded(wholePeakGBs)} ${rounded(firstWordNs)}`

function comparedTo(plan: PlanCandidate, other: PlanCandidate): number {
  return plan.purchases - other.purchases || plan.pieces - other.pieces
}

function inOrder<T extends PlanCandidate>(a: Held<T>, b: Held<T>): number {
  return (
    a.plan.cost - b.plan.cost ||
    b.plan.usableGiB - a.plan.usableGiB ||
    b.peak - a.peak ||
    a.ns - b.ns
  )
}

/** Whether one plan is no worse than another in any figure but cost. */
function covers<T extends PlanCandidate>(one: Held<T>, other: Held<T>): boolean {
  return one.plan.usableGiB >= other.plan.usableGiB && one.peak >= other.peak && one.ns <= other.ns
}
