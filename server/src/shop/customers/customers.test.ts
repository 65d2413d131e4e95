import { eq } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { newJobBody, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'
import { customers, history, jobs, messages, modules } from '../../base/database'

const { get, post, patch, remove, raw, address, db } = useServer()

async function closedJob() {
  const job = (
    await post('/jobs', {
      ...newJobBody,
      customer: { name: 'Isolde Marchbank', phone: '0555 8181', email: 'isolde@marchbank.example' },
      machine: { ...newJobBody.machine, serialNumber: 'MB-SERIAL-1', note: 'Isolde’s own' },
      complaint: 'Marchbank accounts are slow',
      condition: 'scratch beside the M of Marchbank',
    })
  ).body
  await post('/modules', {
    jobId: job.id,
    source: 'customer',
    module: sampleStick,
    serialNumber: 'MB-MOD-2',
  })
  const fit = (await post('/fits', { jobId: job.id })).body
  await patch(`/fits/${fit.id}`, { version: 1, serials: { a: 'MB-MOD-2' }, note: 'Isolde waits' })
  await post('/messages', { jobId: job.id, channel: 'text', to: '0555 8181', text: 'Dear Isolde' })
  await post('/readings', {
    jobId: job.id,
    name: 'report of Marchbank',
    text: 'Serial MB-SERIAL-1',
  })
  await patch(`/jobs/${job.id}`, { version: 1, complaint: 'Marchbank accounts are slower' })
  return job
}

test('on request a customer’s data is given out whole, and erased; the machine and its modules stay', async () => {
  const job = await closedJob()
  const path = `/customers/${job.customerId}`
  const open = await remove(`${path}/person?version=1`)
  expect(open).toMatchObject({ status: 409, body: { error: { code: 'open_jobs' } } })
  await patch(`/jobs/${job.id}`, { version: 2, stage: 'closed' })

  const file = await fetch(`${address()}${path}/file`)
  expect(file.headers.get('content-type')).toBe('application/zip')
  const bytes = Buffer.from(await file.arrayBuffer()).toString('latin1')
  expect(bytes).toContain('customer.json')
  expect(bytes).toContain(`job-${job.number}.zip`)

  expect((await remove(`${path}/person?version=2`)).status).toBe(409)
  expect((await remove(`${path}/person?version=1`)).status).toBe(204)

  const left = (await get(`/jobs/${job.id}`)).body
  expect(left).toMatchObject({
    complaint: '',
    customer: { name: 'Erased customer', phone: '', email: '' },
    machine: { serialNumber: '', machine: { name: newJobBody.machine.machine.name } },
    modules: [{ module: sampleStick, serialNumber: '' }],
    messages: [],
    readings: [],
    fits: [{ serials: {}, note: '' }],
  })
  const everywhere = [
    left,
    (await get(`/jobs/${job.id}/history`)).body,
    await db().select().from(customers).where(eq(customers.id, job.customerId)),
    await db().select().from(jobs).where(eq(jobs.id, job.id)),
    await db().select().from(modules).where(eq(modules.jobId, job.id)),
    await db().select().from(messages).where(eq(messages.jobId, job.id)),
    await db().select().from(history).where(eq(history.jobId, job.id)),
  ]
  for (const part of everywhere) {
    expect(JSON.stringify(part)).not.toMatch(/Marchbank|Isolde|8181|MB-/i)
  }
  for (const words of ['marchbank', '0555 8181', 'mb-serial-1']) {
    expect((await get(`/jobs?search=${encodeURIComponent(words)}`)).body).toEqual([])
  }
  expect((await raw(`${path}/file`.replace(job.customerId, crypto.randomUUID()))).status).toBe(404)
})

test('a customer who never had a job is erased too', async () => {
  const made = (await post('/customers', { name: 'Isolde Marchbank', phone: '0555 8282' })).body
  expect((await remove(`/customers/${made.id}/person?version=1`)).status).toBe(204)
  const left = (await get(`/customers/${made.id}`)).body
  expect(JSON.stringify(left)).not.toMatch(/Isolde|8282/)
})
