import { closeSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs'
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
  mkdirSync(folder, { recursive: true })
  const file = join(folder, 'in-use.lock')
  const descriptor = openSync(file, 'a+')
  if (!tryLock(descriptor)) {
    closeSync(descriptor)
    const pid = readFileSync(file, 'utf8').trim()
    throw new FolderInUse(folder, pid ? ` (process ${pid})` : '')
  }
  writeFileSync(file, `${process.pid}\n`)
  return () => closeSync(descriptor)
}
