import { createWriteStream } from 'node:fs'
import { mkdir, mkdtemp, readdir, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Backup } from '@tembrix/core/things/records'
import { format, parse, set, subDays } from 'date-fns'
import { type OpenDatabase, vacuumTables } from '../database'
import { pack } from './archive'

/** A folder of backups, of which the newest are kept. */
export interface BackupFolder {
  folder: string
  kept: number
}

export const KEPT = 14

/** Why a backup is there, where it was not made as usual: before an update, or imported. */
type Reason = 'before-update' | 'imported'

const NAME = /^tembrix-\d{4}-\d\d-\d\dT\d{6}(-before-update|-imported|-brought)?\.tar\.gz$/

const STAMP = "yyyy-MM-dd'T'HHmmss"

const nameOf = (madeAt: Date, reason: Reason | null): string => {
  return `tembrix-${format(madeAt, STAMP)}${reason ? `-${reason}` : ''}.tar.gz`
}

const madeAt = (name: string): Date =>
  parse(name.slice('tembrix-'.length).slice(0, '2026-01-01T000000'.length), STAMP, 0)

const isImported = ({ name }: Backup): boolean => /-(imported|brought)\./.test(name)

/** The backups there are, the newest first. */
export async function listBackups({ folder }: BackupFolder): Promise<Backup[]> {
  const names = await readdir(folder).catch(() => [])
  const found = names.filter((name) => NAME.test(name)).sort()
  return Promise.all(
    found.reverse().map(async (name) => {
      const { size } = await stat(join(folder, name))
      return { name, bytes: size, madeAt: madeAt(name).toISOString() }
    }),
  )
}

/** The path of a backup by its name; null where there is none of that name. */
export async function pathOf(backups: BackupFolder, name: string): Promise<string | null> {
  const known = (await listBackups(backups)).some((one) => one.name === name)
  return known ? join(backups.folder, name) : null
}

/**
 * Puts a backup that comes from elsewhere among the others, under the time it was made at, once `check` has
 * found it whole.
 */
export async function importBackup(
  { folder }: BackupFolder,
  bytes: Readable,
  check: (file: string) => Promise<{ madeAt: Date }>,
): Promise<string> {
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const place = await mkdtemp(join(folder, '.importing-'))
  try {
    const file = join(place, 'backup.tar.gz')
    await pipeline(bytes, createWriteStream(file, { mode: 0o600 }))
    const { madeAt } = await check(file)
    const name = nameOf(madeAt, 'imported')
    await rename(file, join(folder, name))
    return name
  } finally {
    await rm(place, { recursive: true, force: true })
  }
}

let making: Promise<unknown> = Promise.resolve()

/** Makes a backup of an open database, one at a time, and removes the oldest beyond those kept. */
export function makeBackup(
  database: Pick<OpenDatabase, 'copyTo' | 'schema'>,
  backups: BackupFolder,
  { now = new Date(), beforeUpdate = false } = {},
): Promise<Backup> {
  const made = making.then(() => make(database, backups, now, beforeUpdate))
  making = made.catch(() => {})
  return made
}

async function make(
  { copyTo, schema }: Pick<OpenDatabase, 'copyTo' | 'schema'>,
  backups: BackupFolder,
  now: Date,
  beforeUpdate: boolean,
): Promise<Backup> {
  await mkdir(backups.folder, { recursive: true, mode: 0o700 })
  const name = nameOf(now, beforeUpdate ? 'before-update' : null)
  const copy = await mkdtemp(join(backups.folder, '.making-'))
  try {
    await copyTo(join(copy, 'database'))
    await pack(copy, join(backups.folder, name), { madeAt: now.toISOString(), schema })
  } finally {
    await rm(copy, { recursive: true, force: true })
  }
  const all = await listBackups(backups)
  const own = all.filter((one) => !isImported(one))
  for (const old of own.slice(backups.kept)) await rm(join(backups.folder, old.name))
  return all.find((one) => one.name === name) as Backup
}

/** At this hour the shop sleeps. */
const NIGHT = 3

/** Whether a backup is due: none was made since the last night began. A shop whose computer is off then makes it in the morning. */
export function isDue(newest: Date | null, now: Date): boolean {
  const tonight = set(now, { hours: NIGHT, minutes: 0, seconds: 0, milliseconds: 0 })
  const last = now < tonight ? subDays(tonight, 1) : tonight
  return newest === null || newest < last
}

const LOOK = 10 * 60_000

/** Makes the nightly backups, of a database that holds no more than it needs; returns what ends it. */
export function makeNightly(
  database: Pick<OpenDatabase, 'db' | 'copyTo' | 'schema'>,
  backups: BackupFolder,
): () => void {
  const look = async () => {
    const newest = (await listBackups(backups)).find((one) => !isImported(one))
    if (!isDue(newest ? new Date(newest.madeAt) : null, new Date())) return
    // A backup is worth more than the room.
    await vacuumTables(database.db).catch((error) =>
      console.error(`The database could not be tidied: ${error.message}`),
    )
    await makeBackup(database, backups)
  }
  const timer = setInterval(() => {
    look().catch((error) => console.error(`The backup could not be made: ${error.message}`))
  }, LOOK)
  timer.unref()
  return () => clearInterval(timer)
}
