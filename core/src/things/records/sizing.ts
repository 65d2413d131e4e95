import { z } from 'zod'
import { ChosenUse, COMPLAINTS, DISKS, LimitGiB } from '../model'
import { ShortText } from './stored'

const Amount = z.number().min(0).max(65_536)
const Share = z.number().min(0).max(1)

/** A memory log as it was imported: what it says, and how much was fitted while it ran. */
export const LoggedUse = z.object({
  name: ShortText,
  installedGiB: LimitGiB,
  count: z.int().positive(),
  spanSeconds: z.number().min(0).nullable(),
  peakGiB: Amount,
  p99GiB: Amount,
  tightShare: z.number().min(0).max(1),
  cutOff: z.boolean(),
  pagingShare: z.number().min(0).max(0.99).nullable().default(null),
  /** Shares of the time: the card’s own memory full, the card at full load, the card waiting. */
  card: z
    .object({ full: Share.nullable(), busy: Share.nullable(), waits: Share.nullable() })
    .nullable()
    .optional(),
})
export type LoggedUse = z.infer<typeof LoggedUse>

/** A log taken while one use was done. */
export const LogOfUse = LoggedUse.extend({ use: z.string().max(40) })
export type LogOfUse = z.infer<typeof LogOfUse>

/** How much memory a job needs, and what that rests on. */
export const Sizing = z.object({
  uses: z.array(ChosenUse).max(60),
  /** Null where nobody has asked. */
  integratedGraphics: z.boolean().nullable(),
  /** Main memory given to graphics in the setup, GiB; null where the value stays as it is. */
  graphicsGiB: z
    .number('GB.')
    .positive('More than 0.')
    .max(128, 'At most 128.')
    .nullable()
    .default(null),
  /** Whether the memory profile was on as the machine came in; null where nobody has looked. */
  profileOn: z.boolean().nullable().default(null),
  disk: z.enum(DISKS),
  slow: z.array(z.enum(COMPLAINTS)).max(COMPLAINTS.length),
  /** Of the working day, whatever was done. */
  log: LoggedUse.nullable(),
  /** Of single uses, at most one of each. */
  useLogs: z.array(LogOfUse).max(20).default([]),
  /** Slots that are to stay empty for later. */
  freeSlots: z.int('Whole slots.').min(0, 'From 0.').max(64).default(0),
  /** Only what is on the maker's list of tested modules may be planned. */
  onlyListed: z.boolean().default(false),
  /** How many years the machine must still serve; null where nobody has said. */
  years: z.int('Whole years.').min(0, 'From 0.').max(15, 'At most 15.').nullable().default(null),
  /** The usable memory that must be available; null where the calculation decides. */
  wantedGiB: LimitGiB.nullable(),
})
export type Sizing = z.infer<typeof Sizing>

export const NOTHING_SIZED: Sizing = {
  uses: [],
  integratedGraphics: null,
  graphicsGiB: null,
  profileOn: null,
  disk: 'unknown',
  slow: [],
  log: null,
  useLogs: [],
  freeSlots: 0,
  onlyListed: false,
  years: null,
  wantedGiB: null,
}
