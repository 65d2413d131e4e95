import { known } from '../../things/model'
import type { ShareRange } from './works'

/** What pages go to. */
export const DISKS_PAGED = ['solid-state', 'spinning'] as const
export type PagedTo = (typeof DISKS_PAGED)[number]

export const LATENCY = known(
  {
    /** The way through the chip and back, ns. */
    chipNs: { low: 55, high: 65 },
    /** How often the first word's time is met on that way. */
    words: { low: 1.15, high: 1.35 },
    /** How long answers wait for each other on a memory half busy, ns. */
    queueNs: { low: 12, high: 18 },
  },
  'The whole way to memory takes some 80 ns, of which the first word is about 14: a step in speed gains less than its latency suggests. How busy the memory is decides the queue.',
)

export const BUSY = known(
  {
    reached: 0.82,
    most: 0.95,
    /** The peak of the memory, GB/s, for which demands of works are given. */
    of: 25.6,
  },
  'Of the peak about four fifths are reached in practice; nearer to it, answers queue without end, and the work adapts. An older processor with slower memory also asks for less, so that a second channel brings about the same share on every generation.',
)

export const ORGANISATION = known(
  {
    /** Bandwidth reached with half the bank groups on every channel, of that with all. */
    halfGroups: { low: 0.92, high: 0.98 },
    /** Bandwidth reached with two ranks on every channel, of that with one. */
    twoRanks: { low: 1.01, high: 1.05 },
  },
  'A judgement: chips of sixteen bits have half the bank groups to turn to while one recovers, and a second rank gives some to turn to; it shows where much is streamed, above all where pictures are drawn in the main memory.',
)

export const PAGING = known<Record<PagedTo, ShareRange>>(
  { 'solid-state': { low: 2.5, high: 10 }, spinning: { low: 20, high: 120 } },
  'How much slower work becomes as it outgrows memory: wide, because only what is touched is fetched, and programs differ. A log of the memory in use tells better.',
)
/** How steeply: a little over goes by unnoticed, much does not. */
export const PAGING_POWER = 1.5

export const SLOWEST_FRAMES = known(
  {
    /** How much more of their time the slowest 1 % of frames wait for memory than the average one does. */
    waitMore: { low: 1.2, high: 1.8 },
    /** The most of its time that any frame waits for memory. */
    waitAtMost: 0.85,
    /** In a game that the card limits: the share of its slowest frames in which the processor was late. */
    processorLate: { low: 0.3, high: 0.9 },
    /** A stall for the disk falls into the slowest frames: the power to which paging counts. */
    pagesMore: 2,
    /** From here on frames come noticeably steadier: these figures scatter by 4 % from run to run. */
    noticed: 1.05,
  },
  'A second channel and enough memory show first in the slowest frames: it is in those that the processor waited.',
)
