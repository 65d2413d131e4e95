import { readings } from '../database'
import { records } from '../records'
import { readingKind } from '../store'
import { freely, ofJob } from './ofJob'

/** What was read on a job, kept as it came. */
export const readingRecords = records('readings', {
  kind: readingKind,
  limit: '6mb',
  removing: freely,
  listing: ofJob(readings),
})
