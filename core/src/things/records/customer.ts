import { z } from 'zod'
import type { KindOfRecord } from './kind'
import { LongText, OwnId, ShortText, Stored, Versioned } from './stored'

const fields = {
  name: z.string().trim().min(1, 'A customer needs a name.').max(120),
  phone: ShortText,
  email: z.union([z.literal(''), z.email('This is no e-mail address.').max(200)]),
  note: LongText,
}

export const NewCustomer = OwnId.extend({
  ...fields,
  phone: fields.phone.default(''),
  email: fields.email.default(''),
  note: fields.note.default(''),
})
export type NewCustomer = z.input<typeof NewCustomer>

export const CustomerChange = z.object(fields).partial()
export type CustomerChange = z.infer<typeof CustomerChange>
export const CustomerPatch = Versioned.extend(CustomerChange.shape)

export const Customer = Stored.extend(fields)
export type Customer = z.infer<typeof Customer>

export const CUSTOMERS = {
  record: 'customer',
  displayName: 'the customer',
  inJob: 'one',
  shownIn: ['customers', 'jobs'],
  createSchema: NewCustomer,
  updateSchema: CustomerPatch,
  stored: Customer,
  blank: {},
  entries: [],
} as const satisfies KindOfRecord
