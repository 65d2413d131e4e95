import type { Collection, JobFile } from '../../things/records'

/** Records that a job still takes once its machine was collected; what was signed and paid has rules of its own. */
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
/** Fields of the job itself that may still be set: when to ask again. That it is closed follows from collecting. */
const STILL_SET: readonly string[] = ['version', 'followUpOn', 'stage']

/**
 * Whether a write is taken once the job's machine was collected: payments, claims, messages and what is known of
 * customer and machine are; plans, trials, measurements and notes of the work stay as they were.
 */
export const isTakenOnceCollected = (collection: Collection, fields: object): boolean =>
  collection === 'jobs'
    ? Object.keys(fields).every((field) => STILL_SET.includes(field))
    : STILL_TAKEN.has(collection)

/** Whether a job has ended for good: its machine was collected, or it ended without work. */
export const isClosed = ({
  handovers,
  withoutWork,
}: Pick<JobFile, 'handovers' | 'withoutWork'>): boolean =>
  withoutWork !== null || handovers[0]?.collected != null
