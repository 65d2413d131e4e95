import { z } from 'zod'
import type { Blank, KindOfRecord } from './kind'
import { Money, OwnId, ShortText, Stored, Versioned } from './stored'
import { CurrencyCode } from './terms'

/** Reasons to give a part back to its supplier. */
export const RETURN_REASONS = ['bad', 'wrong', 'surplus'] as const
export const ReturnReason = z.enum(RETURN_REASONS)
export type ReturnReason = z.infer<typeof ReturnReason>

/** One part that goes back: a piece of the shelf, or a wrong part that came with an order. */
export const ReturnLine = z.object({
  id: z.uuid(),
  /** The piece of the shelf; null for a wrong part, which never came to it. */
  pieceId: z.uuid().nullable(),
  /** The arrival of a wrong part, in the order it came with; null for a piece of the shelf. */
  arrivalId: z.uuid().nullable(),
  text: ShortText.min(1, 'Say what it is.'),
  serial: ShortText,
  /** The delivery note or invoice it came with. */
  invoice: ShortText,
  why: ReturnReason,
  /** Credit expected of the supplier, minor units; null where nobody knows it. */
  credit: Money.nullable(),
})
export type ReturnLine = z.infer<typeof ReturnLine>

const By = z.object({ at: z.iso.datetime(), by: ShortText })

const fields = {
  lines: z.array(ReturnLine).max(200),
  note: z.string().max(1000),
  /** The supplier's own number for it. */
  reference: ShortText,
}

export const NewReturn = OwnId.extend({
  supplier: z.string().trim().min(1, 'To whom does it go back?').max(200),
  lines: fields.lines,
  note: fields.note.default(''),
  reference: fields.reference.default(''),
})
export type NewReturn = z.input<typeof NewReturn>

export const ReturnPatch = Versioned.extend(z.object(fields).partial().shape).extend({
  /** It is on its way: its pieces leave the shelf. */
  sent: By.optional(),
  /** The supplier's answer: what it gave back, minor units. */
  credited: By.extend({ amount: Money }).optional(),
})
export type ReturnPatch = z.infer<typeof ReturnPatch>

/** Parts that go back to a supplier, and the credit for them. Once sent its lines stay as they are. */
export const SupplierReturn = Stored.extend({
  ...fields,
  number: z.int().positive(),
  supplier: ShortText,
  currency: CurrencyCode,
  sent: By.nullable(),
  credited: By.extend({ amount: Money }).nullable(),
})
export type SupplierReturn = z.infer<typeof SupplierReturn>

/** A return nobody has sent. */
const BLANK: Omit<Blank<SupplierReturn>, 'supplier' | 'currency' | 'number'> = {
  lines: [],
  note: '',
  reference: '',
  sent: null,
  credited: null,
}

export const RETURNS = {
  record: 'return',
  displayName: 'a return to a supplier',
  inJob: null,
  shownIn: ['orders', 'shopModules'],
  createSchema: NewReturn,
  updateSchema: ReturnPatch,
  stored: SupplierReturn,
  blank: BLANK,
  entries: [],
} as const satisfies KindOfRecord
