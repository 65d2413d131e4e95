import { z } from 'zod'
import { Battery, InTheWay, TestFrom } from '../model'
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
}

export const FitChange = z.object(fields).partial()
export type FitChange = z.infer<typeof FitChange>

/** `finished` ends the fitting: shelf pieces leave the shelf, removed ones come to it. */
export const FitPatch = Versioned.extend(FitChange.shape).extend({
  finished: z.literal(true).optional(),
})

/** A job's fitting has the job's id: there is one. */
export const NewFit = OwnId.extend({ jobId: z.uuid(), ...FitChange.shape })
export type NewFit = z.input<typeof NewFit>

/** The work at the bench on a job: what was done when, screws, serial numbers, where old modules went. */
export const Fit = Stored.extend({
  jobId: z.uuid(),
  ...fields,
  finishedAt: z.iso.datetime().nullable(),
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
  finishedAt: null,
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
  entries: ['ticks', 'screws', 'screwsBack', 'serials', 'removed'],
} as const satisfies KindOfRecord
