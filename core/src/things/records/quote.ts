import { z } from 'zod'
import { Manual } from '../model'
import { Assignment } from './assignment'
import type { KindOfRecord } from './kind'
import { LongText, Money, OwnId, ShortText, Stored, Versioned } from './stored'
import { CurrencyCode } from './terms'

/** The most options a quote offers. */
export const OPTIONS_AT_MOST = 3

/** Spends other than memory that a quote can offer. */
export const OTHER_SPENDS = ['disk', 'cooling', 'repair', 'nothing'] as const
export const OtherSpend = z.enum(OTHER_SPENDS)
export type OtherSpend = z.infer<typeof OtherSpend>

const Extra = z.object({
  id: z.uuid(),
  text: z.string().trim().max(200),
  amount: z.int().min(-100_000_000).max(100_000_000),
})
export type Extra = z.infer<typeof Extra>

/**
 * One plan offered: `wording` and `minutes` null where the calculated ones stand; `credits` by module,
 * in minor units, for old modules the shop takes.
 */
export const QuoteOption = z.object({
  id: z.uuid(),
  planId: z.uuid(),
  title: z.string().trim().max(80),
  wording: LongText.nullable(),
  minutes: z.int('Whole minutes.').min(0).max(6000).nullable(),
  credits: z.record(z.uuid(), Money),
  extras: z.array(Extra).max(10),
  /** Set where the option is no change of memory: its parts are further lines, its plan leaves the slots as found. */
  other: OtherSpend.optional(),
  /** Number of the job whose warranty covers it, so that nothing is charged; left out where it is charged. */
  underWarranty: z.int().positive().optional(),
})
export type QuoteOption = z.infer<typeof QuoteOption>

/** A line of a quote as printed: `amount` in minor units for all of `quantity`. */
const Line = z.object({
  kind: z.enum(['part', 'labour', 'extra', 'credit']),
  text: ShortText,
  quantity: z.int().min(0),
  amount: z.int(),
})

/** An option as the customer sees it, with all its figures. */
export const QuotedOption = z.object({
  id: z.uuid(),
  title: ShortText,
  wording: LongText,
  lines: z.array(Line).max(60),
  net: z.int(),
  tax: z.int(),
  total: z.int(),
  credit: z.int().min(0),
  /** What is left to pay once old modules are set off. */
  toPay: z.int(),
  deposit: z.int().min(0),
  /** For how many like machines; absent where it is for one, on documents of before there were several. */
  machines: z.int().positive().optional(),
  /** Minutes of work, for each machine; absent on documents of before they were kept. */
  minutes: z.int().min(0).nullable().optional(),
  other: OtherSpend.optional(),
  placement: Assignment,
  profile: z.boolean(),
  /** Values set by hand; absent on documents of before they were kept. */
  manual: Manual.nullable().optional(),
})
export type QuotedOption = z.infer<typeof QuotedOption>

/** The whole quote as printed. */
export const QuoteDocument = z.object({
  shopName: ShortText,
  address: z.string().max(500),
  customerName: ShortText,
  machineName: ShortText,
  currency: CurrencyCode,
  taxPercent: z.number(),
  pricesIncludeTax: z.boolean(),
  validUntil: z.iso.date(),
  note: LongText,
  returnTerms: LongText,
  options: z.array(QuotedOption).min(1).max(OPTIONS_AT_MOST),
})
export type QuoteDocument = z.infer<typeof QuoteDocument>

/** Who agreed to which option, when, and who of the shop was told. */
export const Approval = z.object({
  name: z.string().trim().min(1, 'Who approves it?').max(120),
  optionId: z.uuid(),
  at: z.iso.datetime(),
  takenBy: ShortText,
})
export type Approval = z.infer<typeof Approval>

/** When a version was given to the customer, and by whom; its document is kept from then on. */
export const OfferedOn = z.object({ at: z.iso.datetime(), by: ShortText })
export type OfferedOn = z.infer<typeof OfferedOn>

/** How a version came to nothing: the customer said no, or it was taken back. */
export const Ended = z.object({
  as: z.enum(['declined', 'withdrawn']),
  at: z.iso.datetime(),
  by: ShortText,
  why: z.string().trim().max(500),
})
export type Ended = z.infer<typeof Ended>

const fields = {
  options: z.array(QuoteOption).max(OPTIONS_AT_MOST),
  depositPercent: z.number().min(0, 'Not below 0.').max(100, 'Not over 100.').nullable(),
  validUntil: z.iso.date('This is no date.').nullable(),
  note: LongText,
}

export const NewQuote = OwnId.extend({
  jobId: z.uuid(),
  options: fields.options.default([]),
  depositPercent: fields.depositPercent.default(null),
  validUntil: fields.validUntil.default(null),
  note: fields.note.default(''),
})
export type NewQuote = z.input<typeof NewQuote>

export const QuoteChange = z.object(fields).partial()
export type QuoteChange = z.infer<typeof QuoteChange>

/** An offer comes with its document, which is kept from then on; so does an approval of what was still a draft. */
export const QuotePatch = Versioned.extend(QuoteChange.shape)
  .extend({
    offered: OfferedOn.optional(),
    approval: Approval.optional(),
    ended: Ended.optional(),
    document: QuoteDocument.optional(),
  })
  .superRefine(({ offered, document }, context) => {
    if ((offered === undefined) !== (document === undefined)) {
      context.addIssue({
        code: 'custom',
        path: [document ? 'offered' : 'document'],
        message: 'An offer and its document come together.',
      })
    }
  })
export type QuotePatch = z.infer<typeof QuotePatch>

/**
 * What a job is offered for. `number` counts the job's quotes. `document` is what was offered; once there
 * is one, the version stays as it is.
 */
export const Quote = Stored.extend({
  ...fields,
  jobId: z.uuid(),
  number: z.int().positive(),
  offered: OfferedOn.nullable(),
  approval: Approval.nullable(),
  ended: Ended.nullable(),
  document: QuoteDocument.nullable(),
})
export type Quote = z.infer<typeof Quote>

export const QUOTES = {
  record: 'quote',
  displayName: 'the quote',
  inJob: 'many',
  shownIn: ['jobs'],
  createSchema: NewQuote,
  updateSchema: QuotePatch,
  stored: Quote,
  blank: {
    options: [],
    depositPercent: null,
    validUntil: null,
    note: '',
    number: 0,
    offered: null,
    approval: null,
    ended: null,
    document: null,
  },
  entries: ['options'],
} as const satisfies KindOfRecord
