import { photos } from '../database'
import { records } from '../records'
import { photoKind } from '../store'
import { freely, ofJob } from './ofJob'

/** Pictures on a job, but for how they come in. */
export const photoRecords = records('photos', {
  kind: photoKind,
  removing: freely,
  listing: ofJob(photos),
})
