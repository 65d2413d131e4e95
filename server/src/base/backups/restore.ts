import { existsSync } from 'node:fs'
import { mkdtemp, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { formatISO } from 'date-fns'
import { flushOne, lockFolder, ownFolder } from '../database'
import { type BackupSummary, lookInto } from './look'

export interface Checked extends BackupSummary {
  /** Puts it in the place of what is in the folder, which is kept; resolves with where. No server may have it open then. */
  restore: () => Promise<string | null>
  /** Gives it up: the folder is as before. */
  leave: () => Promise<void>
}

/**
 * Unpacks a backup beside the database of a folder and looks through it, here or as `look` does. Nothing of the
 * folder is changed before `restore`.
 * @throws what `look` does.
 */
export async function checkBackup(
  file: string,
  folder: string,
  look: typeof lookInto = lookInto,
): Promise<Checked> {
  const place = await mkdtemp(join(folder, '.restoring-'))
  const leave = () => rm(place, { recursive: true, force: true })
  try {
    const contents = await look(file, place)
    const restore = async () => {
      const now = join(folder, 'database')
      ownFolder(join(place, 'database'), true)
      const stamp = formatISO(new Date()).slice(0, 19).replaceAll(':', '')
      const kept = existsSync(now) ? `${now}-before-restore-${stamp}` : null
      if (kept) await rename(now, kept)
      await rename(join(place, 'database'), now)
      flushOne(folder)
      await leave()
      return kept
    }
    return { ...contents, restore, leave }
  } catch (error) {
    await leave()
    throw error
  }
}

/**
 * The same where no server runs: the folder is held till it is restored or left.
 * @throws FolderInUse while a server has the folder open.
 */
export async function checkAlone(file: string, folder: string): Promise<Checked> {
  const release = lockFolder(folder)
  try {
    const { restore, leave, ...checked } = await checkBackup(file, folder)
    return {
      ...checked,
      restore: () => restore().finally(release),
      leave: () => leave().finally(release),
    }
  } catch (error) {
    release()
    throw error
  }
}
