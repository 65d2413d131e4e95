import type { ForecastUse } from '../forecast'
import type { LogSummary } from './memoryLog'
import type { GiBRange, UseDemand } from './uses'

/** How much memory is needed, GiB: the range is what to have, with a reserve and the years to come. */
export interface Demand extends GiBRange {
  /** What is needed now, without the reserve: only this can run out. */
  now: GiBRange
  /** What it rests on. */
  basis: 'uses' | 'log' | 'both'
  /** True where the demand was cut off when it was measured: `low` is then “at least”. */
  atLeast: boolean
}

/**
 * The demand from a mix of uses, a measurement, or both, GiB. A measurement that was not cut off
 * outdoes rules of thumb: what is needed is its peak, up to what the uses would say. One that was cut
 * off says only that the demand is at least its peak. What to have is that, grown over the years the
 * machine must serve (`growth`, a share), and the reserve.
 */
export function demand(
  uses: UseDemand | null,
  log: LogSummary | null,
  reserveGiB: number,
  growth = 0,
): Demand | null {
  if (!log) return uses && { ...ends(uses), now: uses.now, basis: 'uses', atLeast: false }
  const basis = uses ? 'both' : 'log'
  const grown = log.peakGiB * (1 + growth) + reserveGiB
  const least = log.cutOff ? log.peakGiB : log.p99GiB
  const likely = log.cutOff ? Math.max(log.peakGiB, uses?.now.likely ?? 0) : log.peakGiB
  return {
    low: least + reserveGiB,
    likely: log.cutOff ? Math.max(grown, uses?.likely ?? grown) : grown,
    high: Math.max(grown, (log.cutOff ? uses?.high : uses?.likely) ?? grown),
    now: {
      low: least,
      likely,
      high: Math.max(likely, (log.cutOff ? uses?.now.high : uses?.now.likely) ?? likely),
    },
    basis,
    atLeast: log.cutOff,
  }
}

const ends = ({ low, likely, high }: GiBRange): GiBRange => ({ low, likely, high })

/** A log of one use. */
export interface UseLog extends LogSummary {
  use: string
}

/**
 * Logs as one: what any of them saw. A use that no log is of counts by the table, so that a log of one use does not
 * speak for the others.
 */
export function logsTogether(
  day: LogSummary | null,
  useLogs: readonly UseLog[],
  uncoveredGiB: number,
): LogSummary | null {
  const logs = [...(day ? [day] : []), ...useLogs]
  const [first] = logs
  if (!first) return null
  const most = (of: (log: LogSummary) => number) => Math.max(...logs.map(of))
  const paged = logs.flatMap(({ pagingShare }) => pagingShare ?? [])
  const least = day ? 0 : uncoveredGiB
  return {
    count: logs.reduce((sum, { count }) => sum + count, 0),
    spanSeconds: first.spanSeconds,
    peakGiB: Math.max(
      least,
      most(({ peakGiB }) => peakGiB),
    ),
    p99GiB: Math.max(
      least,
      most(({ p99GiB }) => p99GiB),
    ),
    tightShare: most(({ tightShare }) => tightShare),
    cutOff: logs.some(({ cutOff }) => cutOff),
    pagingShare: paged.length > 0 ? Math.max(...paged) : null,
    ...(first.card ? { card: first.card } : {}),
  }
}

/**
 * The uses as a forecast needs them, put right by what was measured: a log that was not cut off is what
 * is needed, whichever use it was; one that was cut off, the least of it.
 */
export function measuredUses(uses: readonly ForecastUse[], log: LogSummary | null): ForecastUse[] {
  if (!log) return [...uses]
  const { p99GiB, peakGiB, cutOff } = log
  return uses.map((use) => {
    if (!cutOff) return { ...use, need: { low: p99GiB, likely: peakGiB, high: peakGiB } }
    const need = use.need ?? { low: peakGiB, likely: peakGiB, high: peakGiB }
    const atLeast = (gib: number) => Math.max(gib, peakGiB)
    return {
      ...use,
      need: { low: atLeast(need.low), likely: atLeast(need.likely), high: atLeast(need.high) },
    }
  })
}

/**
 * The share of the logged time that was lost to paging: as it was logged; none where the memory never
 * came near full; not known where it did, as being near full does not say how much was lost.
 */
export function pagingShareOf(log: LogSummary | null): number | null {
  if (log === null) return null
  return log.pagingShare ?? (log.tightShare === 0 && !log.cutOff ? 0 : null)
}
