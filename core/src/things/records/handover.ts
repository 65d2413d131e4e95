import { z } from 'zod'
import { DESTINATIONS } from './fit'
import type { Blank, KindOfRecord } from './kind'
import { LongText, OwnId, ShortText, Stored, Versioned } from './stored'
import { CurrencyCode } from './terms'

/** The parts of a customer's report, in the order they are read. */
export const SECTIONS = ['asked', 'found', 'done', 'gained', 'watch', 'next'] as const
export const Section = z.enum(SECTIONS)
export type Section = z.infer<typeof Section>

/** A stretch of a paragraph: words, or a figure of the record by its name, which nobody types. */
const WordingStretch = z.union([
  z.string().max(4000),
  z.strictObject({ figure: z.string().max(200) }),
])
export type WordingStretch = z.infer<typeof WordingStretch>
export const Paragraph = z.array(WordingStretch).max(200)
export type Paragraph = z.infer<typeof Paragraph>

export const PAYMENT_METHODS = ['cash', 'card', 'transfer'] as const

/** A sum received, or given back where it is below 0, in minor units. */
export const Payment = z.object({
  id: z.uuid(),
  amount: z.int().min(-100_000_000).max(100_000_000),
  method: z.enum(PAYMENT_METHODS),
  at: z.iso.datetime(),
  by: ShortText,
})
export type Payment = z.infer<typeof Payment>

/** What may stand open when a job is handed over. */
export const OPEN_POINTS = [
  'FITTING_OPEN',
  'DIFFERENT_SEEN',
  'UNSTEADY',
  'NOT_AS_AGREED',
  'NOT_VERIFIED',
  'NOT_SEEN',
  'SOAK_SHORT',
  'TEST_SHORT',
  'LOSS',
  'NOT_APPROVED',
  'UNPAID',
  'OLD_MODULE',
  'ACCESSORIES',
] as const
export const OpenPointCode = z.enum(OPEN_POINTS)
export type OpenPointCode = z.infer<typeof OpenPointCode>

const Months = z.int().min(0).max(240)
const Day = z.iso.date()

/** How long somebody stands by something, from a day to a day; `months` 0: not at all. */
export const WarrantyTerm = z.object({ months: Months, from: Day, until: Day })
export type WarrantyTerm = z.infer<typeof WarrantyTerm>

const PartFitted = z.object({
  slot: ShortText,
  text: ShortText,
  serial: ShortText,
  state: z.enum(['new', 'used', 'own', 'stayed']).nullable(),
  /** The shop's; null where it says nothing. */
  shop: WarrantyTerm.nullable(),
  /** Until when its maker or supplier stands by it; null where nobody noted it. */
  makerUntil: Day.nullable(),
})

/** The customer's report as it was signed: every word and figure of it. */
export const HandoverDocument = z.object({
  shopName: ShortText,
  address: z.string().max(500),
  customerName: ShortText,
  machineName: ShortText,
  serialNumber: ShortText,
  on: Day,
  sections: z
    .array(z.object({ section: Section, paragraphs: z.array(LongText).max(60) }))
    .max(SECTIONS.length),
  /** Slot by slot, soldered memory too: what was in it, and what is. */
  board: z
    .array(
      z.object({
        slot: ShortText,
        channel: ShortText,
        before: ShortText.nullable(),
        now: ShortText.nullable(),
        changed: z.boolean(),
      }),
    )
    .max(80),
  /** What it ran at and runs at; `seen` tells what was read off the machine from what was calculated. */
  runs: z
    .array(z.object({ what: ShortText, before: ShortText, now: ShortText, seen: z.boolean() }))
    .max(20),
  measured: z
    .array(
      z.object({
        test: ShortText,
        before: ShortText,
        now: ShortText,
        change: ShortText,
        forecast: ShortText,
      }),
    )
    .max(60),
  tests: z.array(ShortText).max(60),
  setup: z.array(z.object({ what: ShortText, found: ShortText, left: ShortText })).max(20),
  fitted: z.array(PartFitted).max(64),
  removed: z
    .array(z.object({ text: ShortText, serial: ShortText, to: z.enum(DESTINATIONS).nullable() }))
    .max(64),
  work: WarrantyTerm.nullable(),
  currency: CurrencyCode,
  /** Null where nothing was agreed on. */
  toPay: z.int().nullable(),
  paid: z.int(),
  accessories: z.array(ShortText).max(30),
  /** What stood open, and why it was handed over all the same. */
  open: z
    .array(
      z.object({
        code: OpenPointCode,
        text: LongText,
        reason: z.string().trim().min(1, 'Say why it is handed over all the same.').max(300),
      }),
    )
    .max(OPEN_POINTS.length),
})
export type HandoverDocument = z.infer<typeof HandoverDocument>

/** Who received the machine back in order, when, and who of the shop handed it over. */
export const SignOff = z.object({
  name: z.string().trim().min(1, 'Who signs for it?').max(120),
  at: z.iso.datetime(),
  by: ShortText,
  /** A signature drawn by hand, as a picture in the text form of an address; null without one. */
  drawn: z
    .string()
    .startsWith('data:image/png;base64,', 'A drawn signature is a PNG picture.')
    .max(120_000)
    .nullable(),
})
export type SignOff = z.infer<typeof SignOff>

export const Collected = z.object({
  name: z.string().trim().min(1, 'Who collects it?').max(120),
  at: z.iso.datetime(),
  by: ShortText,
})
export type Collected = z.infer<typeof Collected>

const fields = {
  /** The report in the shop's own words, part by part; a part that is left out is written from the record. */
  wording: z.partialRecord(Section, z.array(Paragraph).max(60)),
  payments: z.array(Payment).max(100),
  /** Accessories given back, by what they are called. */
  returned: z.array(ShortText).max(30),
  /** What was set in the BIOS/UEFI setup when the machine came, by what it is called; left out where nobody noted it. */
  setupFound: z.record(z.string().max(60), ShortText),
  /** Why it is handed over in spite of what stands open. */
  reasons: z.partialRecord(OpenPointCode, z.string().max(300)),
}

export const HandoverChange = z.object(fields).partial()
export type HandoverChange = z.infer<typeof HandoverChange>

/** A sign-off comes with its document, which is kept from then on. */
export const HandoverPatch = Versioned.extend(HandoverChange.shape)
  .extend({
    signed: SignOff.optional(),
    document: HandoverDocument.optional(),
    collected: Collected.optional(),
  })
  .superRefine(({ signed, document }, context) => {
    if ((signed === undefined) !== (document === undefined)) {
      context.addIssue({
        code: 'custom',
        path: [document ? 'signed' : 'document'],
        message: 'A sign-off and its report come together.',
      })
    }
  })
export type HandoverPatch = z.infer<typeof HandoverPatch>

export const NewHandover = OwnId.extend({ jobId: z.uuid(), ...HandoverChange.shape })
export type NewHandover = z.input<typeof NewHandover>

/** How a job ends: its report, what was paid and given back, who signed and who collected. One a job, under its id. */
export const Handover = Stored.extend({
  jobId: z.uuid(),
  ...fields,
  signed: SignOff.nullable(),
  document: HandoverDocument.nullable(),
  collected: Collected.nullable(),
})
export type Handover = z.infer<typeof Handover>

/** A job nobody has begun to hand over. */
const BLANK: Blank<Handover> = {
  wording: {},
  payments: [],
  returned: [],
  setupFound: {},
  reasons: {},
  signed: null,
  document: null,
  collected: null,
}

export const HANDOVERS = {
  record: 'handover',
  displayName: 'the hand over',
  inJob: 'at-most-one',
  shownIn: ['jobs'],
  createSchema: NewHandover,
  updateSchema: HandoverPatch,
  stored: Handover,
  blank: BLANK,
  entries: ['wording', 'payments', 'returned', 'setupFound', 'reasons'],
} as const satisfies KindOfRecord
