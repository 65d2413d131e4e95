import { z } from 'zod'
import { CauseTable, Policy, UseTable } from '../model'
import { Templates } from './message'
import { Stored, Versioned } from './stored'
import { Terms } from './terms'

/** Somebody who works in the shop; `bench` where they fit and repair, `owner` where they see what things cost. */
export const Person = z.object({
  id: z.uuid(),
  name: z.string().trim().min(1, 'A name.').max(80),
  owner: z.boolean(),
  bench: z.boolean(),
})
export type Person = z.infer<typeof Person>

const Time = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time, such as 9:00.')

/** From when to when the shop is open on a day. */
export const OpenHours = z
  .object({ from: Time, to: Time })
  .refine(({ from, to }) => from < to, { error: 'It closes after it opens.', path: ['to'] })

/** The week from Monday on; null for a day on which the shop is closed. */
export const Week = z.array(OpenHours.nullable()).length(7)
export type Week = z.infer<typeof Week>

/** How forecasts learn from the shop's results: whether, from when on, and which of them somebody ruled on. */
export const Learning = z.object({
  on: z.boolean(),
  /** Results of before do not count; null for all. */
  since: z.iso.datetime().nullable(),
  /** By result: it counts however unlike the others it is, or not at all. */
  rulings: z.record(z.string().max(300), z.boolean()),
})
export type Learning = z.infer<typeof Learning>

export const STARTING_LEARNING: Learning = { on: true, since: null, rulings: {} }

const fields = {
  uses: UseTable,
  policy: Policy,
  terms: Terms,
  causes: CauseTable,
  people: z.array(Person).max(60),
  /** Null where nobody has said when the shop is open. */
  hours: Week.nullable(),
  templates: Templates,
  learning: Learning,
  /** A picture of the shop's own for its papers, in the text form of an address; null without one. */
  logo: z
    .string()
    .regex(/^data:image\/(png|jpeg);base64,[A-Za-z0-9+/=]+$/, 'A PNG or JPEG picture.')
    .max(400_000, 'At most 300 kB.')
    .nullable(),
}

export const ShopPatch = Versioned.extend(z.object(fields).partial().shape)

/** What the shop has settled for all its jobs: its table of uses, the policy it buys by, its terms, how often it meets each cause of trouble, who works there and when, and what it writes to customers. */
export const Shop = Stored.extend(fields)
export type Shop = z.infer<typeof Shop>

/** Whether somebody of this name sees what parts cost and what is left: owners do, and everybody where no owner is named. */
export const seesCosts = (
  people: readonly Pick<Person, 'name' | 'owner'>[],
  name: string,
): boolean =>
  !people.some(({ owner }) => owner) ||
  people.some((one) => one.owner && one.name.toLowerCase() === name.trim().toLowerCase())
