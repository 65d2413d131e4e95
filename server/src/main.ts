import { resolve } from 'node:path'
import { FolderInUse, NoDemonstration, openDatabase } from './database'

const DEFAULT_PORT = 4310

function portFrom(text: string | undefined): number {
  if (!text) return DEFAULT_PORT
  const port = Number(text)
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    throw new Error(`TEMBRIX_PORT must be a port number from 1 to 65535; it is “${text}”.`)
  }
  return port
}

function explain(error: unknown): string {
  const { code, message } = error as NodeJS.ErrnoException
  if (code === 'EADDRINUSE') {
    return 'The port is taken by another program. Name another one in TEMBRIX_PORT.'
  }
  if (code === 'EACCES' || code === 'ENOTDIR' || code === 'EROFS') {
    return `The data folder cannot be used: ${message}`
  }
  const ours = error instanceof FolderInUse || error instanceof NoDemonstration
  return ours ? message : String(error)
}

try {
  const demo = process.argv.includes('--demo')
  const fresh = demo && process.argv.includes('--fresh')
  const folder = resolve(process.env.TEMBRIX_DATA || (demo ? '.data/demo' : '.data/shop'))
  const port = portFrom(process.env.TEMBRIX_PORT)
  // The database opens while the rest of the program is loaded: together they are most of a start.
  const [database, { serve }, { probeAddress }] = await Promise.all([
    openDatabase(folder, { fresh }),
    import('./app'),
    import('./probe'),
  ])
  const probe = probeAddress(process.env.TEMBRIX_PROBE)
  const stop = await serve(database, { port, demo, probe })
  console.log(`Tembrix is ready at http://127.0.0.1:${port} (data in ${folder})`)

  let stopping = false
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    process.on(signal, async () => {
      if (stopping) return
      stopping = true
      await stop()
      process.exit(0)
    })
  }
} catch (error) {
  console.error(explain(error))
  process.exit(1)
}
