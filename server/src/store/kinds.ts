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

export const customerKind = kind(customers, 'customer')
export const machineKind = kind(machines, 'machine')
export const modelKind = kind(models, 'model')
export const listKind = kind(validatedLists, 'list')
export const moduleKind = kind(modules, 'module', (row) => row.jobId)
export const jobKind = kind(jobs, 'job', (row) => row.id)
export const planKind = kind(plans, 'plan', (row) => row.jobId)
export const readingKind = kind(readings, 'reading', (row) => row.jobId)
export const shopKind = kind(shops, 'shop')
export const fitKind = kind(fits, 'fit', (row) => row.jobId)
export const verificationKind = kind(verifications, 'verification', (row) => row.jobId)
export const measurementKind = kind(measurements, 'measurement', (row) => row.jobId)
export const framesKind = kind(frames, 'frames', (row) => row.jobId)
export const quoteKind = kind(quotes, 'quote', (row) => row.jobId)
export const priceListKind = kind(priceLists, 'price-list')
export const photoKind = kind(photos, 'photo', (row) => row.jobId)
