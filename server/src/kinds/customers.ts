import { asc } from 'drizzle-orm'
import { customers } from '../database'
import { records } from '../records'
import { customerKind } from '../store'

export const customerRecords = records('customers', {
  kind: customerKind,
  listing: () => ({ order: asc(customers.name) }),
})
