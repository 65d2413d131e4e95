import { chmodSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { cp } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { MIGRATIONS, PREPARED } from '../paths'
import { openClient } from './client'
import { copyWhole } from './copy'
import { DataDisk } from './disk'
import { flusher } from './flush'
import { lockDatabase, lockFolder, noteAddress } from './lock'
import { DiskFailed, Mount } from './mount'
import * as schema from './schema'

export type Database = PgliteDatabase<typeof schema>
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

export interface OpenDatabase {
  db: Database
  disk: DataDisk
  /** Resolves once everything committed by now is on the disk; at once where durability is relaxed. */
  flush: () => Promise<void>
  /** When the newest migration was made that it has had. */
  schema: number
  /** Copies the database's files to a path where nothing is, as they would be found after a power cut now. */
  copyTo: (path: string) => Promise<void>
  /** Notes where the server is reached, for commands that find the folder in use. */
  tellAddress: (address: string) => void
  /** Resolves when the disk failed under the database, which then has to be opened again. */
  failed: Promise<DiskFailed>
  /** Marks the folder as one that may be started over, since all in it was made up. */
  markDemonstration: () => void
  close: () => Promise<void>
}

const MARK = 'demonstration'

export class NoDemonstration extends Error {
  constructor(folder: string) {
    super(`The data folder ${folder} holds no demonstration, so nothing in it was removed.`)
    this.name = 'NoDemonstration'
  }
}

/** The folder was written by a version that came after this one. */
export class NewerSchema extends Error {
  constructor(folder: string) {
    super(
      `The data folder ${folder} was last used by a newer Tembrix, whose tables this one does not know. ` +
        'Nothing was changed. Start the newer version, or restore a backup from before it.',
    )
    this.name = 'NewerSchema'
  }
}

/** What is in the folder is no database that can be opened. */
export class Damaged extends Error {
  constructor(folder: string, why: string) {
    super(
      `The database in ${folder} cannot be opened (${why}). Nothing was removed. ` +
        'Copy the folder away, then restore the newest backup: npm run restore -- FILE.',
    )
    this.name = 'Damaged'
  }
}

interface Options {
  /** The empty database that a new folder copies. */
  prepared?: string
  fresh?: boolean
  durable?: boolean
  /** Called before the tables of an older version are brought to this one's; that is not done where it fails. */
  beforeUpdate?: (before: Pick<OpenDatabase, 'copyTo' | 'schema'>) => Promise<unknown>
}

const NOTHING = async () => {}

/**
 * Opens the database in a data folder, made on first use, and brings it to this version's tables.
 * `fresh` discards what a demonstration has in it before.
 * Without `durable` what is written is left to the operating system to bring to the disk.
 * @throws FolderInUse when another process has the folder open.
 * @throws NewerSchema when a newer version has brought it to its own tables.
 * @throws Damaged when what is in it cannot be opened.
 * @throws NoDemonstration when `fresh` is asked of a folder that holds a shop's own data.
 */
export async function openDatabase(
  folder: string,
  { prepared = PREPARED, fresh = false, durable = true, beforeUpdate = NOTHING }: Options = {},
): Promise<OpenDatabase> {
  const path = join(folder, 'database')
  let held: (() => void)[] = [lockFolder(folder)]
  const release = () => {
    for (const one of held) one()
    held = []
  }
  try {
    held.push(lockDatabase(path, folder))
    if (fresh) discardDemonstration(folder, path)
    if (!existsSync(path) && existsSync(prepared)) {
      copyWhole(prepared, path, durable)
      held.push(lockDatabase(path, folder))
    }
    for (const own of [folder, path]) if (existsSync(own)) chmodSync(own, 0o700)
    const disk = new DataDisk(folder)
    let fail: (error: DiskFailed) => void = () => {}
    const failed = new Promise<DiskFailed>((resolve) => {
      fail = resolve
    })
    let isDead = false
    failed.then(() => {
      isDead = true
    })
    const mount = new Mount(path, disk, durable, fail)
    const { db, client, close } = await openAt(path, mount, durable, beforeUpdate)
    return {
      db,
      disk,
      failed,
      flush: durable ? flusher(client) : async () => {},
      schema: newestKnown(),
      copyTo: (to) => copyFiles(client, path, to),
      tellAddress: (address) => noteAddress(folder, address),
      markDemonstration: () => writeFileSync(join(folder, MARK), ''),
      close: async () => {
        // A database whose disk failed cannot be asked for anything, an orderly end included.
        if (!isDead) await close()
        release()
      },
    }
  } catch (error) {
    release()
    throw error
  }
}

/** Makes the prepared database that `openDatabase` copies. */
export async function prepareDatabase(path = PREPARED): Promise<void> {
  rmSync(path, { recursive: true, force: true })
  mkdirSync(path, { recursive: true })
  const mount = new Mount(path, new DataDisk(dirname(path)), false, () => {})
  const { close } = await openAt(path, mount, false)
  await close()
}

function discardDemonstration(folder: string, path: string): void {
  if (!existsSync(path)) return
  if (!existsSync(join(folder, MARK))) throw new NoDemonstration(folder)
  rmSync(path, { recursive: true })
}

/** Waits for the disk by itself, many commits at once (see `flusher`); `wal_sync_method` is the one its mount has. */
const DURABLE = ['-c', 'synchronous_commit=off', '-c', 'wal_sync_method=fsync']

async function openAt(
  path: string,
  mount: Mount,
  durable: boolean,
  beforeUpdate: NonNullable<Options['beforeUpdate']> = NOTHING,
): Promise<Pick<OpenDatabase, 'db' | 'close'> & { client: PGlite }> {
  const usual = PGlite.defaultStartParams
  const startParams = durable ? [...usual.filter((one) => one !== '-F'), ...DURABLE] : usual
  let client: PGlite
  try {
    client = await openClient({ fs: mount, startParams })
  } catch (error) {
    throw error instanceof DiskFailed ? error : new Damaged(path, (error as Error).message)
  }
  const db = drizzle(client, { schema })
  try {
    const applied = await newestApplied(client)
    if (applied > newestKnown()) throw new NewerSchema(path)
    if (applied < newestKnown()) {
      const copyTo = (to: string) => copyFiles(client, path, to)
      if (applied > 0) await beforeUpdate({ schema: applied, copyTo })
      await migrate(db, { migrationsFolder: MIGRATIONS })
      await client.query('checkpoint')
    }
  } catch (error) {
    await client.close()
    throw error
  }
  return { db, client, close: () => client.close() }
}

/** Copies the files while no query runs; what is committed is in them, in the log if nowhere else. */
async function copyFiles(client: PGlite, from: string, to: string): Promise<void> {
  await client.query('checkpoint')
  await client.runExclusive(() => cp(from, to, { recursive: true }))
}

/**
 * Opens a database to see that it can be, and what is in it.
 * @throws Damaged where it cannot be opened.
 */
export async function checkDatabase(path: string): Promise<{ jobs: number; modules: number }> {
  let client: PGlite
  try {
    client = await openClient({ dataDir: path })
  } catch (error) {
    throw new Damaged(path, (error as Error).message)
  }
  try {
    const { rows } = await client.query<{ jobs: number; modules: number }>(
      'select (select count(*)::int from jobs) jobs, (select count(*)::int from modules) modules',
    )
    return rows[0] as { jobs: number; modules: number }
  } finally {
    await client.close()
  }
}

/** When the newest migration that this version has was made. */
export function newestKnown(): number {
  const journal = readFileSync(join(MIGRATIONS, 'meta', '_journal.json'), 'utf8')
  return (JSON.parse(journal) as { entries: { when: number }[] }).entries.at(-1)?.when ?? 0
}

/** When the newest migration was made that the database has had; 0 for one without tables. */
async function newestApplied(client: PGlite): Promise<number> {
  const { rows: tables } = await client.query<{ is: boolean }>(
    `select to_regclass('drizzle.__drizzle_migrations') is not null as is`,
  )
  if (!tables[0]?.is) return 0
  const { rows } = await client.query<{ applied: string | null }>(
    'select max(created_at)::text as applied from drizzle.__drizzle_migrations',
  )
  return Number(rows[0]?.applied ?? 0)
}
