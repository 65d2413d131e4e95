import { z } from 'zod'
import { MACHINE_KINDS, RankChoice, TestFrom } from '../model'
import { CURRENCIES, type Currency } from './currencies'
import { LongText, Money } from './stored'

export const CurrencyCode = z.enum(Object.keys(CURRENCIES) as [Currency, ...Currency[]])

const Minutes = z.int('Whole minutes.').min(0).max(1440)
const Percent = z.number().min(0, 'Not below 0.').max(100, 'Not over 100.')

/** Minutes of work: opening and closing by machine kind, then what comes with the work itself. */
export const LabourTable = z.object({
  open: z.record(z.enum(MACHINE_KINDS), Minutes),
  /** An all-in-one whose slots are behind its display. */
  display: Minutes.default(90),
  battery: Minutes,
  module: Minutes,
  firstStart: Minutes,
  profile: Minutes,
  stability: Minutes,
})
export type LabourTable = z.infer<typeof LabourTable>

const Months = z.int('Whole months.').min(0).max(240).nullable()

/** How many months the shop stands by what it sells and does; null where it says nothing. The law may ask for more. */
export const Warranty = z.object({ newParts: Months, usedParts: Months, work: Months })
export type Warranty = z.infer<typeof Warranty>

const NO_WARRANTY: Warranty = { newParts: null, usedParts: null, work: null }

export const PAPERS = ['A4', 'Letter'] as const
export type PaperSize = (typeof PAPERS)[number]

/** A label of the shop’s label printer, in millimetres. */
export const LabelSize = z.object({
  width: z.number('Millimetres.').min(25, 'At least 25.').max(210, 'At most 210.'),
  height: z.number('Millimetres.').min(15, 'At least 15.').max(297, 'At most 297.'),
})
export type LabelSize = z.infer<typeof LabelSize>

export const DATE_FORMATS = ['day first', 'month first', 'year first'] as const
export type DateFormat = (typeof DATE_FORMATS)[number]

/** What the shop charges and promises: amounts in minor units, shares in per cent. */
export const Terms = z.object({
  shopName: z.string().trim().max(120),
  address: z.string().max(500),
  currency: CurrencyCode,
  hourlyRate: Money,
  taxPercent: Percent,
  /** Whether prices and the hourly rate hold the tax already. */
  pricesIncludeTax: z.boolean(),
  depositPercent: Percent,
  /** What an old module is taken for, of what one like it is sold for. */
  creditPercent: Percent,
  validDays: z.int('Whole days.').min(1, 'At least a day.').max(365, 'At most a year.'),
  returnTerms: LongText,
  /** The shop's rule: how long every fitted machine is tested; null where it has none. */
  testHours: z.number('Hours.').positive('More than 0 hours.').max(240).nullable().default(null),
  /** The most that a soak test may take, in hours; null for no limit. */
  soakHours: z.number('Hours.').positive('More than 0 hours.').max(240).nullable().default(8),
  /** Usual source of memory tests. */
  testFrom: TestFrom.default('medium'),
  /** Ranks preferred among options that gain alike. */
  ranks: RankChoice.default('any'),
  /** New jobs plan only what the maker's list names, until a job says otherwise. */
  onlyListed: z.boolean().default(false),
  warranty: Warranty.default(NO_WARRANTY),
  labour: LabourTable,
  /** What the shop’s printer takes. */
  paper: z.enum(PAPERS).default('A4'),
  /** What the shop’s label printer takes; null where labels are printed on sheets of paper. */
  label: LabelSize.nullable().default(null),
  /** How dates are written, and read between strokes. */
  dateFormat: z.enum(DATE_FORMATS).default('day first'),
})
export type Terms = z.infer<typeof Terms>

/** Figures to start from, to be made the shop's own: a hatch is ten minutes, a glued display is not. */
export const STARTING_TERMS: Terms = {
  shopName: '',
  address: '',
  currency: 'EUR',
  hourlyRate: 6000,
  taxPercent: 20,
  pricesIncludeTax: true,
  depositPercent: 0,
  creditPercent: 30,
  validDays: 5,
  returnTerms:
    'If the new memory turns out not to work in your computer, we take it back and return its full price. Where we chose it, the work is not charged.',
  testHours: null,
  soakHours: 8,
  testFrom: 'medium',
  ranks: 'any',
  onlyListed: false,
  warranty: NO_WARRANTY,
  labour: {
    open: { desktop: 8, laptop: 15, 'all-in-one': 10, 'small-form-factor': 12, workstation: 10 },
    display: 90,
    battery: 3,
    module: 2,
    firstStart: 8,
    profile: 5,
    stability: 10,
  },
  paper: 'A4',
  label: null,
  dateFormat: 'day first',
}
