import { describe, expect, test } from 'vitest'
import { laptop, newJobBody, sampleStick } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post, patch, remove, raw } = useServer()

describe('removing', () => {
  test('a module in a slot stays; a free one goes', async () => {
    const job = (await post('/jobs', newJobBody)).body
    const module = (
      await post('/modules', { jobId: job.id, source: 'customer', module: sampleStick })
    ).body
    await patch(`/jobs/${job.id}`, { version: 1, found: { A: { moduleId: module.id } } })
    const held = await remove(`/modules/${module.id}?version=1`)
    expect(held).toMatchObject({ status: 409, body: { error: { code: 'in_use' } } })
    await patch(`/jobs/${job.id}`, { version: 2, found: {} })
    expect((await remove(`/modules/${module.id}?version=7`)).status).toBe(409)
    expect((await remove(`/modules/${module.id}?version=1`)).status).toBe(204)
    expect((await get(`/modules/${module.id}`)).status).toBe(404)
  })

  test('the plan on the board stays with its job, another goes', async () => {
    const job = (await post('/jobs', newJobBody)).body
    const second = await post('/plans', { jobId: job.id, name: 'Plan 2' })
    expect(second.status).toBe(201)
    const refused = await remove(`/plans/${job.planId}?version=1`)
    expect(refused.body.error.code).toBe('on_board')
    expect((await remove(`/plans/${second.body.id}?version=1`)).status).toBe(204)
  })
})

test('a customer’s module belongs to a job, a shelf’s to none', async () => {
  const orphan = await post('/modules', { source: 'customer', module: sampleStick })
  expect(orphan.body.error.fields[0].path).toBe('jobId')
  const changed = await post('/modules', { source: 'shelf', module: sampleStick, price: 1900 })
  const dearer = await patch(`/modules/${changed.body.id}`, { version: 1, price: 2100 })
  expect(dearer.body).toMatchObject({ price: 2100, version: 2, module: sampleStick })
})

test('customers and machines are kept and changed', async () => {
  const customer = (await post('/customers', { name: 'Ada Quill', email: 'ada@example.org' })).body
  expect((await get(`/customers/${customer.id}`)).body).toEqual(customer)
  const bad = await patch(`/customers/${customer.id}`, { version: 1, email: 'no mail' })
  expect(bad.body.error.fields).toEqual([{ path: 'email', message: 'This is no e-mail address.' }])
  const device = (await post('/machines', { customerId: customer.id, machine: laptop })).body
  const slots = laptop.slots.slice(0, 1)
  const fewer = await patch(`/machines/${device.id}`, { version: 1, machine: { ...laptop, slots } })
  expect(fewer.body.machine.slots).toEqual(slots)
  const listed = (await get(`/machines?customerId=${customer.id}`)).body
  expect(listed).toEqual([fewer.body])
})

describe('other people’s pages', () => {
  test('cannot ask anything', async () => {
    const origin = await raw('/jobs', { headers: { origin: 'http://elsewhere.example' } })
    expect(origin).toMatchObject({ status: 403, body: { error: { code: 'foreign' } } })
  })
})
