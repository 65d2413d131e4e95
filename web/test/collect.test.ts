import { execFile, execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
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

test('a machine that shows nothing: the script says so and ends well', () => {
  expect(collected()).toContain('cannot be read: run this as root')
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
