import { createServer } from 'node:http'
import type { OpenDatabase } from '../database'
import { seed } from '../demo'
import { WEB_PAGES } from '../paths'
import { createApp } from './app'

export interface Options {
  port: number
  /** Fill an empty database with the demonstration shop. */
  demo: boolean
}

/** Serves an open database on this machine alone; resolves with what stops it and closes the database. */
export async function serve(
  { db, close, markDemonstration }: OpenDatabase,
  { port, demo }: Options,
): Promise<() => Promise<void>> {
  try {
    if (demo && (await seed(db))) markDemonstration()
    const server = createServer(createApp(db, WEB_PAGES))
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject)
      server.listen(port, '127.0.0.1', resolve)
    })
    return async () => {
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
