/** Kinds of work as far as memory is concerned. */
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
  'virtual-machines',
  'models',
] as const
export type Work = (typeof WORKS)[number]

/** Limits of a game: the graphics card, or the processor with its memory. */
export const BOUNDS = ['card', 'processor'] as const
export type Bound = (typeof BOUNDS)[number]
