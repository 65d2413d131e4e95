import { createServer } from 'node:http'
import type { OpenDatabase } from '../database'
import { seed } from '../demo'
import { WEB_PAGES } from '../paths'
import { type ProbeAddress, ProbeListener, Senders } from '../probe'
import { createApp } from './app'

export interface Options {
  port: number
  /** Fill an empty database with the demonstration shop. */
  demo: boolean
  /** Where the probe may be reached from the shop’s network; null for nowhere. */
  probe: ProbeAddress | null
}

/** Serves an open database on this machine alone; resolves with what stops it and closes the database. */
export async function serve(
  { db, disk, flush, failed, close, markDemonstration }: OpenDatabase,
  { port, demo, probe }: Options,
): Promise<() => Promise<void>> {
  try {
    if (demo && (await seed(db))) markDemonstration()
    const senders = new Senders()
    const storage = { trouble: () => disk.trouble(), flush }
    const listener = new ProbeListener(db, WEB_PAGES, probe, senders, storage)
    const server = createServer(createApp(db, WEB_PAGES, { senders, listener, storage }))
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject)
      server.listen(port, '127.0.0.1', resolve)
    })
    // What was under way when the disk failed cannot be answered.
    failed.then(() => server.closeAllConnections())
    return async () => {
      await listener.off()
      const closed = new Promise((resolve) => server.close(resolve))
      server.closeIdleConnections()
      setTimeout(() => server.closeAllConnections(), 2000).unref()
      await closed
      await close()
    }
  } catch (error) {
    await close()
    throw error
  }
}
