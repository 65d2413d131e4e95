import type {
  AnalysedFrames,
  LogHead,
  overviewOf,
  ReadColumn,
  TimeUnit,
  Trim,
} from '@tembrix/core/bench/measure'

export interface FrameColumn {
  heading: string
  /** The unit of its times; null where it holds scores, which come as they are. */
  unit: TimeUnit | null
}

/** A log to be read: which column. */
export interface FrameLogRequest {
  file: File
  head: LogHead
  column: FrameColumn
  trim: Trim
}

/** As many figures as a test takes as runs. */
export const MOST_RUNS = 1000

export interface Analysed extends Omit<ReadColumn, 'values'> {
  /** Figures read. */
  count: number
  /** The first of them, up to `MOST_RUNS`. */
  first: number[]
  /** The log as it is, nothing left out; null for scores. */
  whole: Overview | null
  /** Null for scores, and for fewer than two frames. */
  frames: AnalysedFrames | null
}

export type Overview = ReturnType<typeof overviewOf>

export type FromReader =
  | { kind: 'progress'; share: number }
  | { kind: 'done'; analysed: Analysed }
  | { kind: 'failed'; why: string }
