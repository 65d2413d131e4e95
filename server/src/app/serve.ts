import { createServer } from 'node:http'
import { writeAll } from '../acts'
import { type BackupFolder, type Checked, makeNightly } from '../base/backups'
import { analyzeDaily, type OpenDatabase } from '../base/database'
import { WEB_PAGES } from '../base/paths'
import { type ProbeAddress, ProbeListener, Senders } from '../bench/probe'
import { seed } from '../demo'
import { simulatedGateway, startOutbox } from '../shop/messages'
import { keyIn } from '../shop/passwords'
import { createApp } from './app'

export interface ServeOptions {
  port: number
  /** Fill an empty database with the demonstration shop. */
  demo: boolean
  /** The data folder, its backups, and what puts one of them in its place once this has stopped. */
  folder: string
  backups: BackupFolder
  restore: (checked: Checked) => void
  /** Where the probe may be reached from the shop’s network; null for nowhere. */
  probe: ProbeAddress | null
}

/** How long a connection is kept for the next request, ms: one that comes as it is shut is lost. */
const KEPT = 65_000

/** Serves an open database on this machine alone; resolves with what stops it and closes the database. */
export async function serve(
  database: OpenDatabase,
  { port, demo, probe, folder, backups, restore }: ServeOptions,
): Promise<() => Promise<void>> {
  const { db, disk, flush, failed, close, markDemonstration, tellAddress } = database
  try {
    if (demo && (await seed(db))) {
      await flush()
      markDemonstration()
    }
    const senders = new Senders()
    const storage = { trouble: () => disk.trouble(), flush }
    const listener = new ProbeListener(db, WEB_PAGES, probe, senders, writeAll, storage)
    const server = createServer(
      createApp(db, WEB_PAGES, {
        senders,
        listener,
        storage,
        demo,
        key: keyIn(folder),
        backups: { database, folder, backups, restore },
      }),
    )
    server.keepAliveTimeout = KEPT
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject)
      server.listen(port, '127.0.0.1', resolve)
    })
    // What was under way when the disk failed cannot be answered.
    failed.then(() => server.closeAllConnections())
    tellAddress(`http://127.0.0.1:${port}`)
    // A demonstration is made up, and needs none.
    const endNightly = demo ? () => {} : makeNightly(database, backups)
    const endOutbox = await startOutbox(db, simulatedGateway())
    const endStatistics = analyzeDaily(db)
    return async () => {
      endNightly()
      endStatistics()
      await endOutbox()
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
