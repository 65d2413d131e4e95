import { z } from 'zod'
import { CauseTable, Policy, UseTable } from '../model'
import { Stored, Versioned } from './stored'
import { Terms } from './terms'

const fields = { uses: UseTable, policy: Policy, terms: Terms, causes: CauseTable }

export const ShopPatch = Versioned.extend(z.object(fields).partial().shape)

/** What the shop has settled for all its jobs: its table of uses, the school it plans by, its terms, and how often it meets each cause of trouble. */
export const Shop = Stored.extend(fields)
export type Shop = z.infer<typeof Shop>
