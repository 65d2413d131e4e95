import type { Collection } from '@tembrix/core/records'
import type { Records } from '../records'
import { customerRecords } from './customers'
import { fitRecords } from './fits'
import { frameRecords } from './frames'
import { jobRecords } from './jobs'
import { machineRecords } from './machines'
import { measurementRecords } from './measurements'
import { modelRecords } from './models'
import { moduleRecords } from './modules'
import { photoRecords } from './photos'
import { planRecords } from './plans'
import { quoteRecords } from './quotes'
import { readingRecords } from './readings'
import { verificationRecords } from './verifications'

export { createJob } from './jobs'

/** Every kind of record that screens write, as it is kept. */
export const RECORDS: Record<Collection, Records> = {
  customers: customerRecords,
  machines: machineRecords,
  models: modelRecords,
  jobs: jobRecords,
  modules: moduleRecords,
  plans: planRecords,
  readings: readingRecords,
  photos: photoRecords,
  quotes: quoteRecords,
  fits: fitRecords,
  verifications: verificationRecords,
  measurements: measurementRecords,
  frames: frameRecords,
}
