import { type ChildProcess, spawn } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterEach, beforeEach, expect, inject, test } from 'vitest'
import { newJob } from '../test/sample'

const MAIN = fileURLToPath(new URL('./main.ts', import.meta.url))
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

/** Starts the server; `ready` is true when it serves and false when it gave up, `said` all it printed. */
async function start(...args: string[]) {
  const port = await freePort()
  const env = { ...process.env, TEMBRIX_DATA: folder, TEMBRIX_PORT: String(port) }
  const child = spawn(process.execPath, ['--import', 'tsx', MAIN, ...args], { env })
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

async function storeJob(api: string): Promise<void> {
  const headers = { 'content-type': 'application/json' }
  const response = await fetch(`${api}/jobs`, {
    method: 'POST',
    headers,
    body: JSON.stringify(newJob),
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
