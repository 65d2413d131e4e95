import { z } from 'zod'
import { FIGURE_SORTS } from './scatter'

const Run = z.number('A run is a number.').positive('A run is above 0.').max(1e12)

const SessionShape = z.object({
  at: z.iso.datetime({ offset: true }).nullable().default(null),
  runs: z.array(Run).min(1, 'A session has a run at least.').max(1000),
})

const Deviation = z.number().min(0, 'Not below 0.').max(1, 'At most 1, which is 100 %.')

/** The shape of `POST /api/v1/compare`. */
export const CompareShape = z.object({
  better: z.enum(['higher', 'lower']),
  before: z.array(SessionShape).max(50),
  after: z.array(SessionShape).max(50),
  quantum: z.number().positive('A step is above 0.').max(1e12).nullable().default(null),
  worthwhile: z.number().min(0, 'Not below 0.').max(10).default(0.03),
  figure: z.enum(FIGURE_SORTS).default('average'),
  shop: z.object({ withinSd: Deviation, sessionSd: Deviation }).nullable().default(null),
})
