import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { newKey } from './seal'

/** Where the key lies: in the data folder, beside the database and in none of its backups. */
const FILE = 'passwords.key'

/** The key of a data folder's passwords, made when it is first asked for; its owner's to read alone. */
export function keyIn(folder: string): () => Uint8Array {
  let key: Uint8Array | null = null
  return () => {
    const path = join(folder, FILE)
    if (!key && !existsSync(path))
      writeFileSync(path, newKey(), { mode: 0o600, flag: 'wx', flush: true })
    key ??= readFileSync(path)
    return key
  }
}
