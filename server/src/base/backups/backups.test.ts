import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import {
  afterAll,
  afterEach,
  beforeAll,
  beforeEach,
  describe,
  expect,
  inject,
  test,
  vi,
} from 'vitest'
import { customers, type OpenDatabase, openDatabase } from '../database'
import { type BackupFolder, checkAlone, isDue, listBackups, makeBackup, makeNightly } from '.'

let folder = ''
let backups: BackupFolder
let open: OpenDatabase | null = null

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'tembrix-backups-'))
  backups = { folder: join(folder, 'backups'), kept: 3 }
})

afterEach(async () => {
  await open?.close()
  open = null
  rmSync(folder, { recursive: true, force: true })
})

async function opened(): Promise<OpenDatabase> {
  open = await openDatabase(folder, { prepared: inject('prepared') })
  return open
}

async function closed(): Promise<void> {
  await open?.close()
  open = null
}

const store = (name: string) =>
  (open as OpenDatabase).db.insert(customers).values({ name, phone: '', email: '', note: '' })

const names = async () =>
  (await (open as OpenDatabase).db.select().from(customers)).map(({ name }) => name)

const pathOf = (name: string) => join(backups.folder, name)

test('a backup, more work, restored: as on the day of the backup, and what was there is kept', async () => {
  const database = await opened()
  await store('before')
  const { name, bytes } = await makeBackup(database, backups)
  expect(bytes).toBeGreaterThan(100_000)
  await store('after')
  await closed()

  const checked = await checkAlone(pathOf(name), folder)
  expect(checked).toMatchObject({ jobs: 0, modules: 0, manifest: { schema: database.schema } })
  const kept = await checked.restore()
  expect(existsSync(kept as string)).toBe(true)
  await opened()
  expect(await names()).toEqual(['before'])
  expect(readdirSync(folder).filter((one) => one.startsWith('.'))).toEqual([])
})

test('one made while others write holds all that was stored before it', async () => {
  const database = await opened()
  const writes = Array.from({ length: 30 }, (_, at) => store(String(at)))
  await Promise.all(writes.slice(0, 10))
  const { name } = await makeBackup(database, backups)
  await Promise.all(writes)
  await closed()
  const { restore } = await checkAlone(pathOf(name), folder)
  await restore()
  await opened()
  expect(await names()).toEqual(
    expect.arrayContaining(Array.from({ length: 10 }, (_, at) => `${at}`)),
  )
})

describe('nothing is changed by', () => {
  let ready = ''
  let name = ''

  beforeAll(async () => {
    ready = mkdtempSync(join(tmpdir(), 'tembrix-backups-'))
    const database = await openDatabase(ready, { prepared: inject('prepared') })
    await database.db.insert(customers).values({ name: 'mine', phone: '', email: '', note: '' })
    const made = await makeBackup(database, { folder: join(ready, 'backups'), kept: 3 })
    name = made.name
    await database.close()
  })

  afterAll(() => rmSync(ready, { recursive: true, force: true }))

  beforeEach(async () => {
    cpSync(ready, folder, { recursive: true })
    await opened()
  })

  async function refused(file: string, why: string | RegExp) {
    await closed()
    await expect(checkAlone(file, folder)).rejects.toThrow(why)
    await opened()
    expect(await names()).toEqual(['mine'])
    expect(readdirSync(folder).filter((one) => one.includes('restor'))).toEqual([])
  }

  test('a file that is cut short', async () => {
    const whole = readFileSync(pathOf(name))
    writeFileSync(pathOf(name), whole.subarray(0, whole.length / 2))
    await refused(pathOf(name), 'is no backup')
  })

  test('a file of something else', async () => {
    writeFileSync(pathOf(name), 'not at all')
    await refused(pathOf(name), 'is no backup')
  })

  test('a restore while a server has the folder open', async () => {
    await expect(checkAlone(pathOf(name), folder)).rejects.toThrow('already open')
    expect(await names()).toEqual(['mine'])
  })

  test('a restore that is not confirmed', async () => {
    await closed()
    const { leave } = await checkAlone(pathOf(name), folder)
    await leave()
    await opened()
    expect(await names()).toEqual(['mine'])
  })
})

test('the newest are kept, in order', async () => {
  const database = await opened()
  const two = { ...backups, kept: 2 }
  for (const hour of [1, 2, 3]) {
    await makeBackup(database, two, { now: new Date(2030, 4, 6, hour) })
  }
  expect((await listBackups(two)).map((one) => one.name)).toEqual([
    'tembrix-2030-05-06T030000.tar.gz',
    'tembrix-2030-05-06T020000.tar.gz',
  ])
  expect(readdirSync(backups.folder)).toHaveLength(2)
})

test('imported ones stay beside those kept, also under the name they had before', async () => {
  const database = await opened()
  mkdirSync(backups.folder, { recursive: true })
  const imported = [
    'tembrix-2020-01-01T010000-brought.tar.gz',
    'tembrix-2020-01-01T020000-imported.tar.gz',
  ]
  for (const name of imported) writeFileSync(join(backups.folder, name), '')
  const one = { ...backups, kept: 1 }
  for (const hour of [1, 2]) {
    await makeBackup(database, one, { now: new Date(2030, 4, 6, hour) })
  }
  const names = (await listBackups(one)).map(({ name }) => name)
  expect(names).toEqual(['tembrix-2030-05-06T020000.tar.gz', ...imported.toReversed()])
})

test('before the tables are brought to a new version there is a backup, and without it they are not', async () => {
  const database = await opened()
  await store('mine')
  const newest = database.schema
  await database.db.execute(`delete from drizzle.__drizzle_migrations where created_at >
    (select min(created_at) from drizzle.__drizzle_migrations)`)
  await closed()
  const failing = openDatabase(folder, {
    beforeUpdate: async () => {
      throw new Error('no room for a backup')
    },
  })
  await expect(failing).rejects.toThrow('no room for a backup')

  let schema = 0
  const again = openDatabase(folder, {
    beforeUpdate: (before) => {
      schema = before.schema
      return makeBackup(before, backups, { beforeUpdate: true })
    },
  })
  // All but the first migration were made already: the second fails when it is made again, after the backup.
  await expect(again).rejects.toThrow()
  expect(schema).toBeLessThan(newest)
  expect((await listBackups(backups))[0]?.name).toContain('-before-update')
})

test('a backup is due once a night, and in the morning where the computer was off', () => {
  const at = (day: number, hour: number) => new Date(2030, 4, day, hour)
  expect(isDue(null, at(6, 12))).toBe(true)
  expect(isDue(at(5, 12), at(6, 2))).toBe(false)
  expect(isDue(at(5, 12), at(6, 3))).toBe(true)
  expect(isDue(at(6, 3), at(6, 23))).toBe(false)
  expect(isDue(at(2, 3), at(6, 9))).toBe(true)
})

test('the nightly backup is made of a database that was tidied', async () => {
  const database = await opened()
  await store('mine')
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
  const end = makeNightly(database, backups)
  vi.advanceTimersByTime(10 * 60_000)
  end()
  vi.useRealTimers()
  await vi.waitFor(async () => expect(await listBackups(backups)).toHaveLength(1), 30_000)
  const { rows } = await database.db.execute(
    sql`select last_vacuum is not null as tidied from pg_stat_user_tables where relname = 'customers'`,
  )
  expect(rows).toEqual([{ tidied: true }])
})
