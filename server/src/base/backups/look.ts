import { join } from 'node:path'
import { checkDatabase, Damaged, NewerSchema, newestKnown } from '../database'
import { HttpError } from '../errors'
import { type Manifest, NoBackup, unpack } from './archive'

/** What is in a backup. */
export interface BackupSummary {
  manifest: Manifest
  jobs: number
  modules: number
}

/**
 * Unpacks a backup into an empty folder, checks every file of it and that its database opens.
 * @throws NoBackup for a file that is no whole backup.
 * @throws NewerSchema for one of a newer version.
 * @throws Damaged where the database in it does not open.
 */
export async function lookInto(file: string, place: string): Promise<BackupSummary> {
  const manifest = await unpack(file, place)
  if (manifest.schema > newestKnown()) throw new NewerSchema(file)
  return { manifest, ...(await checkDatabase(join(place, 'database'))) }
}

/**
 * The same, refused as a request is.
 * @throws HttpError 422 for a file that cannot be restored, with why.
 */
export async function lookFor(file: string, place: string): Promise<BackupSummary> {
  try {
    return await lookInto(file, place)
  } catch (error) {
    const ours = [NoBackup, NewerSchema, Damaged].some((one) => error instanceof one)
    if (!ours) throw error
    const { message } = error as Error
    throw new HttpError(422, 'no_backup', message.replaceAll(file, 'The file'))
  }
}
