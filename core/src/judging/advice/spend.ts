import type { Disk, SlowThing } from '../../things/model'
import type { CardUse, Demand, LogSummary } from '../sizing'
import {
  type BoughtLayout,
  type FreeLayout,
  isFelt,
  type LayoutAdvice,
  type LayoutQuestion,
  type LayoutReason,
} from './layout'

export { COMPLAINTS, DISKS, type Disk, type SlowThing } from '../../things/model'

export interface SpendCase {
  installedGiB: number
  demand: Demand | null
  log: LogSummary | null
  disk: Disk
  slow: readonly SlowThing[]
  /** How memory lies in the machine; null where nothing is known of it. */
  layout?: LayoutAdvice | null
  /** How the graphics card fared by each log; null where one does not say. None for graphics in the processor. */
  cards?: readonly (CardUse | null | undefined)[]
}

export const SPENDING_VERDICTS = [
  'memory',
  'layout',
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
  | 'CARD_MEMORY_FULL'
  | 'CARD_WAITS'
  | 'CARD_BUSY'
  | LayoutReason

export interface Advice {
  /** The first thing to spend on. */
  first: SpendingVerdict
  reasons: Reason[]
  /** Whether memory is worth its money as well. */
  memoryToo: boolean
  /** Gains from the layout alone; null where the layout is unknown. */
  layout: { free: FreeLayout | null; bought: BoughtLayout | null; asks: LayoutQuestion[] } | null
}

/** A peak that leaves this share free is far below what is fitted. */
const FAR_BELOW = 0.7
const LONG = 0.05
const HALF = 0.5
/** A share of the time lost to paging that is felt. */
const PAGES_NOTICED = 0.02

/** Findings before they are weighed. */
interface Found {
  reasons: Reason[]
  /** It runs out of memory now. */
  isShort: boolean
  /** It was measured to stay far below what is fitted. */
  isAmple: boolean
}

/**
 * Decides the first spend. Crashes are tested first; a machine that runs out of memory gets memory; then comes the
 * layout, where it gains something for the customer's uses. Where the measured peak stays far below what
 * is fitted, more of it helps little: a spinning disk, heat or the processor is then what is slow. “Slow after a
 * while” is heat only where memory was measured not to fill up. While something that decides is to be asked, no
 * verdict says that memory does not matter.
 */
export function adviseSpending(given: SpendCase): Advice {
  const { layout = null, disk, slow } = given
  const { reasons, isShort, isAmple } = whatWasFound(given)
  const answer = (first: SpendingVerdict, memoryToo: boolean, ...more: Reason[]): Advice => ({
    first,
    reasons: [...reasons, ...more],
    memoryToo,
    layout: layout && { free: layout.free, bought: layout.bought, asks: layout.asks },
  })
  if (slow.includes('crashing') && !given.log?.cutOff) return answer('test', isShort, 'CRASHES')
  const isDiskFelt = slow.some((one) => one === 'starting' || one === 'opening')
  if (isShort) {
    const isDiskFirst = disk === 'spinning' && isDiskFelt && !given.log?.cutOff
    return answer(isDiskFirst ? 'disk' : 'memory', true)
  }
  if (layout && isFelt(layout.free)) return answer('layout', isFelt(layout.bought))
  if (reasons.includes('CARD_MEMORY_FULL')) return answer('processor-or-graphics', false)
  if (layout && isFelt(layout.bought)) return answer('layout', true)
  const verdict = withoutLayout(given, isAmple)
  const isOpen = layout !== null && layout.asks.length > 0
  if (isOpen && (verdict.first === 'nothing' || verdict.first === 'processor-or-graphics')) {
    return answer('measure', false)
  }
  return answer(verdict.first, false, ...verdict.more)
}

function whatWasFound(given: SpendCase): Found {
  const { installedGiB, demand, log, disk, slow, layout, cards = [] } = given
  const reasons: Reason[] = []
  if (log?.cutOff && (log.pagingShare ?? 1) > PAGES_NOTICED) reasons.push('CUT_OFF')
  // Where hard faults were logged they say whether it pages, not how full it was.
  const paged = log?.pagingShare ?? null
  if (paged !== null && paged > PAGES_NOTICED) reasons.push('PAGES')
  if (log && paged === null && log.tightShare > LONG) reasons.push('TIGHT_FOR_LONG')
  if (demand && demand.now.likely > installedGiB) reasons.push('DEMAND_OVER_INSTALLED')
  const isShort = reasons.length > 0
  // A reserve does not page: wanting more for later is no reason to call memory short.
  if (!isShort && demand && demand.likely > installedGiB) reasons.push('RESERVE_OVER_INSTALLED')
  const isAmple = log !== null && !isShort && log.peakGiB < FAR_BELOW * installedGiB
  if (isAmple) reasons.push('PEAK_FAR_BELOW')
  if (disk === 'spinning') reasons.push('SPINNING_DISK')
  if (slow.includes('after-a-while')) reasons.push('SLOWS_AFTER_A_WHILE')
  reasons.push(...ofCards(cards))
  return { reasons: [...reasons, ...(layout?.reasons ?? [])], isShort, isAmple }
}

/** Reasons from logs of the graphics card: its own memory full, waiting for the processor, at full load. */
function ofCards(cards: NonNullable<SpendCase['cards']>): Reason[] {
  const any = (of: (card: CardUse) => number | null, share: number) =>
    cards.some((card) => card != null && (of(card) ?? 0) >= share)
  return [
    ...(any(({ full }) => full, LONG) ? (['CARD_MEMORY_FULL'] as const) : []),
    ...(any(({ waits }) => waits, HALF) ? (['CARD_WAITS'] as const) : []),
    ...(any(({ busy }) => busy, HALF) ? (['CARD_BUSY'] as const) : []),
  ]
}

/** The first spend where memory is not short and its layout gains nothing. */
function withoutLayout(
  { demand, log, disk, slow }: SpendCase,
  isAmple: boolean,
): { first: SpendingVerdict; more: Reason[] } {
  if (!log && !demand) return { first: 'measure', more: ['NOT_MEASURED'] }
  if (disk === 'spinning') return { first: 'disk', more: [] }
  // Heat is one explanation; only a log that shows room to spare leaves memory filling up out.
  if (slow.includes('after-a-while')) return { first: isAmple ? 'cooling' : 'measure', more: [] }
  if (slow.some((one) => one === 'long-work' || one === 'pictures')) {
    return { first: 'processor-or-graphics', more: ['WORK_NOT_BOUND_BY_MEMORY'] }
  }
  return log ? { first: 'nothing', more: [] } : { first: 'measure', more: ['NOT_MEASURED'] }
}
