import type { Collection, JobFile } from '../../things/records'

/** Records that a closed job still takes; a signed report and payments have rules of their own. */
const STILL_TAKEN: ReadonlySet<Collection> = new Set([
  'customers',
  'machines',
  'models',
  'modules',
  'photos',
  'handovers',
  'claims',
  'messages',
  'orders',
])
/** Fields of the job itself that may still be set: when to ask again, and that it is closed. */
const STILL_SET: readonly string[] = ['version', 'followUpOn', 'stage']

/**
 * Whether a closed job takes a write: payments, claims, messages and facts of customer and machine come in; plans,
 * trials, measurements and notes of the work stay as they were.
 */
export const isTakenOnceClosed = (collection: Collection, fields: object): boolean =>
  collection === 'jobs'
    ? Object.keys(fields).every((field) => STILL_SET.includes(field))
    : STILL_TAKEN.has(collection)

/** Whether a job has ended for good: its machine was collected, or it ended without work. */
export const isClosed = ({
  handovers,
  withoutWork,
}: Pick<JobFile, 'handovers' | 'withoutWork'>): boolean =>
  withoutWork !== null || handovers[0]?.collected != null
