import { randomUUID } from 'node:crypto'
import { expect, test } from 'vitest'
import { newJobBody } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post, patch, remove } = useServer()

test('a reading is kept as it came, comes with its job, and is in its history', async () => {
  const job = (await post('/jobs', newJobBody)).body
  const text = '8GB 1Rx8 PC4-2666V-SA1-11'
  const id = randomUUID()
  const reading = { id, jobId: job.id, name: 'pasted', by: 'Mika', text }
  expect(await post('/readings', reading)).toMatchObject({ status: 201, body: { text, seats: {} } })
  expect((await post('/readings', reading)).status).toBe(200)

  const seated = await patch(`/readings/${id}`, { version: 1, seats: { '0': 'B' } })
  expect(seated.body).toMatchObject({ version: 2, seats: { '0': 'B' } })
  const stale = await patch(`/readings/${id}`, { version: 1, seats: {} })
  expect(stale).toMatchObject({ status: 409, body: { error: { code: 'stale_version' } } })

  expect((await get(`/jobs/${job.id}`)).body.readings).toMatchObject([{ id, by: 'Mika' }])
  const history = (await get(`/jobs/${job.id}/history`)).body
  expect(history[0]).toMatchObject({ record: 'reading', action: 'changed', fields: ['seats'] })

  expect((await remove(`/readings/${id}?version=2`)).status).toBe(204)
  expect((await get(`/jobs/${job.id}`)).body.readings).toEqual([])
})

test('a reading needs a job, and text or bytes', async () => {
  const job = (await post('/jobs', newJobBody)).body
  const reading = { jobId: job.id, name: 'pasted' }
  expect((await post('/readings', { ...reading, jobId: randomUUID(), text: 'x' })).status).toBe(404)
  for (const bad of [reading, { ...reading, text: 'x', base64: 'eA==' }]) {
    expect((await post('/readings', bad)).body.error.fields[0].path).toBe('text')
  }
  const seats = { ...reading, text: 'x', seats: { first: 'A' } }
  expect((await post('/readings', seats)).status).toBe(400)
})

test('rulings are kept on the job', async () => {
  const job = (await post('/jobs', newJobBody)).body
  const ruling = { value: 2, source: 'opened', by: 'Mika', at: '2026-03-01T10:00:00.000Z' }
  const rulings = { 'machine.slotCount': ruling }
  const changed = await patch(`/jobs/${job.id}`, { version: job.version, rulings })
  expect(changed.body.rulings).toEqual(rulings)
  const bad = { 'machine.slotCount': { ...ruling, source: 'a dream' } }
  const refused = await patch(`/jobs/${job.id}`, { version: 2, rulings: bad })
  expect(refused.body.error.fields[0].path).toBe('rulings.machine.slotCount.source')
})
