import { setImmediate } from 'node:timers/promises'
import type { PGlite } from '@electric-sql/pglite'

/** Writes the log of the database to the disk, and all that was committed before. */
const FLUSH = `select pg_logical_emit_message(false, 'tembrix', '', true)`

/**
 * What makes sure that everything committed by now is on the disk. Those who wait at the same time wait for
 * the same flush: one under way may have begun before their writes, so that they share the next.
 */
export function flusher(client: Pick<PGlite, 'query'>): () => Promise<void> {
  let running: Promise<void> = Promise.resolve()
  let next: Promise<void> | null = null
  return () => {
    next ??= running
      .catch(() => {})
      // What has arrived meanwhile comes first: a transaction lets nothing else in from its begin to its end.
      .then(() => setImmediate())
      .then(() => {
        next = null
        running = client.query(FLUSH).then(() => {})
        return running
      })
    return next
  }
}
