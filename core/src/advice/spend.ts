import type { Disk, SlowThing } from '../model'
import type { Demand } from './demand'
import type { LogSummary } from './memoryLog'

export { COMPLAINTS, DISKS, type Disk, type SlowThing } from '../model'

export interface SpendCase {
  installedGiB: number
  demand: Demand | null
  log: LogSummary | null
  disk: Disk
  slow: readonly SlowThing[]
}

export const SPENDING_VERDICTS = [
  'memory',
  'disk',
  'cooling',
  'processor-or-graphics',
  'nothing',
  'measure',
  'test',
] as const
export type SpendingVerdict = (typeof SPENDING_VERDICTS)[number]

export type Reason =
  | 'CUT_OFF'
  | 'TIGHT_FOR_LONG'
  | 'PAGES'
  | 'DEMAND_OVER_INSTALLED'
  | 'RESERVE_OVER_INSTALLED'
  | 'PEAK_FAR_BELOW'
  | 'SPINNING_DISK'
  | 'SLOWS_AFTER_A_WHILE'
  | 'CRASHES'
  | 'WORK_NOT_BOUND_BY_MEMORY'
  | 'NOT_MEASURED'

export interface Advice {
  /** What to spend on first. */
  first: SpendingVerdict
  reasons: Reason[]
  /** Whether memory is worth its money as well. */
  memoryToo: boolean
}

/** A peak that leaves this share free is far below what is fitted. */
const FAR_BELOW = 0.7
const LONG = 0.05
/** A share of the time lost to paging that is felt. */
const PAGES_NOTICED = 0.02

/**
 * Whether memory is the right thing to buy. Where the measured peak stays far below what is fitted,
 * more of it helps little: a spinning disk, heat or the processor is then what is slow. Crashes are
 * tested first; “slow after a while” is heat only where memory was measured not to fill up.
 */
export function adviseSpending({ installedGiB, demand, log, disk, slow }: SpendCase): Advice {
  const reasons: Reason[] = []
  if (log?.cutOff && (log.pagingShare ?? 1) > PAGES_NOTICED) reasons.push('CUT_OFF')
  // Where hard faults were logged they say whether it pages, not how full it was.
  const paged = log?.pagingShare ?? null
  if (paged !== null && paged > PAGES_NOTICED) reasons.push('PAGES')
  if (log && paged === null && log.tightShare > LONG) reasons.push('TIGHT_FOR_LONG')
  if (demand && demand.now.likely > installedGiB) reasons.push('DEMAND_OVER_INSTALLED')
  const short = reasons.length > 0
  // A reserve does not page: wanting more for later is no reason to call memory short.
  if (!short && demand && demand.likely > installedGiB) reasons.push('RESERVE_OVER_INSTALLED')
  const ample = log !== null && !short && log.peakGiB < FAR_BELOW * installedGiB
  if (ample) reasons.push('PEAK_FAR_BELOW')
  const disky = slow.some((one) => one === 'starting' || one === 'opening')
  const warm = slow.includes('after-a-while')
  const bound = slow.some((one) => one === 'long-work' || one === 'pictures')
  if (disk === 'spinning') reasons.push('SPINNING_DISK')
  if (warm) reasons.push('SLOWS_AFTER_A_WHILE')
  // What crashes is tested before anything is bought, unless it was seen to run out of memory.
  if (slow.includes('crashing') && !log?.cutOff) {
    return { first: 'test', reasons: [...reasons, 'CRASHES'], memoryToo: short }
  }
  if (short) {
    const first = disk === 'spinning' && disky && !log?.cutOff ? 'disk' : 'memory'
    return { first, reasons, memoryToo: true }
  }
  if (!log && !demand)
    return { first: 'measure', reasons: [...reasons, 'NOT_MEASURED'], memoryToo: false }
  if (disk === 'spinning') return { first: 'disk', reasons, memoryToo: false }
  // Heat is one explanation; only a log that shows room to spare leaves memory filling up out.
  if (warm) return { first: ample ? 'cooling' : 'measure', reasons, memoryToo: false }
  if (bound) {
    return {
      first: 'processor-or-graphics',
      reasons: [...reasons, 'WORK_NOT_BOUND_BY_MEMORY'],
      memoryToo: false,
    }
  }
  if (!log) return { first: 'measure', reasons: [...reasons, 'NOT_MEASURED'], memoryToo: false }
  return { first: 'nothing', reasons, memoryToo: false }
}
