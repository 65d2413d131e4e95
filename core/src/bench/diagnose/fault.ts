import { type CauseTable, known } from '../../things/model'

export { CauseTable, STARTING_CAUSES, USUAL_CAUSES } from '../../things/model'

/** How a fault shows: nothing starts, its slot is not seen, or errors under test. */
export type Way = 'stops' | 'missing' | 'errors'

/** How often a fault shows: always, or each time with this chance. */
export const SHOWS = [1, 0.9, 0.7, 0.5, 0.3] as const
export type Shows = (typeof SHOWS)[number]

/** Something that can be wrong, and how it shows. */
export type FaultCause =
  | { kind: 'MODULE'; module: string; way: Way }
  | { kind: 'SLOT'; slot: string; way: Way }
  /** The module in this slot is not home. */
  | { kind: 'SEAT'; slot: string; way: Way }
  /** Two modules that do not work together. */
  | { kind: 'PAIR'; modules: [string, string]; way: Way }
  /** With the memory profile on and more modules in than this. */
  | { kind: 'PROFILE'; above: number; way: Way }
  /** The board wants its preferred slots filled first. */
  | { kind: 'ORDER'; way: Way }
  /** The board cannot take more modules than this together. */
  | { kind: 'LIMIT'; above: number; way: Way }
  /** Values in the setup, until it is cleared. */
  | { kind: 'SETUP'; way: Way }
  /** The first start was not given the time that training takes. */
  | { kind: 'TRAINING'; way: Way }
  /** Not the memory: board, processor, power; whatever is in. */
  | { kind: 'MACHINE'; way: Way }
  /** No fault left, or never one. */
  | { kind: 'NOTHING' }

/**
 * A cause that may come and go, and may show only when warm: under a test, or in a start right after one. `cured` is
 * one that was there and has been put right since.
 */
export type Fault = FaultCause & { shows: Shows; onlyWarm: boolean; cured: boolean }

/** One that always shows. */
export const always = (cause: FaultCause): Fault => ({
  ...cause,
  shows: 1,
  onlyWarm: false,
  cured: false,
})

/** What the suspicion is said to be: a part with its name. */
export function suspectOf(fault: FaultCause): string {
  switch (fault.kind) {
    case 'MODULE':
      return `module ${fault.module}`
    case 'SLOT':
      return `slot ${fault.slot}`
    case 'SEAT':
      return `seat ${fault.slot}`
    case 'PAIR':
      return `pair ${fault.modules.join(' ')}`
    default:
      return fault.kind.toLowerCase()
  }
}

export type Shared = Exclude<keyof CauseTable, 'two' | 'intermittent'>

/** How each kind of fault shows, by how often. */
export const WAYS = known(
  {
    moduleDead: { stops: 0.4, missing: 0.6, errors: 0 },
    moduleWeak: { stops: 0, missing: 0, errors: 1 },
    slot: { stops: 0.3, missing: 0.6, errors: 0.1 },
    seat: { stops: 0.3, missing: 0.68, errors: 0.02 },
    pair: { stops: 0.2, missing: 0, errors: 0.8 },
    profile: { stops: 0.3, missing: 0, errors: 0.7 },
    order: { stops: 0.6, missing: 0.4, errors: 0 },
    limit: { stops: 0.4, missing: 0.6, errors: 0 },
    setup: { stops: 0.75, missing: 0, errors: 0.25 },
    training: { stops: 1, missing: 0, errors: 0 },
    machine: { stops: 0.7, missing: 0.05, errors: 0.25 },
  } satisfies Record<Shared, Record<Way, number>>,
  'A judgement: a module or slot without contact is skipped by most boards and stops some; what trains but runs at its edge shows as errors in a test; what no start gets past stops all of them.',
)

/** Shares of faults that show otherwise than always and from cold. */
export const MANNERS = known(
  {
    /** Of profiles that are not stable, those that fail only with more than so many modules, all counts together. */
    profileOfMany: 0.4,
    /** Only when warm: nobody knows when it comes; it was said to come only when warm; it was seen from cold. */
    onlyWarm: { unknown: 0.06, yes: 0.97, no: 0.001 },
  },
  'A judgement: more modules load the controller, so that a profile which holds with one may fail with all; warm memory fails first, but most faults after an upgrade are there from cold. A customer’s word on warmth is taken, not sworn by.',
)

/** How much rarer or commoner a cause is where nothing was fitted just before. */
export const LATER = known(
  {
    seat: 0.15,
    training: 0.02,
    setup: 0.5,
    order: 0.1,
    limit: 0.1,
    machine: 3,
  } satisfies Partial<Record<Shared, number>>,
  'A judgement: what hands did at a fitting shows at the fitting; a machine that ran for months before has been seated, trained and allowed for. What ages is left: modules, contacts, board and power.',
)
