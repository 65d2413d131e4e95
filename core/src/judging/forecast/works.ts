import type { Work } from '../../things/model'

export { WORKS, type Work } from '../../things/model'

export interface ShareRange {
  low: number
  high: number
}

/** How a kind of work uses memory. Every range is a judgement until the shop's own results move it. */
export interface WorkProfile {
  id: Work
  name: string
  /** The share of its time that waits for memory. */
  waits: ShareRange
  /** Of that, the part that streams, and so goes with bandwidth; the rest waits for single answers. */
  streams: ShareRange
  /** GB/s it asks of a memory with a peak of 25.6 while it works, which decides how long answers queue. */
  asks: ShareRange
  /** Why these ranges. */
  because: string
}

export const WORK_PROFILES: readonly WorkProfile[] = [
  {
    id: 'office',
    name: 'Letters, tables, mail',
    waits: { low: 0.01, high: 0.06 },
    streams: { low: 0.1, high: 0.3 },
    asks: { low: 0.5, high: 2 },
    because:
      'Waits for the person most of the time; what it touches fits in the processor’s caches.',
  },
  {
    id: 'browsing',
    name: 'Browsing',
    waits: { low: 0.03, high: 0.1 },
    streams: { low: 0.1, high: 0.25 },
    asks: { low: 1, high: 3 },
    because: 'Many small objects all over the memory; mostly the network decides.',
  },
  {
    id: 'photos',
    name: 'Photos',
    waits: { low: 0.08, high: 0.2 },
    streams: { low: 0.4, high: 0.7 },
    asks: { low: 3, high: 9 },
    because: 'Whole pictures stream through memory, with much arithmetic on each point.',
  },
  {
    id: 'video',
    name: 'Video, transcoding',
    waits: { low: 0.06, high: 0.18 },
    streams: { low: 0.35, high: 0.65 },
    asks: { low: 3, high: 9 },
    because: 'Frames stream through memory; most of the work is arithmetic.',
  },
  {
    id: 'audio',
    name: 'Audio, sample libraries',
    waits: { low: 0.04, high: 0.12 },
    streams: { low: 0.1, high: 0.3 },
    asks: { low: 1, high: 4 },
    because: 'Little data each moment, from many places. That everything fits matters far more.',
  },
  {
    id: 'compression',
    name: 'Compression',
    waits: { low: 0.5, high: 0.75 },
    streams: { low: 0.2, high: 0.4 },
    asks: { low: 8, high: 14 },
    because: 'Looks things up all over a table larger than the caches, on all cores.',
  },
  {
    id: 'compiling',
    name: 'Compiling',
    waits: { low: 0.12, high: 0.32 },
    streams: { low: 0.1, high: 0.25 },
    asks: { low: 3, high: 9 },
    because: 'Follows pointers through large structures on all cores at once.',
  },
  {
    id: 'rendering',
    name: 'Rendering',
    waits: { low: 0.03, high: 0.12 },
    streams: { low: 0.1, high: 0.4 },
    asks: { low: 1, high: 5 },
    because: 'Nearly all arithmetic; memory helps only where the scene does not fit.',
  },
  {
    id: 'games',
    name: 'Games, bound by the graphics card',
    waits: { low: 0.01, high: 0.06 },
    streams: { low: 0.1, high: 0.3 },
    asks: { low: 3, high: 8 },
    because: 'The graphics card has memory of its own and is what is waited for.',
  },
  {
    id: 'games-processor',
    name: 'Games, bound by the processor',
    waits: { low: 0.36, high: 0.64 },
    streams: { low: 0.08, high: 0.2 },
    asks: { low: 8, high: 14 },
    because:
      'The state of the world lies all over the memory: it streams little, but its answers queue on a single channel.',
  },
  {
    id: 'integrated-graphics',
    name: 'Anything drawn by integrated graphics',
    waits: { low: 0.56, high: 0.74 },
    streams: { low: 0.75, high: 0.9 },
    asks: { low: 12, high: 20 },
    because: 'Pictures are drawn in the main memory, whose bandwidth is what limits them.',
  },
  {
    id: 'virtual-machines',
    name: 'Virtual machines',
    waits: { low: 0.08, high: 0.22 },
    streams: { low: 0.1, high: 0.3 },
    asks: { low: 2, high: 8 },
    because: 'What runs in them decides; that all of them fit matters far more.',
  },
  {
    id: 'models',
    name: 'Language or picture models at home',
    waits: { low: 0.76, high: 0.92 },
    streams: { low: 0.9, high: 1 },
    asks: { low: 15, high: 21 },
    because:
      'On the processor the whole model streams through memory for every word: bandwidth decides, and that it fits.',
  },
]

export const profileOf = (work: Work): WorkProfile =>
  WORK_PROFILES.find(({ id }) => id === work) as WorkProfile
