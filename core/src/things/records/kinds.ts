import type { z } from 'zod'
import { CUSTOMERS } from './customer'
import { FITS } from './fit'
import { FRAMES } from './frameLog'
import { HANDOVERS } from './handover'
import { JOBS } from './job'
import { MACHINES } from './machineRecord'
import { MEASUREMENTS } from './measurement'
import { MESSAGES } from './message'
import { MODELS } from './modelRecord'
import { MODULES } from './moduleRecord'
import { ORDERS } from './order'
import { PHOTOS } from './photo'
import { PLANS } from './plan'
import { QUOTES } from './quote'
import { READINGS } from './readingRecord'
import { RETURNS } from './supplierReturn'
import { VERIFICATIONS } from './verification'
import { CLAIMS } from './warrantyClaim'

/** Every kind of record that screens write, by its path under the API. */
export const KINDS = {
  customers: CUSTOMERS,
  machines: MACHINES,
  models: MODELS,
  jobs: JOBS,
  modules: MODULES,
  readings: READINGS,
  photos: PHOTOS,
  plans: PLANS,
  quotes: QUOTES,
  fits: FITS,
  verifications: VERIFICATIONS,
  handovers: HANDOVERS,
  claims: CLAIMS,
  measurements: MEASUREMENTS,
  frames: FRAMES,
  messages: MESSAGES,
  orders: ORDERS,
  returns: RETURNS,
} as const

export type Collection = keyof typeof KINDS

type PatchOf<C extends Collection> = z.input<(typeof KINDS)[C]['updateSchema']>

/** What may be set in a record of a kind. */
export type ChangeOf<C extends Collection> = Omit<PatchOf<C>, 'version'>
/** What a new record of a kind is made of, but for its own id. */
export type NewOf<C extends Collection> = Omit<z.input<(typeof KINDS)[C]['createSchema']>, 'id'>
