import { KINDS } from '@tembrix/core/records'
import type { Database } from '../database'
import { framesKind, measurementKind, readingKind } from '../store'
import { jobRecordRoutes } from './routes'

/** What was read on a job, kept as it came. */
export const readingRoutes = (db: Database) => jobRecordRoutes(db, readingKind, KINDS.readings)

/** Runs of tests on jobs’ machines. */
export const measurementRoutes = (db: Database) =>
  jobRecordRoutes(db, measurementKind, KINDS.measurements)

/** Logs of frame times from jobs’ machines. */
export const frameRoutes = (db: Database) => jobRecordRoutes(db, framesKind, KINDS.frames)
