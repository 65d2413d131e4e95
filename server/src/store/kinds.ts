import { KINDS, PriceList, Shop, ValidatedList } from '@tembrix/core/records'
import {
  customers,
  fits,
  frames,
  jobs,
  machines,
  measurements,
  models,
  modules,
  photos,
  plans,
  priceLists,
  quotes,
  readings,
  shops,
  validatedLists,
  verifications,
} from '../database'
import { kind } from './store'

export const customerKind = kind(customers, KINDS.customers)
export const machineKind = kind(machines, KINDS.machines)
export const modelKind = kind(models, KINDS.models)
export const listKind = kind(validatedLists, { record: 'list', stored: ValidatedList })
export const moduleKind = kind(modules, KINDS.modules, (row) => row.jobId)
export const jobKind = kind(jobs, KINDS.jobs, (row) => row.id)
export const planKind = kind(plans, KINDS.plans, (row) => row.jobId)
export const readingKind = kind(readings, KINDS.readings, (row) => row.jobId)
export const shopKind = kind(shops, { record: 'shop', stored: Shop })
export const fitKind = kind(fits, KINDS.fits, (row) => row.jobId)
export const verificationKind = kind(verifications, KINDS.verifications, (row) => row.jobId)
export const measurementKind = kind(measurements, KINDS.measurements, (row) => row.jobId)
export const framesKind = kind(frames, KINDS.frames, (row) => row.jobId)
export const quoteKind = kind(quotes, KINDS.quotes, (row) => row.jobId)
export const priceListKind = kind(priceLists, { record: 'price-list', stored: PriceList })
export const photoKind = kind(photos, KINDS.photos, (row) => row.jobId)
