import type { LogSummary } from './memoryLog'
import type { Range, UseDemand } from './uses'

export interface Demand extends Range {
  /** What it rests on. */
  basis: 'uses' | 'log' | 'both'
  /** True where the demand was cut off when it was measured: `low` is then “at least”. */
  atLeast: boolean
}

/**
 * The demand from a mix of uses, a measurement, or both, GiB. A measurement that was not cut off
 * outdoes rules of thumb: what is needed is its peak and the reserve, up to what the uses would say.
 * One that was cut off says only that the demand is at least its peak.
 */
export function demand(
  uses: UseDemand | null,
  log: LogSummary | null,
  reserveGiB: number,
): Demand | null {
  if (!log) return uses && { ...ends(uses), basis: 'uses', atLeast: false }
  if (log.cutOff) {
    const least = log.peakGiB + reserveGiB
    return {
      low: least,
      likely: Math.max(least, uses?.likely ?? least),
      high: Math.max(least, uses?.high ?? least),
      basis: uses ? 'both' : 'log',
      atLeast: true,
    }
  }
  const likely = log.peakGiB + reserveGiB
  return {
    low: log.p99GiB + reserveGiB,
    likely,
    high: Math.max(likely, uses?.likely ?? likely),
    basis: uses ? 'both' : 'log',
    atLeast: false,
  }
}

const ends = ({ low, likely, high }: Range): Range => ({ low, likely, high })
