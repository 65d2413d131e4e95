import { z } from 'zod'
import { Module } from '../model'
import type { Blank, KindOfRecord } from './kind'
import { Money, OwnId, ShortText, Stored, Versioned } from './stored'
import { CurrencyCode } from './terms'

const Day = z.iso.date('This is no date.')
/** A purchase of a supplier's module for a job, counted from 0: its units are `purchase × pieces of the kit` and on. */
const Purchase = z.int().min(0).max(63)

/** One article bought for one job; `price` is what the customer pays for each purchase, null where none is put. */
export const OrderLine = z.object({
  id: z.uuid(),
  jobId: z.uuid(),
  /** The supplier's module in the job's plan. */
  moduleId: z.uuid(),
  module: Module,
  purchases: z.array(Purchase).min(1, 'At least one.').max(64),
  price: Money.nullable(),
})
export type OrderLine = z.infer<typeof OrderLine>

/** What the supplier says to a line: how many it sends, what one costs the shop, and when they come. */
export const ConfirmedLine = z.object({
  lineId: z.uuid(),
  times: z.int().min(0, 'Not below 0.').max(64),
  cost: Money.nullable(),
  dueOn: Day.nullable(),
  /** Why not, or not all of it; empty where there is nothing to say. */
  why: ShortText,
})
export type ConfirmedLine = z.infer<typeof ConfirmedLine>

export const Confirmation = z.object({
  at: z.iso.datetime(),
  /** What the supplier calls the order. */
  reference: ShortText,
  lines: z.array(ConfirmedLine).max(200),
})
export type Confirmation = z.infer<typeof Confirmation>

/** What a supplier says is on its way: purchases by line. */
export const DeliveryNote = z.object({
  number: ShortText,
  on: Day,
  lines: z.array(
    z.object({ lineId: z.uuid(), partNumber: ShortText, quantity: z.int().positive() }),
  ),
})
export type DeliveryNote = z.infer<typeof DeliveryNote>

/** A piece out of a parcel, as it is scanned or typed. */
export const Arriving = z.object({
  id: z.uuid(),
  lineId: z.uuid(),
  serial: z.string().trim().min(1, 'Scan or type its serial number.').max(200),
  /** The delivery note or invoice it came with. */
  invoice: ShortText,
  warrantyUntil: Day.nullable(),
  /** What came in place of what was ordered; empty where it is the right part. */
  wrong: ShortText,
})
export type Arriving = z.infer<typeof Arriving>

/** A piece that came: the unit of the job's plan it is for, and the piece of the shelf it is; both null for a wrong part. */
export const Arrived = Arriving.extend({
  unit: z.int().min(0).nullable(),
  pieceId: z.uuid().nullable(),
  at: z.iso.datetime(),
  by: ShortText,
})
export type Arrived = z.infer<typeof Arrived>

const By = z.object({ at: z.iso.datetime(), by: ShortText })

const fields = {
  lines: z.array(OrderLine).max(200),
  note: z.string().max(1000),
}

export const NewOrder = OwnId.extend({
  supplier: z.string().trim().min(1, 'Whom is it ordered of?').max(200),
  lines: fields.lines,
  note: fields.note.default(''),
})
export type NewOrder = z.input<typeof NewOrder>

export const OrderChange = z.object(fields).partial()
export type OrderChange = z.infer<typeof OrderChange>

export const OrderPatch = Versioned.extend(OrderChange.shape).extend({
  sent: By.optional(),
  confirmation: Confirmation.optional(),
  arriving: z.array(Arriving).min(1).max(200).optional(),
  /** Pieces noted by mistake, by the id of their arrival. */
  takenBack: z.array(z.uuid()).min(1).max(200).optional(),
  cancelled: By.extend({
    why: z.string().trim().min(1, 'Say why it is cancelled.').max(300),
  }).optional(),
})
export type OrderPatch = z.infer<typeof OrderPatch>

/**
 * What is ordered of one supplier for one or more jobs. `number` counts the shop's orders. Once it is sent its
 * lines stay as they are; cancelled, what has not come is to be ordered elsewhere.
 */
export const Order = Stored.extend({
  ...fields,
  number: z.int().positive(),
  supplier: ShortText,
  currency: CurrencyCode,
  sent: By.nullable(),
  confirmation: Confirmation.nullable(),
  arrived: z.array(Arrived),
  /** Whether anything is still to be sent or to come. */
  open: z.boolean(),
  cancelled: By.extend({ why: ShortText }).nullable(),
})
export type Order = z.infer<typeof Order>

/** What an approved job still needs of a supplier, kits whole. */
export const NeededLine = OrderLine.omit({ id: true }).extend({
  supplier: ShortText,
  leadDays: z.int().nullable(),
  job: z.int(),
  customerName: z.string(),
  dueOn: z.string().nullable(),
})
export type NeededLine = z.infer<typeof NeededLine>

/** A line of the list of orders. */
export const OrderRow = Order.pick({
  id: true,
  number: true,
  supplier: true,
  createdAt: true,
  sent: true,
}).extend({
  state: z.string(),
  jobs: z.array(z.int()),
  pieces: z.int(),
  here: z.int(),
  dueOn: z.string().nullable(),
})
export type OrderRow = z.infer<typeof OrderRow>

/** An order nobody has sent. */
const BLANK: Omit<Blank<Order>, 'supplier' | 'currency' | 'number'> = {
  lines: [],
  note: '',
  sent: null,
  confirmation: null,
  arrived: [],
  open: true,
  cancelled: null,
}

export const ORDERS = {
  record: 'order',
  displayName: 'a parts order',
  inJob: null,
  shownIn: ['orders', 'jobs', 'shopModules'],
  createSchema: NewOrder,
  updateSchema: OrderPatch,
  stored: Order,
  blank: BLANK,
  entries: [],
} as const satisfies KindOfRecord
