import { setTimeout } from 'node:timers/promises'
import { type Checked, makeBackup } from './base/backups'
import {
  Damaged,
  DiskFailed,
  FolderInUse,
  NewerSchema,
  NoDemonstration,
  openDatabase,
} from './base/database'
import { backupsFrom, durabilityFrom, folderFrom, portFrom } from './settings'

const OURS = [FolderInUse, NoDemonstration, NewerSchema, Damaged, DiskFailed]

function explain(error: unknown): string {
  const { code, message } = error as NodeJS.ErrnoException
  if (code === 'EADDRINUSE') {
    return 'The port is taken by another program. Name another one in TEMBRIX_PORT.'
  }
  if (code === 'EACCES' || code === 'ENOTDIR' || code === 'EROFS') {
    return `The data folder cannot be used: ${message}`
  }
  return OURS.some((one) => error instanceof one) ? message : String(error)
}

/** How long until a disk that failed is tried again, ms. */
const AGAIN = 2000

// What the shop keeps of its customers is its owner's to read alone.
process.umask(0o077)

let stop: (() => Promise<void>) | null = null
let stopping = false
for (const signal of ['SIGTERM', 'SIGINT'] as const) {
  process.on(signal, async () => {
    if (stopping) return
    stopping = true
    await stop?.()
    process.exit(0)
  })
}

try {
  const demo = process.argv.includes('--demo')
  const fresh = demo && process.argv.includes('--fresh')
  const folder = folderFrom(process.env, demo)
  const port = portFrom(process.env)
  const durable = durabilityFrom(process.env)
  const backups = backupsFrom(process.env, folder)
  /** Opens and serves until the disk fails or a backup is to be restored. */
  const run = async (discard: boolean) => {
    // The database opens while the rest of the program is loaded: together they are most of a start.
    const [database, { serve }, { probeAddress }] = await Promise.all([
      openDatabase(folder, {
        fresh: discard,
        durable,
        beforeUpdate: (before) => makeBackup(before, backups, { beforeUpdate: true }),
      }),
      import('./app'),
      import('./bench/probe'),
    ])
    const probe = probeAddress(process.env.TEMBRIX_PROBE)
    let restore: (checked: Checked) => void = () => {}
    const wanted = new Promise<Checked>((resolve) => {
      restore = resolve
    })
    stop = await serve(database, { port, demo, probe, folder, backups, restore })
    console.log(`Tembrix is ready at http://127.0.0.1:${port} (data in ${folder})`)
    const ended = await Promise.race([database.failed, wanted])
    const disk = ended instanceof DiskFailed
    if (disk) console.error(`${ended.message} The data folder is opened again once it can be.`)
    await stop()
    stop = null
    if (disk) {
      await setTimeout(AGAIN)
      return
    }
    try {
      const kept = await ended.restore()
      console.log(`Restored as of ${ended.manifest.madeAt}; what was there is kept in ${kept}.`)
    } catch (error) {
      console.error(`The backup could not be restored: ${(error as Error).message}`)
    }
  }
  await run(fresh)
  let said = ''
  while (!stopping) {
    await run(false).catch((error) => {
      const why = explain(error)
      if (why !== said) console.error(why)
      said = why
      return setTimeout(AGAIN)
    })
  }
} catch (error) {
  console.error(explain(error))
  process.exit(1)
}
