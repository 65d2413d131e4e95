import { z } from 'zod'
import { DataRate } from './figures'
import { type SetTimings, SetTimings as Timings } from './settings'

/** A speed (MT/s) and the four first timings in clocks, all set by hand. */
export interface TuneSettings {
  dataRate: number
  timings: SetTimings
}

export const TUNE_OUTCOMES = ['no-start', 'errors', 'passed'] as const

/** Settings that were tried, and what came of it: minutes until errors, or of the test that passed. */
export const Tried = z.object({
  settings: z.object({ dataRate: DataRate, timings: Timings }),
  /** A short test after each change, a long one at the end. */
  test: z.enum(['short', 'long']),
  outcome: z.enum(TUNE_OUTCOMES),
  minutes: z.number().min(0).max(100_000),
  /** Why somebody tried these of their own; left out for a rung of the ladder. */
  reason: z.string().trim().max(200).optional(),
})
export type Tried = z.infer<typeof Tried>
