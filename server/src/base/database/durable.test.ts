import fs, {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readlinkSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:http'
import { syncBuiltinESMExports } from 'node:module'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { afterEach, beforeEach, expect, inject, test } from 'vitest'
import { createApp } from '../../app'
import { customers, type OpenDatabase, openDatabase } from '.'

const real = fs.fsyncSync
let folder = ''
let open: OpenDatabase | null = null
let flushed: string[] = []
let ends: (() => Promise<unknown>)[] = []

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'tembrix-durable-'))
  flushed = []
})

afterEach(async () => {
  for (const end of ends.reverse()) await end()
  ends = []
  open = null
  fs.fsyncSync = real
  syncBuiltinESMExports()
  rmSync(folder, { recursive: true, force: true })
})

/** Hears of every flush that reaches the system, by the path of what is flushed. */
function hearFlushes(heard: (path: string) => void): void {
  fs.fsyncSync = (descriptor) => {
    real(descriptor)
    heard(readlinkSync(`/proc/self/fd/${descriptor}`))
  }
  syncBuiltinESMExports()
}

async function serve({ durable = true } = {}): Promise<string> {
  open = await openDatabase(folder, { prepared: inject('prepared'), durable })
  const { db, disk, flush, close } = open
  const storage = { trouble: () => disk.trouble(), flush }
  const server = createServer(createApp(db, undefined, { storage }))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  ends.push(close, async () => {
    server.closeAllConnections()
    await new Promise((resolve) => server.close(resolve))
  })
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1`
}

async function store(base: string, name: string): Promise<string> {
  const response = await fetch(`${base}/customers`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name }),
  })
  expect(response.status).toBe(201)
  return ((await response.json()) as { id: string }).id
}

/** A disk that keeps what was flushed to it and nothing else, as one does whose power is cut. */
function platterOf(path: string): string {
  const platter = join(folder, 'platter')
  cpSync(path, platter, { recursive: true })
  hearFlushes((flushedPath) => {
    const inside = relative(path, flushedPath)
    if (inside.startsWith('..')) return
    const kept = join(platter, inside)
    if (!statSync(flushedPath).isDirectory()) {
      cpSync(flushedPath, kept)
      return
    }
    mkdirSync(kept, { recursive: true })
    for (const name of readdirSync(flushedPath)) {
      if (!existsSync(join(kept, name)) && statSync(join(flushedPath, name)).isFile()) {
        writeFileSync(join(kept, name), '')
      }
    }
    for (const name of readdirSync(kept)) {
      if (!existsSync(join(flushedPath, name))) rmSync(join(kept, name), { recursive: true })
    }
  })
  return platter
}

async function namesOn(path: string): Promise<string[]> {
  const client = await PGlite.create(path)
  const { rows } = await client.query<{ id: string }>('select id from customers')
  await client.close()
  return rows.map(({ id }) => id)
}

test('a power cut after any answer: everything answered is on the disk', async () => {
  const base = await serve()
  const platter = platterOf(join(folder, 'database'))
  const answered: string[] = []
  for (let round = 0; round < 5; round += 1) {
    const together = Array.from({ length: 1 + 10 * round }, (_, at) =>
      store(base, `${round} ${at}`),
    )
    answered.push(...(await Promise.all(together)))
    const cut = join(folder, `cut-${round}`)
    cpSync(platter, cut, { recursive: true })
    expect(await namesOn(cut)).toEqual(expect.arrayContaining(answered))
  }
  expect(answered).toHaveLength(105)
})

const REST = { phone: '', email: '', note: '' }

test('who waits at the same time shares a flush; alone each has its own', async () => {
  open = await openDatabase(folder, { prepared: inject('prepared') })
  const { db, flush, close } = open
  ends.push(close)
  hearFlushes((path) => flushed.push(path))
  const write = async (name: string) => {
    await db.insert(customers).values({ name, ...REST })
    expect(flushed).toHaveLength(0)
    await flush()
  }
  await write('alone')
  expect(flushed).toHaveLength(1)
  flushed = []
  await Promise.all(
    Array.from({ length: 40 }, async (_, at) => {
      await db.insert(customers).values({ name: String(at), ...REST })
      await flush()
    }),
  )
  expect(flushed.length).toBeGreaterThan(0)
  expect(flushed.length).toBeLessThan(10)
})

test('what only asks waits for no flush', async () => {
  const base = await serve()
  hearFlushes((path) => flushed.push(path))
  expect((await fetch(`${base}/jobs`)).status).toBe(200)
  expect(flushed).toEqual([])
})

test('relaxed, nothing is flushed', async () => {
  hearFlushes((path) => flushed.push(path))
  const base = await serve({ durable: false })
  await store(base, 'someone')
  expect(flushed.filter((path) => path.includes('database'))).toEqual([])
})
