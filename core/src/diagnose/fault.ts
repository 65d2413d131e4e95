import { z } from 'zod'
import { known } from '../model'

/** How a fault shows, the same each time: nothing starts, its slot is not seen, or errors under test. */
export type Way = 'stops' | 'missing' | 'errors'

/** Something that can be wrong, and how it shows. */
export type Fault =
  | { kind: 'MODULE'; module: string; way: Way }
  | { kind: 'SLOT'; slot: string; way: Way }
  /** The module in this slot is not home. */
  | { kind: 'SEAT'; slot: string; way: Way }
  /** It was not home, and was seated since. */
  | { kind: 'SEAT_CURED'; slot: string }
  /** Two modules that do not work together. */
  | { kind: 'PAIR'; modules: [string, string]; way: Way }
  | { kind: 'PROFILE'; way: Way }
  /** The board wants its preferred slots filled first. */
  | { kind: 'ORDER'; way: Way }
  /** The board cannot take all of it together. */
  | { kind: 'LIMIT'; way: Way }

/** What the suspicion is said to be: a part with its name. */
export function partOf(fault: Fault): string {
  switch (fault.kind) {
    case 'MODULE':
      return `module ${fault.module}`
    case 'SLOT':
      return `slot ${fault.slot}`
    case 'SEAT':
    case 'SEAT_CURED':
      return `seat ${fault.slot}`
    case 'PAIR':
      return `pair ${fault.modules.join(' ')}`
    default:
      return fault.kind.toLowerCase()
  }
}

const Weight = z.number('A figure.').min(0.01, 'Above 0.').max(10_000, 'At most 10,000.')

/**
 * How often each cause is behind trouble after an upgrade, for each place it could be at, before
 * anything is tried. The shop’s to edit.
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
  two: z.number().min(0, 'From 0.').max(1, 'At most 1.'),
})
export type CauseTable = z.infer<typeof CauseTable>

const CAUSES: CauseTable = {
  seat: 60,
  moduleDead: 8,
  moduleWeak: 5,
  slot: 3,
  pair: 1,
  profile: 12,
  order: 6,
  limit: 3,
  two: 0.02,
}

export const USUAL_CAUSES = known(
  CAUSES,
  'Nine in ten seeming failures are seating; of the rest a module that is dead on arrival or fails under test is commoner than a worn slot; pairs and limits are rarer than both.',
)
export const STARTING_CAUSES = USUAL_CAUSES.value

/** How each kind of fault shows, by how often. */
export const WAYS = {
  moduleDead: { stops: 0.4, missing: 0.6, errors: 0 },
  moduleWeak: { stops: 0, missing: 0, errors: 1 },
  slot: { stops: 0.3, missing: 0.6, errors: 0.1 },
  seat: { stops: 0.3, missing: 0.68, errors: 0.02 },
  pair: { stops: 0.2, missing: 0, errors: 0.8 },
  profile: { stops: 0.3, missing: 0, errors: 0.7 },
  order: { stops: 0.6, missing: 0.4, errors: 0 },
  limit: { stops: 0.4, missing: 0.6, errors: 0 },
} satisfies Record<Exclude<keyof CauseTable, 'two'>, Record<Way, number>>
