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
