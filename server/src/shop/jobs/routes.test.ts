import { randomUUID } from 'node:crypto'
import { JobFile, JobLine } from '@tembrix/core/things/records'
import { describe, expect, test } from 'vitest'
import { z } from 'zod'
import { newJobBody, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { get, post, patch } = useServer()

async function startJob() {
  const { body } = await post('/jobs', newJobBody)
  const file = (await get(`/jobs/${body.id}`)).body as JobFile
  return { id: file.id, plan: file.plans[0] as JobFile['plans'][0], file }
}

describe('a new job', () => {
  test('brings its customer and machine, and begins with a plan', async () => {
    const { status, body } = await post('/jobs', newJobBody)
    expect(status).toBe(201)
    const file = JobFile.parse((await get(`/jobs/${body.id}`)).body)
    expect(file.customer.name).toBe('Ottoline Varga')
    expect(file.machine.machine.slots).toHaveLength(2)
    expect(file.plans).toMatchObject([{ name: 'Plan 1', placement: null, version: 1 }])
    expect(file).toMatchObject({ stage: 'identify', version: 1, found: {} })
  })

  test('sent twice with its own id is stored once', async () => {
    const id = randomUUID()
    const first = await post('/jobs', { ...newJobBody, id })
    const second = await post('/jobs', { ...newJobBody, id })
    expect([first.status, second.status]).toEqual([201, 200])
    expect(second.body).toEqual(first.body)
    expect((await get(`/plans?jobId=${id}`)).body).toHaveLength(1)
  })

  test('may be for a known customer and machine', async () => {
    const { file } = await startJob()
    const { status, body } = await post('/jobs', {
      customer: { id: file.customerId },
      machine: { id: file.machineId },
    })
    expect(status).toBe(201)
    expect(body).toMatchObject({ customerId: file.customerId, machineId: file.machineId })
    expect(body.number).toBeGreaterThan(file.number)
  })

  test('stores nothing at all when a part of it is wrong', async () => {
    const before = (await get('/customers')).body.length
    const unknown = await post('/jobs', { ...newJobBody, machine: { id: randomUUID() } })
    expect(unknown).toMatchObject({ status: 404, body: { error: { code: 'not_found' } } })
    const bad = await post('/jobs', { ...newJobBody, customer: { name: ' ' } })
    expect(bad).toMatchObject({
      status: 400,
      body: { error: { fields: [{ path: 'customer.name', message: 'A customer needs a name.' }] } },
    })
    expect((await get('/customers')).body).toHaveLength(before)
  })
})

describe('the counter’s list', () => {
  test('finds a job by words of customer, machine, complaint or number', async () => {
    const customer = { name: 'Ilse Sarkany', phone: '0777 42' }
    const { number } = (await post('/jobs', { ...newJobBody, customer })).body
    await post('/jobs', { ...newJobBody, customer: { name: 'Per 100%_Cent' }, complaint: 'slow' })
    const search = async (words: string) =>
      z
        .array(JobLine)
        .parse((await get(`/jobs?search=${encodeURIComponent(words)}`)).body)
        .map(({ customerName }) => customerName)

    expect(await search(`sarkany ORCHARD ${number}`)).toEqual(['Ilse Sarkany'])
    expect(await search('0777')).toEqual(['Ilse Sarkany'])
    expect(await search('100%_')).toEqual(['Per 100%_Cent'])
    expect(await search('laptop slow')).toEqual(['Per 100%_Cent'])
    expect(await search('orchard slow')).toEqual([])
    expect(await search("'; drop table jobs; --")).toEqual([])
  })

  test('can show one stage', async () => {
    const { id } = await startJob()
    await patch(`/jobs/${id}`, { version: 1, stage: 'quote' })
    expect((await get('/jobs?stage=quote')).body.map((line: JobLine) => line.id)).toEqual([id])
    expect((await get('/jobs?stage=nowhere')).status).toBe(400)
  })
})

describe('a change', () => {
  test('is refused when the record has moved on, and changes nothing', async () => {
    const { id } = await startJob()
    expect((await patch(`/jobs/${id}`, { version: 1, uses: 'photos' })).body.version).toBe(2)
    const late = await patch(`/jobs/${id}`, { version: 1, uses: 'music' })
    expect(late).toMatchObject({ status: 409, body: { error: { code: 'stale_version' } } })
    expect((await get(`/jobs/${id}`)).body).toMatchObject({ uses: 'photos', version: 2 })
  })

  test('of two at once, one wins', async () => {
    const { id } = await startJob()
    const both = await Promise.all(
      ['a', 'b'].map((uses) => patch(`/jobs/${id}`, { version: 1, uses })),
    )
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409])
  })

  test('needs a version and acceptable values', async () => {
    const { id } = await startJob()
    const { body } = await patch(`/jobs/${id}`, { dueOn: 'soon', budget: 1.5 })
    expect(body.error.fields.map(({ path }: { path: string }) => path).sort()).toEqual([
      'budget',
      'dueOn',
      'version',
    ])
  })

  test('of what is not there is a 404', async () => {
    expect((await patch(`/jobs/${randomUUID()}`, { version: 1 })).status).toBe(404)
    expect((await get('/jobs/seven')).status).toBe(400)
    expect((await get('/nothing')).status).toBe(404)
  })
})

describe('modules and slots', () => {
  async function addModule(jobId: string | null, source: string) {
    return (await post('/modules', { jobId, source, module: sampleStick })).body
  }

  test('found and planned modules are kept by slot', async () => {
    const { id, plan } = await startJob()
    const own = await addModule(id, 'customer')
    const shelf = await addModule(null, 'shelf')
    const held = (module: { id: string }) => ({ moduleId: module.id, unit: 0 })
    expect((await patch(`/jobs/${id}`, { version: 1, found: { A: held(own) } })).status).toBe(200)
    const placement = { A: held(own), B: held(shelf) }
    await patch(`/plans/${plan.id}`, { version: 1, placement, profile: true })
    const file = (await get(`/jobs/${id}`)).body as JobFile
    expect(file.found).toEqual({ A: held(own) })
    expect(file.plans[0]).toMatchObject({ placement, profile: true, version: 2 })
    expect(file.modules.map((module) => module.id)).toEqual([own.id])
    expect((await get('/modules?shop=1')).body.map(({ id }: { id: string }) => id)).toContain(
      shelf.id,
    )
  })

  test('an unknown slot, a foreign module and a piece in two slots are refused where they stand', async () => {
    const { id, plan } = await startJob()
    const other = await startJob()
    const own = await addModule(id, 'customer')
    const foreign = await addModule(other.id, 'customer')
    const refused = async (placement: unknown) => {
      const { status, body } = await patch(`/plans/${plan.id}`, { version: 1, placement })
      return [status, ...body.error.fields.map(({ path }: { path: string }) => path)]
    }
    expect(await refused({ Z: { moduleId: own.id } })).toEqual([400, 'placement.Z'])
    expect(await refused({ A: { moduleId: foreign.id } })).toEqual([400, 'placement.A.moduleId'])
    expect(await refused({ A: { moduleId: own.id, unit: 1 } })).toEqual([400, 'placement.A.unit'])
    expect(await refused({ A: { moduleId: own.id }, B: { moduleId: own.id } })).toEqual([
      400,
      'placement.B',
    ])
    expect((await get(`/plans/${plan.id}`)).body).toMatchObject({ placement: null, version: 1 })
  })
})

test('every write leaves a line in the job’s history', async () => {
  const { id, plan, file } = await startJob()
  await patch(`/customers/${file.customerId}`, { version: 1, phone: '0555 9' })
  await patch(`/plans/${plan.id}`, { version: 1, profile: true })
  await patch(`/plans/${plan.id}`, { version: 1, profile: false })
  const lines = (await get(`/jobs/${id}/history`)).body.map(
    (line: { record: string; action: string; fields: string[] }) =>
      [line.record, line.action, ...(line.action === 'changed' ? line.fields : [])].join(' '),
  )
  expect(lines).toEqual([
    'plan changed profile',
    'customer changed phone',
    'plan created',
    'job created',
    'machine created',
    'customer created',
  ])
})
