import { execFile, execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { answerTo, writeDdr4, writeSmbios } from '@tembrix/core/reading/inputs'
import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import type { Module } from '@tembrix/core/things/model'
import { afterAll, expect, onTestFinished, test } from 'vitest'

const SCRIPT = fileURLToPath(new URL('../public/collect.sh', import.meta.url))
const root = mkdtempSync(join(tmpdir(), 'tembrix-collect-'))
afterAll(() => rmSync(root, { recursive: true, force: true }))

const put = (path: string, content: string | Uint8Array) => {
  const file = join(root, path)
  mkdirSync(join(file, '..'), { recursive: true })
  writeFileSync(file, content)
}
const collected = () =>
  execFileSync('sh', [SCRIPT], { env: { ...process.env, TEMBRIX_ROOT: root }, encoding: 'utf8' })

const module: Module = {
  article: 'LRK4-8-3200',
  generation: 'DDR4',
  formFactor: 'SODIMM',
  buffering: 'unbuffered',
  ecc: false,
  capacityGiB: 8,
  ranks: 1,
  deviceWidth: 8,
  voltages: [1.2],
  speeds: [{ kind: 'standard', dataRate: 3200, cl: 22, trcd: 22, trp: 22, tras: 52 }],
  kit: null,
}
const identity = { serial: '0A1B2C3D', partNumber: 'LRK4-8-3200', makerCode: '7F98' }

/** Runs the script to its end, whatever that is. */
const run = (...args: string[]) =>
  new Promise<{ status: number | null; out: string; error: string }>((resolve) => {
    const env = { ...process.env, TEMBRIX_ROOT: root }
    const child = execFile('sh', [SCRIPT, ...args], { env }, (_, out, error) =>
      resolve({ status: child.exitCode, out, error }),
    )
  })

/** A server on loopback that gives one answer to everything; its address. */
async function answering(status: number, body: string): Promise<string> {
  const server = createServer((request, response) => {
    request.resume().on('end', () => response.writeHead(status).end(body))
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  onTestFinished(() => void server.close())
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`
}

test('a machine that shows nothing: the script says so in words and ends with an error', async () => {
  const { status, out, error } = await run()
  expect(out).toContain('(the memory devices cannot be read')
  expect(out).toContain('== end ==')
  expect(error).toContain('Not all is in the report: the memory devices cannot be read')
  expect(status).toBe(1)
})

test('a refusal is told in the words of the answer, and the report is kept', async () => {
  const words = 'The code has run out. Make a new one in the job.'
  const address = await answering(410, JSON.stringify({ error: { code: 'late', message: words } }))
  const { status, error } = await run(address, '123456')
  expect(error).toContain(words)
  const kept = /kept in (\S+):/.exec(error)?.[1] ?? ''
  expect(readFileSync(kept, 'utf8')).toContain('== memory report 1 ==')
  rmSync(kept)
  expect(status).toBe(1)
})

test.each([
  [404, 'The code is not known there or has run out.'],
  [500, "The shop's computer refused it (answer 500)."],
])('an answer of %i without words: %s', async (status, words) => {
  const { error } = await run(await answering(status, ''), '123456')
  rmSync(/kept in (\S+):/.exec(error)?.[1] ?? '')
  expect(error).toContain(words)
})

test('no answer at all is said with the address', async () => {
  const { status, error } = await run('http://127.0.0.1:9', '123456')
  rmSync(/kept in (\S+):/.exec(error)?.[1] ?? '')
  expect(error).toContain('No answer from http://127.0.0.1:9')
  expect(status).toBe(1)
})

test('what the script prints is read as one report: devices, contents, memory in use', () => {
  const laptop = STARTING_MACHINES.find(({ id }) => id === 'laptop-2')?.machine
  if (!laptop) throw new Error('no laptop')
  put(
    'sys/firmware/dmi/tables/DMI',
    writeSmbios(laptop, [
      { locator: 'B', bank: 'BANK 2', module, identity, configuredDataRate: 2666 },
    ]),
  )
  put('sys/bus/i2c/drivers/ee1004/0-0050/eeprom', writeDdr4(module, identity))
  put(
    'proc/meminfo',
    'MemTotal:        8129000 kB\nMemFree:  100 kB\nMemAvailable:    2000000 kB\nSwapTotal:  2097148 kB\nSwapFree: 97148 kB\n',
  )
  const counters = 'sys/devices/system/edac/mc/mc0'
  put(`${counters}/ce_count`, '3\n')
  put(`${counters}/ue_count`, '0\n')
  put(`${counters}/dimm1/dimm_label`, 'DIMM_B\n')
  put(`${counters}/dimm1/dimm_ce_count`, '3\n')
  put('proc/swaps', 'Filename Type Size Used Priority\n/swapfile file 2097148 2000000 -2\n')

  const { modules, machine, system, problems } = answerTo(collected())
  expect(problems).toEqual([])
  expect(machine).toMatchObject({ slotCount: 2, maximumGiB: 64 })
  expect(modules.map(({ verified, module: { serial } }) => [verified, serial])).toEqual([
    [false, '0A1B2C3D'],
    [true, '0A1B2C3D'],
  ])
  expect(modules[0]?.observed?.configuredDataRate).toBe(2666)
  expect(system?.pageFileUsedGiB).toBeCloseTo(1.9, 1)
  expect(system?.systemBits).toBe(process.arch.endsWith('64') ? 64 : 32)
  expect(system?.errorLog).toEqual({
    corrected: 3,
    uncorrected: 0,
    machineChecks: 0,
    bySlot: { DIMM_B: 3 },
    since: 'start',
  })
})

test('with an address and a code it sends what it collects there, and says what came of it', async () => {
  const got: {
    method: string | undefined
    url: string | undefined
    type: string | undefined
    text: string
  }[] = []
  const server = createServer((request, response) => {
    let text = ''
    request.setEncoding('utf8')
    request.on('data', (part: string) => {
      text += part
    })
    request.on('end', () => {
      const { method, url, headers } = request
      got.push({ method, url, type: headers['content-type'], text })
      response.writeHead(201).end('Received, for job 7.\n')
    })
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  onTestFinished(() => void server.close())
  const { port } = server.address() as AddressInfo
  const said = await new Promise<string>((resolve, reject) => {
    const env = { ...process.env, TEMBRIX_ROOT: root }
    execFile('sh', [SCRIPT, `http://127.0.0.1:${port}/`, '123456'], { env }, (error, stdout) =>
      error ? reject(error) : resolve(stdout),
    )
  })
  expect(said).toBe('Received, for job 7.\n')
  expect(got).toMatchObject([
    { method: 'POST', url: '/api/v1/probe/report/123456', type: 'text/plain' },
  ])
  expect(got[0]?.text).toBe(collected())
})
