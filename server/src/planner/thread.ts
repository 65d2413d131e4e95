import { Worker } from 'node:worker_threads'
import type { PlanAnswer, PlanRequest } from '@tembrix/core/plan'
import { HttpError } from '../http'
import { PLANNER } from '../paths'

/** Threads at a time, and requests that may wait for one. */
const THREADS = 2
const WAITING = 16

let running = 0
const waiting: (() => void)[] = []

/**
 * Plans in a thread of its own, so that the server answers others meanwhile. Ends the thread when
 * `signal` aborts.
 * @throws HttpError 503 when too many requests wait already.
 */
export async function planInThread(request: PlanRequest, signal: AbortSignal): Promise<PlanAnswer> {
  if (running >= THREADS) {
    if (waiting.length >= WAITING) {
      throw new HttpError(503, 'busy', 'Many plans are being worked out. Try again in a moment.')
    }
    await new Promise<void>((resolve) => waiting.push(resolve))
  }
  running += 1
  try {
    return await inThread(request, signal)
  } finally {
    running -= 1
    waiting.shift()?.()
  }
}

function inThread(request: PlanRequest, signal: AbortSignal): Promise<PlanAnswer> {
  return new Promise((resolve, reject) => {
    if (signal.aborted) return reject(new Gone())
    const worker = new Worker(PLANNER, { workerData: request })
    const end = () => {
      reject(new Gone())
      worker.terminate()
    }
    signal.addEventListener('abort', end, { once: true })
    worker.once('message', resolve)
    worker.once('error', reject)
    worker.once('exit', () => {
      signal.removeEventListener('abort', end)
      reject(new Error('the planner’s thread ended without an answer'))
    })
  })
}

/** The one who asked has gone away. */
export class Gone extends Error {}
