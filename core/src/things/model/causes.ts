import { z } from 'zod'
import { known } from './known'

const Weight = z
  .number('A figure.')
  .min(0.01, 'Must be greater than 0.')
  .max(10_000, 'At most 10,000.')

const CAUSES = {
  seat: 60,
  moduleDead: 8,
  moduleWeak: 5,
  slot: 3,
  pair: 1,
  profile: 12,
  order: 6,
  limit: 3,
  setup: 8,
  training: 10,
  machine: 5,
  intermittent: 0.15,
  two: 0.02,
}

/**
 * How often each cause is behind trouble after an upgrade, for each place it could be at, before
 * anything is tried. The shop’s to edit. Tables of before setup, training and the machine were in them
 * take what is usual.
 */
export const CauseTable = z.object({
  seat: Weight,
  moduleDead: Weight,
  moduleWeak: Weight,
  slot: Weight,
  pair: Weight,
  profile: Weight,
  order: Weight,
  limit: Weight,
  setup: Weight.default(CAUSES.setup),
  training: Weight.default(CAUSES.training),
  machine: Weight.default(CAUSES.machine),
  /** The share of faults that come and go. */
  intermittent: z.number().min(0, 'From 0.').max(0.9, 'At most 0.9.').default(CAUSES.intermittent),
  two: z.number().min(0, 'From 0.').max(1, 'At most 1.'),
})
export type CauseTable = z.infer<typeof CauseTable>

export const USUAL_CAUSES = known<CauseTable>(
  CAUSES,
  'A judgement, not a count: after a fitting most apparent failures are seating; of the rest a module that is dead on arrival or fails under test is commoner than a worn slot; pairs and limits are rarer than both. A setup full of old values, a first start cut short and a board that is at fault itself look the same at first. The weights are the shop’s to set by its own cases.',
)
export const STARTING_CAUSES = USUAL_CAUSES.value

/** What is done before a start: the setup back to its defaults, all the time training takes, contacts cleaned, connectors pressed home. */
export const ACTIONS = ['clear-setup', 'wait', 'clean', 'connect'] as const
export type Action = (typeof ACTIONS)[number]

/** What may be accepted with a reason in place of being seen as planned. */
export const ACCEPTABLE = ['speed', 'channels', 'loss'] as const
export type Acceptable = (typeof ACCEPTABLE)[number]
