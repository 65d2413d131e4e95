import type { FrameFigures, TimeUnit } from '@tembrix/core/measure'

/** A log to be read: which column, in which unit. */
export interface Asked {
  text: string
  heading: string
  unit: TimeUnit
}

export interface Analysed {
  figures: FrameFigures | null
  rows: number
  bad: number
  badLines: number[]
  /** How many frames took so long, in bins of equal width up to `topMs`. */
  bins: number[]
  topMs: number
  /** The longest frame time of each of as many stretches of the log, ms. */
  line: number[]
  /** The figures themselves, as many as a test takes as runs. */
  first: number[]
}

export type FromReader =
  | { kind: 'progress'; share: number }
  | { kind: 'done'; analysed: Analysed }
  | { kind: 'failed'; why: string }
