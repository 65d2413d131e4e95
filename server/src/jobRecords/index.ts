import {
  FrameLogPatch,
  MeasurementPatch,
  NewFrameLog,
  NewMeasurement,
  NewReadingRecord,
  ReadingPatch,
} from '@tembrix/core/records'
import type { Database } from '../database'
import { framesKind, measurementKind, readingKind } from '../store'
import { jobRecordRoutes } from './routes'

/** What was read on a job, kept as it came. */
export const readingRoutes = (db: Database) =>
  jobRecordRoutes(db, readingKind, NewReadingRecord, ReadingPatch)

/** Runs of tests on jobs’ machines. */
export const measurementRoutes = (db: Database) =>
  jobRecordRoutes(db, measurementKind, NewMeasurement, MeasurementPatch)

/** Logs of frame times from jobs’ machines. */
export const frameRoutes = (db: Database) =>
  jobRecordRoutes(db, framesKind, NewFrameLog, FrameLogPatch)
