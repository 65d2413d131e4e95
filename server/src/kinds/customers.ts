import { z } from 'zod'
import { customers } from '../base/database'
import type { Rules } from '../things/records'
import { reindex, Search, textMatches } from '../things/search'

const Query = z.object({ search: Search })

export const customerRules: Rules<'customers'> = {
  /** By name; of whom `?search=` says something. */
  listing: (query) => ({
    where: textMatches(customers.searchText, Query.parse(query).search),
    order: { by: customers.name },
  }),
  written: (tx, { id }) => reindex(tx, { customerId: id }),
}
