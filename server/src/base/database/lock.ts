import { closeSync, existsSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { tryLock } from 'fs-native-extensions'

export class FolderInUse extends Error {
  constructor(folder: string, holder: string) {
    super(
      `The data folder ${folder} is already open in another Tembrix${holder}. ` +
        'Stop that one first, or name another folder in TEMBRIX_DATA.',
    )
    this.name = 'FolderInUse'
  }
}

/**
 * Takes the data folder for this process alone. The operating system holds the lock on an open
 * file, so it is gone the moment the process is, however it ends. Returns the release.
 */
export function lockFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const release = lock(join(folder, LOCK), folder, 'a+')
  writeFileSync(join(folder, LOCK), `${process.pid}\n`)
  return release
}

/** The same by a file of the database itself, which nobody deletes to get rid of a lock; nothing where there is none yet. */
export function lockDatabase(path: string, folder: string): () => void {
  const file = join(path, 'PG_VERSION')
  return existsSync(file) ? lock(file, folder, 'r+') : () => {}
}

const LOCK = 'in-use.lock'

function lock(file: string, folder: string, how: 'a+' | 'r+'): () => void {
  const descriptor = openSync(file, how)
  if (tryLock(descriptor)) return () => closeSync(descriptor)
  closeSync(descriptor)
  throw new FolderInUse(folder, holderOf(folder))
}

/** Who holds it: a process, and where it is reached, a line each. */
function linesOf(folder: string): string[] {
  try {
    return readFileSync(join(folder, LOCK), 'utf8').trim().split('\n')
  } catch {
    return []
  }
}

function holderOf(folder: string): string {
  const [pid] = linesOf(folder)
  return pid && pid !== String(process.pid) ? ` (process ${pid})` : ''
}

/** Notes in a folder that is held where its server is reached. */
export const noteAddress = (folder: string, address: string): void =>
  writeFileSync(join(folder, LOCK), `${process.pid}\n${address}\n`)

/** Where the server that holds a folder is reached; null where it has not said so. */
export const addressOf = (folder: string): string | null => linesOf(folder)[1] ?? null
