import { createServer } from 'node:http'
import { openDatabase } from '../database'
import { seed } from '../demo'
import { WEB_PAGES } from '../paths'
import { createApp } from './app'

export interface Options {
  folder: string
  port: number
  /** Fill an empty folder with the demonstration shop. */
  demo: boolean
}

/** Serves one data folder on this machine alone until asked to stop; resolves with the stop. */
export async function serve({ folder, port, demo }: Options): Promise<() => Promise<void>> {
  const { db, close } = await openDatabase(folder)
  try {
    if (demo) await seed(db)
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
