import { z } from 'zod'

/** How much unevenness and mixing a plan may have: see `verdict`. */
export const POLICIES = ['matched', 'balanced', 'capacity'] as const
export const Policy = z.enum(POLICIES)
export type Policy = z.infer<typeof Policy>
