import { z } from 'zod'

/** How much unevenness and mixing a plan may have: see `verdict`. */
export const POLICIES = ['matched', 'balanced', 'capacity'] as const
export const Policy = z.enum(POLICIES)
export type Policy = z.infer<typeof Policy>

/**
 * Which ranks a shop prefers among options that gain alike: whichever, two on every channel for their bandwidth, one for
 * the highest rates, or two at standard rates and one where a profile runs above the controller's rating.
 */
export const RANK_CHOICES = ['any', 'two', 'one', 'by-rate'] as const
export const RankChoice = z.enum(RANK_CHOICES)
export type RankChoice = z.infer<typeof RankChoice>
