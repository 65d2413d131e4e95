import { frames } from '../database'
import { records } from '../records'
import { framesKind } from '../store'
import { freely, ofJob } from './ofJob'

/** Logs of frame times from jobs’ machines. */
export const frameRecords = records('frames', {
  kind: framesKind,
  removing: freely,
  listing: ofJob(frames),
})
