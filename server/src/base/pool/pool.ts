import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import { HttpError } from '../http'
import { WORKER } from '../paths'
import type { POOL_TASKS } from './tasks'
import type { Task, TaskOutcome } from './worker'

/** Requests that may wait for a thread. */
const WAITING = 32
/** After so long, seconds, one that was turned away may ask again. */
const AGAIN = 2
/** A thread that nobody needs ends after so long, ms. */
const IDLE = 60_000
/** What a thread may hold, MB. */
const MEMORY = 1500

const threads = (maxThreads: number) =>
  new Piscina({
    filename: WORKER,
    // With none, what waits for a thread that is ended is forgotten.
    minThreads: 1,
    maxThreads,
    maxQueue: WAITING,
    idleTimeout: IDLE,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY },
  })

/** One processor is left to what answers. */
const SPARE = Math.max(1, availableParallelism() - 1)

/** What takes seconds has threads of its own, so that nothing short waits for it. */
const LONG: ReadonlySet<keyof Works> = new Set(['plan', 'backup'])
const long = once(() => threads(SPARE))
const short = once(() => threads(SPARE))

/** What is made when it is first asked for: a server that nobody asks anything starts no threads. */
function once<T>(make: () => T): () => T {
  let made: T | undefined
  return () => {
    made ??= make()
    return made
  }
}

type Works = typeof POOL_TASKS

/**
 * Does heavy work in a thread, so that the server answers others meanwhile. Given up when `signal` aborts.
 * @throws HttpError 503 where too many wait already, or what the work refuses.
 */
export async function inPool<W extends keyof Works>(
  task: Task & { work: W },
  signal?: AbortSignal,
): Promise<Awaited<ReturnType<Works[W]>>> {
  const pool = LONG.has(task.work) ? long() : short()
  if (pool.queueSize >= WAITING) {
    throw new HttpError(503, 'busy', 'The server is busy. Try again in a moment.', { again: AGAIN })
  }
  const outcome: TaskOutcome = await pool.run(task, signal ? { signal } : {})
  if ('answer' in outcome) return outcome.answer as Awaited<ReturnType<Works[W]>>
  const { status, code, message, fields } = outcome.refused
  throw new HttpError(status, code, message, fields ? { fields } : {})
}
