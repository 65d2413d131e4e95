import type { WorkProfile } from './profiles'

/** A machine's memory as a forecast sees it. */
export interface MemoryState {
  /** GB/s at which the whole memory streams. */
  wholePeakGBs: number
  firstWordNs: number
  usableGiB: number
}

/** What the work needs, GiB, with its range. */
export interface Need {
  low: number
  likely: number
  high: number
}

export type Paging = 'spinning' | 'solid-state'

export const TERMS = ['bandwidth', 'latency', 'capacity', 'neither'] as const
export type TermName = (typeof TERMS)[number]

/** A part of the time the work takes, as shares of the time before (which is 1 without paging). */
export interface Term {
  name: TermName
  before: number
  after: number
}

export interface Case {
  /** The terms at one end of the ranges, and what comes of them. */
  terms: Term[]
  /** Time before ÷ time after: 1.1 means a tenth faster. */
  speedup: number
}

export interface Forecast {
  low: number
  high: number
  /** The cases behind the two ends, to be unfolded. */
  cases: { low: Case; high: Case }
  /** Whether the demand did not fit before, and whether it does not after. */
  pages: { before: boolean; after: boolean }
}

/**
 * How many times longer work takes for each share of its demand that does not fit and is fetched from
 * disk: a disk is slower than memory by orders of magnitude, but only what is touched is fetched. A
 * spinning one seeks for each piece.
 */
const PAGING: Record<Paging, { low: number; high: number }> = {
  'solid-state': { low: 2, high: 8 },
  spinning: { low: 8, high: 40 },
}

/**
 * What a change of memory brings for a kind of work, as a range of how many times as fast it becomes.
 * The time is a sum: a share that goes with 1 ÷ bandwidth, one that goes with the time to the first
 * word, one that depends on neither, and the time lost to paging where the demand exceeds what is
 * usable. All figures must be above 0.
 * @throws RangeError for figures that are not.
 */
export function forecast(
  profile: WorkProfile,
  before: MemoryState,
  after: MemoryState,
  need: Need | null,
  disk: Paging,
): Forecast {
  for (const state of [before, after]) {
    for (const figure of [state.wholePeakGBs, state.firstWordNs, state.usableGiB]) {
      if (!(figure > 0)) throw new RangeError('a forecast needs figures above 0')
    }
  }
  const ends = ['low', 'high'] as const
  const cases = ends.flatMap((share) =>
    ends.map((end) =>
      caseOf(profile, before, after, { share, need: need?.[end] ?? 0, paging: PAGING[disk][end] }),
    ),
  )
  const sorted = cases.toSorted((a, b) => a.speedup - b.speedup)
  const [low, high] = [sorted[0] as Case, sorted.at(-1) as Case]
  const exceeds = (state: MemoryState) => need !== null && need.likely > state.usableGiB
  return {
    low: low.speedup,
    high: high.speedup,
    cases: { low, high },
    pages: { before: exceeds(before), after: exceeds(after) },
  }
}

function caseOf(
  { bandwidth, latency }: WorkProfile,
  before: MemoryState,
  after: MemoryState,
  { share, need, paging }: { share: 'low' | 'high'; need: number; paging: number },
): Case {
  const [b, l] = [bandwidth[share], latency[share]]
  const lost = ({ usableGiB }: MemoryState) =>
    need > usableGiB ? ((need - usableGiB) / need) * paging : 0
  const rest = 1 - b - l
  const terms: Term[] = [
    { name: 'bandwidth', before: b, after: b * (before.wholePeakGBs / after.wholePeakGBs) },
    { name: 'latency', before: l, after: l * (after.firstWordNs / before.firstWordNs) },
    { name: 'capacity', before: lost(before), after: lost(after) },
    { name: 'neither', before: rest, after: rest },
  ]
  const sum = (when: 'before' | 'after') => terms.reduce((all, term) => all + term[when], 0)
  return { terms, speedup: sum('before') / sum('after') }
}
