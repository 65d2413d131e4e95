import { setPriority } from 'node:os'
import { type Described, describe } from '../errors'
import { POOL_TASKS } from './tasks'

/** Lower than what answers everybody else (0 is usual, 19 the lowest). */
const PRIORITY = 10

// On Linux that of this thread; elsewhere it would be the whole server's.
if (process.platform === 'linux') setPriority(0, PRIORITY)

export interface Task {
  work: keyof typeof POOL_TASKS
  /** The request as it came. */
  bytes: Uint8Array
  /** What the server knows that the work needs. */
  known?: unknown
}

/** What came of it, or why nothing did. */
export type TaskOutcome = { answer: unknown } | { refused: Described }

export default async function work({ work, bytes, known }: Task): Promise<TaskOutcome> {
  try {
    return { answer: await POOL_TASKS[work](bytes, known) }
  } catch (error) {
    return { refused: describe(error) }
  }
}
