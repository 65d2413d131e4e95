import { z } from 'zod'
import { Clocks, DataRate } from './figures'

/** The four first timings, in clocks. */
export const SetTimings = z.object({ cl: Clocks, trcd: Clocks, trp: Clocks, tras: Clocks })
export type SetTimings = z.infer<typeof SetTimings>

/** Values set by hand in the setup: a data rate in MT/s, timings in clocks; null where left to the firmware. */
export const Manual = z.object({
  dataRate: DataRate.nullable().default(null),
  timings: SetTimings.nullable().default(null),
})
export type Manual = z.infer<typeof Manual>

/** `profile`: the user asks for the modules' memory profile. */
export const Settings = z.object({
  profile: z.boolean().default(false),
  manual: Manual.nullable().optional(),
})
export type Settings = z.infer<typeof Settings>
