import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import { expect, test } from 'vitest'
import { useServer } from '../../../test/server'

const { raw, post } = useServer()

test('reads a label from text', async () => {
  const { status, body } = await post('/read', { text: '8GB 1Rx8 PC4-2666V-SA1-11' })
  expect(status).toBe(200)
  expect(body).toEqual({
    format: 'label',
    modules: [
      {
        slot: null,
        module: expect.objectContaining({ capacityGiB: 8, formFactor: 'SODIMM', dieGbit: 8 }),
        observed: null,
        observedVolts: null,
        verified: false,
      },
    ],
    machine: null,
    system: null,
    problems: [],
    parts: [{ format: 'label', from: 1, to: 1 }],
  })
})

test('reads bytes, and says what it does not know', async () => {
  const bytes = new Uint8Array(512)
  bytes[2] = 0x0c
  const { status, body } = await post('/read', { base64: Buffer.from(bytes).toString('base64') })
  expect(status).toBe(200)
  expect(body.format).toBe('spd-ddr4')
  expect(body.modules[0].verified).toBe(false)
  expect((await post('/read', { text: 'nothing of the kind' })).body).toMatchObject({
    format: 'unknown',
    modules: [],
    problems: [{ code: 'NOTHING_READ', where: null }],
  })
})

test('reads slots of a listing with the machine round them', async () => {
  const text =
    'Physical Memory Array\nNumber Of Devices: 2\nMaximum Capacity: 64 GB\nError Correction Type: None\nMemory Device\nSize: 8 GB\nLocator: ChannelB-DIMM0\nType: DDR4\nSpeed: 3200 MT/s\nConfigured Memory Speed: 1600 MT/s'
  const { body } = await post('/read', { text })
  expect(body.machine).toMatchObject({ slotCount: 2, maximumGiB: 64, ecc: 'none' })
  expect(body.modules[0]).toMatchObject({
    slot: { locator: 'ChannelB-DIMM0', channel: 'B' },
    observed: { configuredDataRate: 3200, clockOrRate: 'clock' },
  })
})

test.each<[string, unknown, number]>([
  ['neither text nor bytes', {}, 400],
  ['both', { text: 'a', base64: 'YQ==' }, 400],
  ['what is no base64', { base64: '%%%' }, 400],
  ['a number', { text: 5 }, 400],
])('%s is refused', async (_, body, status) => {
  expect((await post('/read', body)).status).toBe(status)
})

test('20 MB are refused before they are read', async () => {
  const answer = await raw('/read', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ text: 'x'.repeat(20_000_000) }),
  })
  expect(answer).toMatchObject({ status: 413, body: { error: { code: 'too_large' } } })
})

test('identifies a machine from what was read of it', async () => {
  const machine = STARTING_MACHINES.find(({ id }) => id === 'desktop-4-ddr4')?.machine
  const text = ['DIMM_A2', 'DIMM_B2']
    .map(
      (locator) =>
        `DeviceLocator : ${locator}\nCapacity : 8589934592\nFormFactor : 8\nSMBIOSMemoryType : 26\nSpeed : 3200\nConfiguredClockSpeed : 2400\nConfiguredVoltage : 1200`,
    )
    .join('\n\n')
  const base64 = Buffer.from('16GB DDR4-3200 CL22').toString('base64')
  const { status, body } = await post('/identify', { machine, readings: [{ text }, { base64 }] })
  expect(status).toBe(200)
  expect(Object.keys(body.placement)).toEqual(['A2', 'B2'])
  expect(body.placement.A2).toMatchObject({ capacityGiB: 8, speeds: [{ dataRate: 3200 }] })
  expect(body.facts).toContainEqual(
    expect.objectContaining({ subject: 'A2', what: 'runsAt', value: 2400 }),
  )
  const codes = body.questions.map(({ code }: { code: string }) => code)
  expect(codes).toEqual(expect.arrayContaining(['WHICH_SLOTS', 'MODULE_FORM', 'CONTENT_OF_SLOTS']))
})

test.each<[string, unknown]>([
  ['no machine', { readings: [] }],
  ['a reading of neither kind', { machine: STARTING_MACHINES[0]?.machine, readings: [{}] }],
])('refuses to identify with %s', async (_, body) => {
  expect((await post('/identify', body)).status).toBe(400)
})
