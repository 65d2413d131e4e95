import {
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { MIGRATIONS, PREPARED } from '../paths'
import { lockFolder } from './lock'
import * as schema from './schema'

export type Database = PgliteDatabase<typeof schema>
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

export interface OpenDatabase {
  db: Database
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

/**
 * Opens the database in a data folder, made on first use, and brings it to this version's tables.
 * `fresh` discards what a demonstration has in it before.
 * @throws FolderInUse when another process has the folder open.
 * @throws NoDemonstration when `fresh` is asked of a folder that holds a shop's own data.
 */
export async function openDatabase(
  folder: string,
  { prepared = PREPARED, fresh = false } = {},
): Promise<OpenDatabase> {
  const release = lockFolder(folder)
  try {
    const path = join(folder, 'database')
    if (fresh) discardDemonstration(folder, path)
    if (!existsSync(path) && existsSync(prepared)) copyWhole(prepared, path)
    const { db, close } = await openAt(path)
    return {
      db,
      markDemonstration: () => writeFileSync(join(folder, MARK), ''),
      close: async () => {
        await close()
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
  const { close } = await openAt(path)
  await close()
}

function discardDemonstration(folder: string, path: string): void {
  if (!existsSync(path)) return
  if (!existsSync(join(folder, MARK))) throw new NoDemonstration(folder)
  rmSync(path, { recursive: true })
}

async function openAt(path: string): Promise<Pick<OpenDatabase, 'db' | 'close'>> {
  mkdirSync(path, { recursive: true })
  const client = await PGlite.create(path)
  const db = drizzle(client, { schema })
  if (!(await isCurrent(client))) await migrate(db, { migrationsFolder: MIGRATIONS })
  return { db, close: () => client.close() }
}

/** Whether the newest migration has been applied, asked in one query, as at nearly every start it has. */
async function isCurrent(client: PGlite): Promise<boolean> {
  const journal = readFileSync(join(MIGRATIONS, 'meta', '_journal.json'), 'utf8')
  const newest = (JSON.parse(journal) as { entries: { when: number }[] }).entries.at(-1)?.when
  try {
    const { rows } = await client.query<{ applied: string }>(
      'select max(created_at)::text as applied from drizzle.__drizzle_migrations',
    )
    return rows[0]?.applied === String(newest)
  } catch {
    return false
  }
}

/** Copies a folder so that it is there as a whole or not at all. */
function copyWhole(from: string, to: string): void {
  const partial = `${to}.partial`
  rmSync(partial, { recursive: true, force: true })
  cpSync(from, partial, { recursive: true })
  renameSync(partial, to)
}
