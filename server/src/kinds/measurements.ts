import { measurements } from '../database'
import { records } from '../records'
import { measurementKind } from '../store'
import { freely, ofJob } from './ofJob'

/** Runs of tests on jobs’ machines. */
export const measurementRecords = records('measurements', {
  kind: measurementKind,
  removing: freely,
  listing: ofJob(measurements),
})
