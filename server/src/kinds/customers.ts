import { asc } from 'drizzle-orm'
import { customers } from '../database'
import type { Rules } from '../records'

export const customerRules: Rules<'customers'> = {
  listing: () => ({ order: asc(customers.name) }),
}
