import { z } from 'zod'
import { BOUNDS } from '../../things/model'
import { DISKS_PAGED } from './assumed'
import { WORKS } from './works'

const Positive = z.number('A number.').positive('Must be greater than 0.').max(1_000_000)

const Share = z.number('A number.').min(0, 'Not below 0.').max(1, 'At most 1.')

/** A need through low, likely and high, GiB. */
export const NeedRange = z
  .object({ low: Positive, likely: Positive, high: Positive })
  .refine(({ low, likely, high }) => low <= likely && likely <= high, {
    error: 'low, likely and high must rise.',
    path: ['likely'],
  })

export const MemoryStateShape = z.object({
  peakGBs: Positive,
  /** Shares of channels whose modules are organised so; left out where nobody knows. */
  organisation: z.object({ halfGroups: Share, twoRanks: Share }).optional(),
  firstWordNs: Positive,
  usableGiB: Positive,
})

/** The shape of `POST /api/v1/forecast`. */
export const ForecastShape = z.object({
  uses: z
    .array(
      z.object({
        work: z.enum(WORKS),
        weight: z.number().min(0, 'Not below 0.').max(1_000_000),
        need: NeedRange.nullable().default(null),
        bound: z.enum(BOUNDS).nullable().optional(),
      }),
    )
    .min(1, 'At least one use.')
    .max(60)
    .refine((uses) => uses.some(({ weight }) => weight > 0), {
      error: 'At least one use needs a weight above 0.',
    }),
  before: MemoryStateShape,
  after: MemoryStateShape,
  disk: z.enum(DISKS_PAGED),
  log: z
    .object({ pagingShare: z.number().min(0).max(0.99).nullable() })
    .nullable()
    .default(null),
  /** What was measured, each with its own change; left out: the shop's own results. */
  results: z
    .array(
      z.object({
        work: z.enum(WORKS),
        before: MemoryStateShape,
        after: MemoryStateShape,
        ratio: z.number('A number.').min(0.01, 'Must be greater than 0.').max(100),
        sd: z.number('A number.').min(0, 'Not below 0.').max(3),
      }),
    )
    .max(1000)
    .optional(),
})
