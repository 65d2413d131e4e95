import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, onTestFinished, test } from 'vitest'
import { newJobBody } from '../../../test/sample'
import { useServer } from '../../../test/server'
import { writeAll } from '../../acts'
import { createProbeApp, ProbeListener, probeAddress, Senders } from '.'

const { get, post, raw, db } = useServer()
const folder = mkdtempSync(join(tmpdir(), 'tembrix-probe-'))
let base = ''
let stop = async () => {}

beforeAll(async () => {
  mkdirSync(join(folder, 'assets'))
  const files = {
    'probe.html': '<script src="/assets/probe-1.js"></script>',
    'index.html': '<script src="/assets/app-1.js"></script>',
    'assets/probe-1.js': 'import "./shared-1.js"; new URL("worker-1.js", import.meta.url)',
    'assets/shared-1.js': '1',
    'assets/worker-1.js': '2',
    'assets/app-1.js': '3',
  }
  for (const [name, text] of Object.entries(files)) writeFileSync(join(folder, name), text)
  const served = await serve()
  base = served.base
  stop = served.stop
})

async function serve() {
  const server = createServer(createProbeApp(db(), folder, new Senders(), writeAll))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return {
    base: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    stop: async () => {
      server.closeAllConnections()
      await new Promise((resolve) => server.close(resolve))
    },
  }
}

afterAll(async () => {
  await stop()
  rmSync(folder, { recursive: true, force: true })
})

const status = async (path: string, init?: RequestInit) => (await fetch(base + path, init)).status

test('the probe’s page and what it is made of are there', async () => {
  for (const path of ['/probe', '/', '/assets/probe-1.js', '/assets/shared-1.js']) {
    expect(await status(path)).toBe(200)
  }
  expect(await status('/assets/worker-1.js')).toBe(200)
})

test('every other route of the main server is not', async () => {
  const { id } = (await post('/jobs', newJobBody)).body
  const api = [
    'health',
    'customers',
    'machines',
    'models',
    'modules',
    'jobs',
    `jobs/${id}`,
    'plans',
    'fits',
    'verifications',
    'measurements',
    'frames',
    'quotes',
    'shop',
    'readings',
    'photos',
    'learned',
    'price-lists',
    'validated-lists',
    'supplier/search',
    'probe/listener',
  ]
  for (const path of api) expect([path, await status(`/api/v1/${path}`)]).toEqual([path, 404])
  const posted = { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }
  for (const path of ['jobs', 'evaluate', 'plan', 'compare', 'diagnose', 'probe/codes', 'read']) {
    expect([path, await status(`/api/v1/${path}`, posted)]).toEqual([path, 404])
  }
  const put = { ...posted, method: 'PUT', body: '{"on":true}' }
  expect(await status('/api/v1/probe/listener', put)).toBe(404)
  for (const path of ['/index.html', '/assets/app-1.js', '/jobs', '/../probe.html', '/assets/']) {
    expect([path, await status(path)]).toEqual([path, path === '/../probe.html' ? 200 : 404])
  }
})

test('a code opens its job there, and wrong ones are counted by sender', async () => {
  const { id: jobId } = (await post('/jobs', newJobBody)).body
  const { code } = (await post('/probe/codes', { jobId })).body
  const open = (sent: string, origin = base) =>
    fetch(`${base}/api/v1/probe/open`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin },
      body: JSON.stringify({ code: sent }),
    })
  expect((await open(code, 'http://elsewhere.example')).status).toBe(403)
  const opened = await open(code)
  expect(opened.status).toBe(200)
  expect(Object.keys((await opened.json()) as object).sort()).toEqual([
    'changes',
    'number',
    'token',
    'until',
  ])
  const tries = []
  for (let at = 0; at < 11; at += 1) tries.push((await open('12 34 5x')).status)
  expect(tries).toEqual([...new Array(10).fill(404), 429])
  // The shop’s own listener counts by itself: another sender is not held up.
  expect((await post('/probe/open', { code: '99999x' })).status).toBe(404)
})

test('off by default, switched on and off; without an address not at all', async () => {
  expect(probeAddress(undefined)).toBeNull()
  expect(probeAddress('0.0.0.0:4311')).toEqual({ host: '0.0.0.0', port: 4311 })
  for (const bad of ['4311', 'host:', 'host:0', ':80', 'a:99999']) {
    expect(() => probeAddress(bad)).toThrow('TEMBRIX_PROBE must be host:port')
  }
  const free = createServer()
  await new Promise<void>((resolve) => free.listen(0, '127.0.0.1', resolve))
  const { port } = free.address() as AddressInfo
  await new Promise((resolve) => free.close(resolve))
  const listener = new ProbeListener(
    db(),
    folder,
    { host: '127.0.0.1', port },
    new Senders(),
    writeAll,
  )
  const reach = () => fetch(`http://127.0.0.1:${port}/probe`).then(({ status: is }) => is)
  expect(listener.state).toEqual({ configured: true, address: null })
  await expect(reach()).rejects.toThrow()
  await listener.on()
  expect(listener.state.address).toBe(`http://127.0.0.1:${port}/probe`)
  expect(await reach()).toBe(200)
  await listener.off()
  await expect(reach()).rejects.toThrow()

  // Nobody uses it: it goes off by itself.
  const short = new ProbeListener(
    db(),
    folder,
    { host: '127.0.0.1', port },
    new Senders(),
    writeAll,
    null,
    300,
  )
  await short.on()
  expect(short.state.address).not.toBeNull()
  await expect.poll(() => short.state.address, { timeout: 5000 }).toBeNull()
  await expect(reach()).rejects.toThrow()
})

test('a report comes in by a code, once; what says nothing of memory does not use it up', async () => {
  const own = await serve()
  onTestFinished(own.stop)
  const { id: jobId } = (await post('/jobs', newJobBody)).body
  const { code } = (await post('/probe/codes', { jobId })).body
  const send = async (body: string, to = code) => {
    const url = `${own.base}/api/v1/probe/report/${to}`
    const answer = await fetch(url, { method: 'POST', body })
    return { status: answer.status, text: await answer.text() }
  }
  const console = '8GB 1Rx8 PC4-3200AA-SA2-11\n'
  expect(await send('nothing at all')).toMatchObject({ status: 400 })
  expect((await send('a'.repeat(1_600_000))).status).toBe(413)
  expect((await send(console, '00000x')).status).toBe(404)
  expect(await send(console)).toEqual({
    status: 201,
    text: expect.stringMatching(/^Received, for job \d+\.\n$/),
  })
  expect((await send(console)).status).toBe(410)
  const { readings } = (await get(`/jobs/${jobId}`)).body
  expect(readings).toMatchObject([{ name: 'report by code', text: console, base64: null }])
})

test('the modules of a report are in their slots with it, and never in place of others', async () => {
  const own = await serve()
  onTestFinished(own.stop)
  const { id: jobId } = (await post('/jobs', newJobBody)).body
  const send = async (...slots: string[]) => {
    const { code } = (await post('/probe/codes', { jobId })).body
    const device = (locator: string, at: number) =>
      `Memory Device\n\tSize: 8 GB\n\tForm Factor: SODIMM\n\tLocator: ${locator}\n\tType: DDR4\n\tSerial Number: 0A1B2C0${at}`
    const body = slots.map(device).join('\n\n')
    return fetch(`${own.base}/api/v1/probe/report/${code}`, { method: 'POST', body })
  }
  expect((await send('ChannelA-DIMM0')).status).toBe(201)
  const first = (await get(`/jobs/${jobId}`)).body
  expect(first.modules).toMatchObject([{ source: 'customer', module: { capacityGiB: 8 } }])
  expect(first.found).toEqual({ A: { moduleId: first.modules[0].id, unit: 0 } })

  expect((await send('ChannelA-DIMM0', 'ChannelB-DIMM0')).status).toBe(201)
  const second = (await get(`/jobs/${jobId}`)).body
  expect(second.modules).toHaveLength(2)
  expect(second.found.A).toEqual(first.found.A)
  expect(Object.keys(second.found)).toEqual(['A', 'B'])
})

test('the main server says that it was not told where', async () => {
  expect((await get('/probe/listener')).body).toEqual({ configured: false, address: null })
  const put = await raw('/probe/listener', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: '{"on":true}',
  })
  expect(put).toMatchObject({ status: 409, body: { error: { code: 'not_configured' } } })
})
