import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The server's folder, the same whether this runs from its sources or built. */
function serverFolder(): string {
  let folder = dirname(fileURLToPath(import.meta.url))
  while (!existsSync(join(folder, 'drizzle'))) folder = dirname(folder)
  return folder
}

const server = serverFolder()

export const MIGRATIONS = join(server, 'drizzle')

/** A migrated, empty database made by the build, so that a fresh data folder need not initialise one. */
export const PREPARED = join(server, 'dist', 'prepared')

/** The built web application. */
export const WEB_PAGES = join(server, '..', 'web', 'dist')

/** What the threads of the pool run: the built program, or its source where this runs from sources. */
export const WORKER = import.meta.url.endsWith('.ts')
  ? join(server, 'test', 'worker.mjs')
  : join(server, 'dist', 'worker.js')
