import { type ChildProcess, spawn, spawnSync } from 'node:child_process'
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { afterEach, beforeEach, describe, expect, inject, test } from 'vitest'
import { builtProgram } from '../test/built'
import { newJobBody } from '../test/sample'

const PROGRAM = builtProgram()
let folder = ''
let running: ChildProcess[] = []

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'tembrix-main-'))
  cpSync(inject('prepared'), join(folder, 'database'), { recursive: true })
})

afterEach(() => {
  for (const child of running) child.kill('SIGKILL')
  running = []
  rmSync(folder, { recursive: true, force: true })
})

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })
}

interface Started {
  child: ChildProcess
  ready: boolean
  exited: Promise<number | null>
  said: () => string
  api: string
}

/** Starts the server; `ready` is true when it serves and false when it gave up, `said` all it printed. */
const start = (...args: string[]): Promise<Started> => startWith({}, { args })

/** The same in an environment of its own, after a command of the shell. */
async function startWith(
  own: Record<string, string>,
  { args = [] as string[], first = ':' } = {},
): Promise<Started> {
  const port = await freePort()
  const env = { ...process.env, TEMBRIX_DATA: folder, TEMBRIX_PORT: String(port), ...own }
  const command = [process.execPath, PROGRAM, ...args]
  const child = spawn('bash', ['-c', `${first}; exec "$@"`, 'server', ...command], { env })
  running.push(child)
  let said = ''
  const exited = new Promise<number | null>((resolve) => child.once('exit', resolve))
  const ready = await new Promise<boolean>((resolve) => {
    const hear = (chunk: Buffer) => {
      said += chunk
      if (said.includes('is ready at')) resolve(true)
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    exited.then(() => resolve(false))
  })
  return { child, ready, exited, said: () => said, api: `http://127.0.0.1:${port}/api/v1` }
}

const mount = (...args: string[]) => {
  const { status, stderr } = spawnSync('mount', args)
  if (status !== 0) throw new Error(String(stderr))
}

/** Whether this user may mount a disk; elsewhere these tests say nothing. */
function mayMount(): boolean {
  const place = mkdtempSync(join(tmpdir(), 'tembrix-mount-'))
  const may = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=1m', 'tmpfs', place]).status === 0
  if (may) spawnSync('umount', [place])
  rmSync(place, { recursive: true, force: true })
  return may
}

/** A disk of its own that the system can be told to have found a fault on; null where that cannot be had here. */
function faultyDisk() {
  const place = mkdtempSync(join(tmpdir(), 'tembrix-disk-'))
  const image = `${place}.img`
  const disk = join(place, 'disk')
  mkdirSync(disk)
  writeFileSync(image, '')
  truncateSync(image, 200_000_000)
  const end = () => {
    spawnSync('umount', ['-l', disk])
    rmSync(place, { recursive: true, force: true })
    rmSync(image, { force: true })
  }
  const made = spawnSync('mkfs.ext4', ['-q', image]).status === 0
  const there =
    made && spawnSync('mount', ['-o', 'loop,errors=remount-ro', image, disk]).status === 0
  const device = there ? spawnSync('findmnt', ['-no', 'SOURCE', disk]).stdout.toString() : ''
  const fault = join('/sys/fs/ext4', basename(device.trim() || 'none'), 'trigger_fs_error')
  if (there && existsSync(fault)) return { disk, fails: () => writeFileSync(fault, '1'), end }
  end()
  return null
}

async function storeJob(api: string): Promise<void> {
  const headers = { 'content-type': 'application/json' }
  const response = await fetch(`${api}/jobs`, {
    method: 'POST',
    headers,
    body: JSON.stringify(newJobBody),
  })
  expect(response.status).toBe(201)
}

async function jobCount(api: string): Promise<number> {
  return ((await (await fetch(`${api}/jobs`)).json()) as unknown[]).length
}

test('a second process is refused the folder by name, and the first goes on', async () => {
  const first = await start()
  await storeJob(first.api)
  const second = await start()
  expect(second.ready).toBe(false)
  expect(await second.exited).toBe(1)
  expect(second.said()).toContain(`The data folder ${folder} is already open`)
  expect(await jobCount(first.api)).toBe(1)
})

test.each(['SIGTERM', 'SIGINT'] as const)('%s ends it cleanly', async (signal) => {
  const first = await start()
  await storeJob(first.api)
  first.child.kill(signal)
  expect(await first.exited).toBe(0)
  const again = await start()
  expect(await jobCount(again.api)).toBe(1)
})

test('after a kill what was stored is there, and the folder is free at once', async () => {
  const first = await start()
  await storeJob(first.api)
  first.child.kill('SIGKILL')
  await first.exited
  const again = await start()
  expect(again.ready).toBe(true)
  expect(await jobCount(again.api)).toBe(1)
})

test('starting over removes a demonstration, but not a shop’s own data nor one that is open', async () => {
  const shop = await start()
  await storeJob(shop.api)
  shop.child.kill('SIGTERM')
  await shop.exited
  const refused = await start('--demo', '--fresh')
  expect([refused.ready, refused.said()]).toEqual([
    false,
    expect.stringContaining('nothing in it was removed'),
  ])

  rmSync(join(folder, 'database'), { recursive: true })
  const demo = await start('--demo')
  await storeJob(demo.api)
  const many = await jobCount(demo.api)
  const second = await start('--demo', '--fresh')
  expect([second.ready, second.said()]).toEqual([false, expect.stringContaining('already open')])
  expect(await jobCount(demo.api)).toBe(many)
  demo.child.kill('SIGTERM')
  await demo.exited
  const again = await start('--demo', '--fresh')
  expect(await jobCount(again.api)).toBe(many - 1)
})

test('one folder, one server: also when its lock file was deleted', async () => {
  const first = await start()
  await storeJob(first.api)
  rmSync(join(folder, 'in-use.lock'))
  const second = await start()
  expect([second.ready, second.said()]).toEqual([false, expect.stringContaining('already open')])
  expect(await jobCount(first.api)).toBe(1)
})

test('a folder of a newer version is left alone, and it says what to do', async () => {
  const client = await PGlite.create(join(folder, 'database'))
  await client.query(
    `insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 9999999999999)`,
  )
  await client.close()
  const refused = await start()
  expect([refused.ready, refused.said()]).toEqual([false, expect.stringContaining('newer Tembrix')])
})

test('a damaged folder is left alone, and it says what to do', async () => {
  const control = join(folder, 'database', 'global', 'pg_control')
  writeFileSync(control, Buffer.alloc(8192, 7))
  const refused = await start()
  expect([refused.ready, refused.said()]).toEqual([
    false,
    expect.stringContaining('restore the newest backup'),
  ])
  expect(readFileSync(control)).toEqual(Buffer.alloc(8192, 7))
})

test('what is stored is its owner’s to read alone', async () => {
  rmSync(join(folder, 'database'), { recursive: true })
  const shop = await start()
  await storeJob(shop.api)
  const names = readdirSync(folder, { recursive: true, encoding: 'utf8' })
  expect(names.length).toBeGreaterThan(1000)
  const open = ['', ...names].filter((name) => (statSync(join(folder, name)).mode & 0o077) !== 0)
  expect(open).toEqual([])
})

test('durability is full or relaxed, nothing else', async () => {
  const wrong = await startWith({ TEMBRIX_DURABILITY: 'some' })
  expect([wrong.ready, wrong.said()]).toEqual([
    false,
    expect.stringContaining('TEMBRIX_DURABILITY'),
  ])
})

describe.runIf(mayMount())('on a small disk', () => {
  let disk = ''

  beforeEach(() => {
    disk = mkdtempSync(join(tmpdir(), 'tembrix-disk-'))
    mount('-t', 'tmpfs', '-o', 'size=90m', 'tmpfs', disk)
    cpSync(join(folder, 'database'), join(disk, 'database'), { recursive: true })
  })

  afterEach(() => {
    spawnSync('umount', ['-l', disk])
    rmSync(disk, { recursive: true, force: true })
  })

  const status = async (api: string, init?: RequestInit) =>
    (await fetch(`${api}/jobs`, { ...init, signal: AbortSignal.timeout(20_000) })).status
  const job = {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(newJobBody),
  }

  test('full: reading goes on, writing is refused in words, and it recovers by itself', async () => {
    const shop = await startWith({ TEMBRIX_DATA: disk })
    expect(await status(shop.api, job)).toBe(201)
    const filler = join(disk, 'filler')
    expect(() => writeFileSync(filler, Buffer.alloc(90_000_000))).toThrow('ENOSPC')
    expect(await status(shop.api, job)).toBe(507)
    expect(await status(shop.api)).toBe(200)
    rmSync(filler)
    expect(await status(shop.api, job)).toBe(201)
    expect(await jobCount(shop.api)).toBe(2)
    shop.child.kill('SIGTERM')
    expect(await shop.exited).toBe(0)
  })
})

test('a disk that the system writes to no more, after a fault: reading goes on, writing is refused in words', async (context) => {
  const faulty = faultyDisk()
  if (!faulty) return context.skip()
  try {
    const shop = await startWith({ TEMBRIX_DATA: join(faulty.disk, 'data') })
    await storeJob(shop.api)
    faulty.fails()
    const headers = { 'content-type': 'application/json' }
    const refused = await fetch(`${shop.api}/jobs`, {
      method: 'POST',
      headers,
      body: JSON.stringify(newJobBody),
    })
    expect([refused.status, await refused.text()]).toEqual([
      507,
      expect.stringContaining('cannot be written to'),
    ])
    expect(await jobCount(shop.api)).toBe(1)
    shop.child.kill('SIGTERM')
    expect(await shop.exited).toBe(0)
  } finally {
    faulty.end()
  }
})

test('a disk that fails under the log of the database: nothing hangs, and it is opened again', async () => {
  // Its log has files of 16 MB, into the last of which the empty database reaches some way.
  const limited = await startWith({}, { first: 'ulimit -f 14000' })
  expect(limited.ready).toBe(true)
  const note = Array.from({ length: 400 }, () => Math.random().toString(36).slice(2, 12)).join('')
  const store = () =>
    fetch(`${limited.api}/customers`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Runa', note }),
      signal: AbortSignal.timeout(20_000),
    }).then(
      ({ status }) => status,
      () => 0,
    )
  let stored = 0
  while ((await store()) === 201) stored += 1
  expect(stored).toBeGreaterThan(10)
  await expect.poll(limited.said, { timeout: 30_000 }).toContain('The disk failed')
  limited.child.kill('SIGTERM')
  expect(await limited.exited).toBe(0)

  const again = await start()
  const customers = (await (await fetch(`${again.api}/customers?limit=1000`)).json()) as unknown[]
  expect(customers.length).toBeGreaterThanOrEqual(Math.min(stored, 1000))
})
