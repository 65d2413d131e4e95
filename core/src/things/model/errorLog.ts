import { z } from 'zod'

const Errors = z.int('Whole errors.').min(0).max(1_000_000_000)

/**
 * Hardware errors that a system has logged: memory errors that were corrected and that were not, and machine checks of
 * no known part. `bySlot` has memory errors by slot as the system names it, where it does; `since` is how far back
 * they go: the start of the system, or all that its log keeps.
 */
export const ErrorLog = z.object({
  corrected: Errors,
  uncorrected: Errors,
  machineChecks: Errors,
  bySlot: z.record(z.string().max(80), Errors),
  since: z.enum(['start', 'kept']),
})
export type ErrorLog = z.infer<typeof ErrorLog>
