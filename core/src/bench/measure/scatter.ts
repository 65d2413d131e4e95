import { known } from '../../things/model'

/** How far figures scatter, as standard deviations of their logarithms: 0.01 is 1 %. */
export interface Scatter {
  /** From run to run within a session. */
  withinSd: number
  /** From session to session. */
  sessionSd: number
}

export const USUAL_SCATTER = known<Scatter>(
  { withinSd: 0.01, sessionSd: 0.01 },
  'What repeated sessions of a steady benchmark scatter by, until a shop has sessions of its own.',
)

/** Kinds of figure that scatter apart: means and times, and rates of the slowest 1 % and 0.1 % of frames. */
export const FIGURE_SORTS = ['average', 'low1', 'low01', 'latency', 'time'] as const
export type FigureSort = (typeof FIGURE_SORTS)[number]

/** Scatter of figures that few frames make, from run to run and from session to session. */
export const RARE_SCATTER = known<Partial<Record<FigureSort, Scatter>>>(
  { low1: { withinSd: 0.04, sessionSd: 0.04 }, low01: { withinSd: 0.08, sessionSd: 0.08 } },
  'A judgement: the slowest 1 % of a log are a hundredth of its frames, the slowest 0.1 % a few dozen.',
)

/** Usual scatter of a kind of figure. */
export const usualScatter = (figure: FigureSort = 'average'): Scatter =>
  RARE_SCATTER.value[figure] ?? USUAL_SCATTER.value

/** How alike a run of a session is to the one before it, at the worst: heat, caches and clocks carry over. */
const ALIKE = 0.9

/**
 * How many independent runs so many runs of one session are worth when each is as like the one before it
 * as `ALIKE` (variance of the mean of a first-order autoregressive series).
 */
export function worthOf(runs: number): number {
  let shared = 0
  for (let apart = 1; apart < runs; apart += 1) shared += (runs - apart) * ALIKE ** apart
  return runs ** 2 / (runs + 2 * shared)
}

export const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length

export function squares(values: readonly number[]): number {
  const middle = mean(values)
  return values.reduce((sum, value) => sum + (value - middle) ** 2, 0)
}
