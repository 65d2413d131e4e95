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
 * One that was cut off says only that the demand is at least its peak. `growth`: the share by which the
 * same work will want more when the machine has served its time.
 */
export function demand(
  uses: UseDemand | null,
  log: LogSummary | null,
  reserveGiB: number,
  growth = 0,
): Demand | null {
  if (!log) return uses && { ...ends(uses), basis: 'uses', atLeast: false }
  const grown = log.peakGiB * (1 + growth) + reserveGiB
  if (log.cutOff) {
    return {
      low: log.peakGiB + reserveGiB,
      likely: Math.max(grown, uses?.likely ?? grown),
      high: Math.max(grown, uses?.high ?? grown),
      basis: uses ? 'both' : 'log',
      atLeast: true,
    }
  }
  const likely = grown
  return {
    low: log.p99GiB + reserveGiB,
    likely,
    high: Math.max(likely, uses?.likely ?? likely),
    basis: uses ? 'both' : 'log',
    atLeast: false,
  }
}

const ends = ({ low, likely, high }: Range): Range => ({ low, likely, high })
