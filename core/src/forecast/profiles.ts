/** A share of a use's time, as a range from 0 to 1. */
export interface Share {
  low: number
  high: number
}

/** The kinds of work that forecasts tell apart. */
export const WORKS = [
  'office',
  'browsing',
  'photos',
  'video',
  'audio',
  'compression',
  'compiling',
  'rendering',
  'games',
  'games-processor',
  'integrated-graphics',
] as const
export type Work = (typeof WORKS)[number]

/** How a kind of work spends its time, as far as memory is concerned; what is left depends on neither. */
export interface WorkProfile {
  id: Work
  name: string
  /** The share that shrinks as the bandwidth of the whole memory grows. */
  bandwidth: Share
  /** The share that shrinks as the time to the first word does. */
  latency: Share
  /** Why these shares. */
  because: string
}

/**
 * The table forecasts start from. Shares are ranges because machines and programs differ; past jobs of
 * the shop narrow them. Magnitudes: almost nothing for office work and graphics-bound games, some for
 * compression, transcoding and compiling, much for integrated graphics.
 */
export const WORK_PROFILES: readonly WorkProfile[] = [
  {
    id: 'office',
    name: 'Letters, tables, mail',
    bandwidth: { low: 0, high: 0.01 },
    latency: { low: 0, high: 0.03 },
    because:
      'Waits for the person most of the time; what it touches fits in the processor’s caches.',
  },
  {
    id: 'browsing',
    name: 'Browsing',
    bandwidth: { low: 0, high: 0.02 },
    latency: { low: 0.02, high: 0.06 },
    because:
      'Many small objects all over the memory, so the first word counts a little; mostly the network does.',
  },
  {
    id: 'photos',
    name: 'Photos',
    bandwidth: { low: 0.03, high: 0.1 },
    latency: { low: 0.02, high: 0.06 },
    because: 'Whole pictures stream through memory, with much arithmetic on each point.',
  },
  {
    id: 'video',
    name: 'Video, transcoding',
    bandwidth: { low: 0.03, high: 0.1 },
    latency: { low: 0.02, high: 0.06 },
    because: 'Frames stream through memory; most of the work is arithmetic.',
  },
  {
    id: 'audio',
    name: 'Audio, sample libraries',
    bandwidth: { low: 0, high: 0.03 },
    latency: { low: 0.02, high: 0.08 },
    because: 'Little data each moment, from many places. That everything fits matters far more.',
  },
  {
    id: 'compression',
    name: 'Compression',
    bandwidth: { low: 0.05, high: 0.15 },
    latency: { low: 0.1, high: 0.2 },
    because: 'Looks things up all over a table larger than the caches.',
  },
  {
    id: 'compiling',
    name: 'Compiling',
    bandwidth: { low: 0.01, high: 0.05 },
    latency: { low: 0.05, high: 0.13 },
    because: 'Follows pointers through large structures on all cores at once.',
  },
  {
    id: 'rendering',
    name: 'Rendering',
    bandwidth: { low: 0, high: 0.04 },
    latency: { low: 0.01, high: 0.05 },
    because: 'Nearly all arithmetic; memory helps only where the scene does not fit.',
  },
  {
    id: 'games',
    name: 'Games, bound by the graphics card',
    bandwidth: { low: 0, high: 0.01 },
    latency: { low: 0, high: 0.03 },
    because: 'The graphics card has memory of its own and is what is waited for.',
  },
  {
    id: 'games-processor',
    name: 'Games, bound by the processor',
    bandwidth: { low: 0.02, high: 0.08 },
    latency: { low: 0.1, high: 0.25 },
    because: 'The state of the world lies all over the memory; the first word counts.',
  },
  {
    id: 'integrated-graphics',
    name: 'Anything drawn by integrated graphics',
    bandwidth: { low: 0.4, high: 0.75 },
    latency: { low: 0, high: 0.05 },
    because: 'Pictures are drawn in the main memory, whose bandwidth is what limits them.',
  },
]
