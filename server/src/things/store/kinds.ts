import {
  type Collection,
  KIND_INFO,
  KINDS,
  PriceList,
  Shop,
  ValidatedList,
} from '@tembrix/core/things/records'
import * as database from '../../base/database'
import { kind, type StoredKind, type StoredTable } from './store'

/** A table for every kind that screens write, of its name. */
const TABLES = database satisfies Record<Collection, StoredTable>

type Table<C extends Collection> = (typeof TABLES)[C]
export type KindOf<C extends Collection> = StoredKind<Table<C>>

/** How records of a kind that screens write are kept: in the table of its name, their history with their job's. */
export function kindOf<C extends Collection>(collection: C): KindOf<C> {
  const { inJob } = KIND_INFO[collection]
  const table: StoredTable = TABLES[collection]
  const jobOf = (row: object): string | null => {
    if (inJob === 'itself') return (row as { id: string }).id
    const isListed = inJob === 'many' || inJob === 'at-most-one'
    return isListed ? (row as { jobId: string | null }).jobId : null
  }
  return kind(table, KINDS[collection], jobOf) as unknown as KindOf<C>
}

export const customerKind = kindOf('customers')
export const machineKind = kindOf('machines')
export const modelKind = kindOf('models')
export const moduleKind = kindOf('modules')
export const jobKind = kindOf('jobs')
export const planKind = kindOf('plans')
export const readingKind = kindOf('readings')
export const verificationKind = kindOf('verifications')
export const claimKind = kindOf('claims')
export const fitKind = kindOf('fits')
export const handoverKind = kindOf('handovers')
export const measurementKind = kindOf('measurements')
export const framesKind = kindOf('frames')
export const quoteKind = kindOf('quotes')
export const messageKind = kindOf('messages')
export const orderKind = kindOf('orders')
export const photoKind = kindOf('photos')

export const listKind = kind(database.validatedLists, { record: 'list', stored: ValidatedList })
export const shopKind = kind(database.shops, { record: 'shop', stored: Shop })
export const priceListKind = kind(database.priceLists, { record: 'price-list', stored: PriceList })
