import { z } from 'zod'
import { customers } from '../base/database'
import type { Rules } from '../things/records'
import { retell, Search, saying } from '../things/search'

const Query = z.object({ search: Search })

export const customerRules: Rules<'customers'> = {
  /** By name; of whom `?search=` says something. */
  listing: (query) => ({
    where: saying(customers.said, Query.parse(query).search),
    order: { by: customers.name },
  }),
  written: (tx, { id }) => retell(tx, { customerId: id }),
}
