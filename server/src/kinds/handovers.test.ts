import { expect, test } from 'vitest'
import { newJobBody, sampleStick } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post, patch, remove } = useServer()

const document = {
  shopName: 'Tandem Lane Repairs',
  address: '',
  customerName: 'Ada Quill',
  machineName: 'Heron 15',
  serialNumber: '',
  on: '2030-01-20',
  sections: [{ section: 'asked', paragraphs: ['More memory.'] }],
  board: [],
  runs: [],
  measured: [],
  tests: [],
  setup: [],
  fitted: [],
  removed: [],
  work: null,
  currency: 'EUR',
  toPay: null,
  paid: 0,
  accessories: [],
  open: [],
}
const signed = { name: 'Ada Quill', at: '2030-01-20T10:00:00.000Z', by: 'Mika', drawn: null }
const collected = { name: 'Bo Quill', at: '2030-01-20T11:00:00.000Z', by: 'Mika' }

test('a visit follows a job that there is', async () => {
  expect((await post('/jobs', { ...newJobBody, followsId: crypto.randomUUID() })).status).toBe(404)
})

async function begun() {
  const job = (await post('/jobs', newJobBody)).body
  const handover = (await post('/handovers', { jobId: job.id })).body
  return { job, path: `/handovers/${handover.id}` }
}

test('what was signed stays as it was; collecting it closes the job', async () => {
  const { job, path } = await begun()
  expect((await patch(path, { version: 1, signed })).body.error.fields).toMatchObject([
    { path: 'document' },
  ])
  expect((await patch(path, { version: 1, collected })).status).toBe(400)
  expect((await patch(path, { version: 1, signed, document })).status).toBe(200)
  const later = { ...document, sections: [] }
  for (const change of [{ signed, document: later }, { wording: {} }, { reasons: {} }]) {
    expect(await patch(path, { version: 2, ...change })).toMatchObject({
      status: 409,
      body: { error: { code: 'signed' } },
    })
  }
  expect((await get(`/jobs/${job.id}`)).body).toMatchObject({ stage: 'identify' })
  expect((await patch(path, { version: 2, collected })).status).toBe(200)
  const file = (await get(`/jobs/${job.id}`)).body
  expect(file).toMatchObject({ stage: 'closed', handovers: [{ document, signed, collected }] })
  const { version } = file
  expect(await patch(`/jobs/${job.id}`, { version, stage: 'handover' })).toMatchObject({
    status: 409,
    body: { error: { code: 'collected' } },
  })
  expect((await patch(`/jobs/${job.id}`, { version, stage: 'closed' })).status).toBe(200)
})

test('an open point in a signed report has its reason', async () => {
  const { path } = await begun()
  const open = [{ code: 'UNPAID', text: '€5 is not paid.', reason: ' ' }]
  const bare = await patch(path, { version: 1, signed, document: { ...document, open } })
  expect(bare.body.error.fields).toMatchObject([{ path: 'document.open.0.reason' }])
  const given = [{ ...open[0], reason: 'pays on Friday' }]
  const full = await patch(path, { version: 1, signed, document: { ...document, open: given } })
  expect(full.status).toBe(200)
})

test('a picture as a signature is a PNG of a bearable size', async () => {
  const { path } = await begun()
  const drawing = (drawn: string) =>
    patch(path, { version: 1, signed: { ...signed, drawn }, document })
  expect((await drawing('data:image/svg+xml;base64,AAAA')).status).toBe(400)
  expect((await drawing(`data:image/png;base64,${'A'.repeat(120_000)}`)).status).toBe(400)
  expect((await drawing('data:image/png;base64,AAAA')).status).toBe(200)
})

test('a new visit is one act: job, modules and what was found', async () => {
  const { job } = await begun()
  const [id, moduleId] = [crypto.randomUUID(), crypto.randomUUID()]
  const writes = [
    {
      action: 'create',
      collection: 'jobs',
      id,
      fields: {
        customer: { id: job.customerId },
        machine: { id: job.machineId },
        followsId: job.id,
      },
    },
    {
      action: 'create',
      collection: 'modules',
      id: moduleId,
      fields: { jobId: id, source: 'customer', module: sampleStick, serialNumber: 'S-1' },
    },
    {
      action: 'change',
      collection: 'jobs',
      id,
      version: 1,
      fields: { found: { A: { moduleId, unit: 0 } } },
    },
  ]
  expect((await post('/acts', { id: crypto.randomUUID(), writes })).status).toBe(201)
  expect((await get(`/jobs/${id}`)).body).toMatchObject({
    followsId: job.id,
    found: { A: { moduleId } },
    machine: { id: job.machineId },
  })
})

test('a collected job takes no more of its work; payments, messages and a date to ask again come in', async () => {
  const { job, path } = await begun()
  const jobId = job.id
  const verification = (await post('/verifications', { jobId })).body
  const reading = (await post('/readings', { jobId, name: 'Label', text: '8GB 1Rx8' })).body
  await patch(path, { version: 1, signed, document })
  await patch(path, { version: 2, collected })

  const refused = { status: 409, body: { error: { code: 'collected' } } }
  const [plan] = (await get(`/jobs/${jobId}`)).body.plans
  const stability = [
    {
      id: crypto.randomUUID(),
      test: 'late',
      passes: 1,
      errors: 0,
      hours: 1,
      at: '2030-01-21T10:00:00.000Z',
      by: '',
    },
  ]
  expect(await patch(`/verifications/${verification.id}`, { version: 1, stability })).toMatchObject(
    refused,
  )
  expect(await patch(`/plans/${plan.id}`, { version: plan.version, name: 'late' })).toMatchObject(
    refused,
  )
  expect(await post('/readings', { jobId, name: 'Late', text: '8GB' })).toMatchObject(refused)
  expect(await remove(`/readings/${reading.id}?version=1`)).toMatchObject(refused)
  const { version } = (await get(`/jobs/${jobId}`)).body
  expect(await patch(`/jobs/${jobId}`, { version, complaint: 'late' })).toMatchObject(refused)

  expect((await patch(`/jobs/${jobId}`, { version, followUpOn: '2031-01-20' })).status).toBe(200)
  const payment = { id: crypto.randomUUID(), amount: -500, method: 'cash', at: signed.at, by: '' }
  expect((await patch(path, { version: 3, payments: [payment] })).status).toBe(200)
  expect((await patch(`/customers/${job.customerId}`, { version: 1, phone: '0555' })).status).toBe(
    200,
  )
})

test('a later visit of a machine knows what earlier ones fitted, the newest first', async () => {
  const { job, path } = await begun()
  const term = { months: 12, from: '2030-01-20', until: '2031-01-20' }
  const part = {
    slot: 'A',
    text: '8 GB',
    serial: 'S-1',
    state: 'new',
    shop: term,
    makerUntil: null,
  }
  await patch(path, { version: 1, signed, document: { ...document, fitted: [part] } })
  const later = (
    await post('/jobs', {
      customer: { id: job.customerId },
      machine: { id: job.machineId },
      followsId: job.id,
    })
  ).body
  expect((await get(`/jobs/${later.id}/earlier`)).body).toEqual([
    { jobId: job.id, number: job.number, on: document.on, fitted: [part] },
  ])
  // A visit is none of its own, and what nobody signed for says nothing.
  expect((await get(`/jobs/${job.id}/earlier`)).body).toEqual([])
})
