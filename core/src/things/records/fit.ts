import { z } from 'zod'
import { Battery, InTheWay, TestFrom } from '../model'
import { Assignment } from './assignment'
import type { Blank, KindOfRecord } from './kind'
import { ScrewPin } from './screwPin'
import { LongText, Money, OwnId, ShortText, Stored, Versioned } from './stored'

/** A step done (or a caution read), or left out with a reason; when, and by whom. */
export const Tick = z
  .object({
    state: z.enum(['done', 'skipped']),
    at: z.iso.datetime(),
    by: ShortText,
    reason: ShortText.default(''),
  })
  .refine(({ state, reason }) => state === 'done' || reason !== '', {
    error: 'Say why it is left out.',
    path: ['reason'],
  })
export type Tick = z.infer<typeof Tick>

export const DESTINATIONS = ['customer', 'shelf', 'recycling'] as const
export const Destination = z.enum(DESTINATIONS)
export type Destination = z.infer<typeof Destination>

/** Where a removed module went; `shelfId` is the piece it becomes on the shelf. */
export const Removed = z.object({
  to: Destination,
  shelfId: z.uuid(),
  price: Money.nullable().default(null),
})
export type Removed = z.infer<typeof Removed>

/** A planned module that was found bad: its slot, and why another took its place. */
export const Replaced = z.object({
  id: z.uuid(),
  /** Count of times that the fitting was taken up again; 0 while the first one goes on. */
  round: z.int().min(0),
  slot: ShortText,
  moduleId: z.uuid(),
  unit: z.int().min(0).max(63),
  serial: ShortText,
  /** Fault, and how it was found. */
  why: LongText,
  at: z.iso.datetime(),
  by: ShortText,
})
export type Replaced = z.infer<typeof Replaced>

const fields = {
  static: z.enum(['strap', 'touch']),
  /** Whether an all-in-one's slots are behind a hatch, and how a laptop's battery is cut off; null: nobody has said. */
  hatch: z.boolean().nullable(),
  battery: Battery.nullable(),
  inTheWay: z.array(InTheWay).max(2),
  /** Source of memory tests in this fitting; null for the shop's usual one. */
  testFrom: TestFrom.nullable(),
  ticks: z.record(z.string().max(300), Tick),
  note: LongText,
  /** Seconds at work until now, and since when the clock runs; null while it stands. */
  seconds: z.int().min(0).max(1_000_000),
  runningSince: z.iso.datetime().nullable(),
  screws: z.array(ScrewPin).max(120),
  screwPhotoId: z.uuid().nullable(),
  /** Screws back in their holes, by pin, and how many are left on the tray by length in mm. */
  screwsBack: z.array(z.string().max(60)).max(120),
  screwsLeft: z.record(z.string().max(8), z.int().min(0).max(120)).nullable(),
  /** Serial numbers by module and unit: `moduleId unit`. */
  serials: z.record(z.string().max(60), ShortText),
  removed: z.record(z.uuid(), Removed),
  /** Parts of suppliers that are here though no order stands for them, each `moduleId unit`. */
  hereWithoutOrder: z.array(z.string().max(60)).max(64),
  /** Planned modules that were found bad and replaced before the hand over, in their order. */
  replaced: z.array(Replaced).max(64),
}

export const FitChange = z.object(fields).partial()
export type FitChange = z.infer<typeof FitChange>

/**
 * `finished` ends the fitting: shelf pieces leave the shelf, removed ones come to it. `goesOn` takes a finished one up
 * again, for a module that is replaced.
 */
export const FitPatch = Versioned.extend(FitChange.shape).extend({
  finished: z.literal(true).optional(),
  goesOn: z.literal(true).optional(),
})

/** A job's fitting has the job's id: there is one. */
export const NewFit = OwnId.extend({ jobId: z.uuid(), ...FitChange.shape })
export type NewFit = z.input<typeof NewFit>

/** The work at the bench on a job: what was done when, screws, serial numbers, where old modules went. */
export const Fit = Stored.extend({
  jobId: z.uuid(),
  ...fields,
  finishedAt: z.iso.datetime().nullable(),
  /** Slots as the fitting left them when it was last finished; null before. */
  fittedAs: Assignment.nullable(),
})
export type Fit = z.infer<typeof Fit>

/** A fitting nobody has begun. */
const BLANK: Blank<Fit> = {
  static: 'strap',
  hatch: null,
  battery: null,
  inTheWay: [],
  testFrom: null,
  ticks: {},
  note: '',
  seconds: 0,
  runningSince: null,
  screws: [],
  screwPhotoId: null,
  screwsBack: [],
  screwsLeft: null,
  serials: {},
  removed: {},
  hereWithoutOrder: [],
  replaced: [],
  finishedAt: null,
  fittedAs: null,
}

export const FITS = {
  record: 'fit',
  displayName: 'the work at the bench',
  inJob: 'at-most-one',
  shownIn: ['jobs'],
  createSchema: NewFit,
  updateSchema: FitPatch,
  stored: Fit,
  blank: BLANK,
  entries: ['ticks', 'screws', 'screwsBack', 'serials', 'removed', 'hereWithoutOrder', 'replaced'],
} as const satisfies KindOfRecord
