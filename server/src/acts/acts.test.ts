import { randomUUID } from 'node:crypto'
import { expect, test } from 'vitest'
import { newJobBody, sampleStick } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post, patch } = useServer()

async function aJob() {
  const { id } = (await post('/jobs', newJobBody)).body
  const [plan] = (await get(`/plans?jobId=${id}`)).body
  return { id, plan }
}

test('an act writes all its records as one, and every screen hears of each', async () => {
  const { id: jobId, plan } = await aJob()
  const module = randomUUID()
  const writes = [
    {
      action: 'create',
      collection: 'modules',
      id: module,
      fields: { jobId, source: 'customer', module: sampleStick },
    },
    {
      action: 'change',
      collection: 'plans',
      id: plan.id,
      version: 1,
      fields: { placement: { A: { moduleId: module } } },
    },
    { action: 'change', collection: 'jobs', id: jobId, version: 1, fields: { stage: 'plan' } },
  ]
  const { status, body } = await post('/acts', { id: randomUUID(), writes })
  expect(status).toBe(201)
  expect(body.records).toMatchObject([{ id: module, version: 1 }, { version: 2 }, { version: 2 }])
  const job = (await get(`/jobs/${jobId}`)).body
  expect(job).toMatchObject({ stage: 'plan', modules: [{ id: module }] })
  expect(job.plans[0].placement.A.moduleId).toBe(module)
})

test('where one of its writes is refused, none is made, and the answer says which', async () => {
  const { id: jobId, plan } = await aJob()
  const stage = { action: 'change', collection: 'jobs', id: jobId, version: 1 }
  const refused = await post('/acts', {
    id: randomUUID(),
    writes: [
      { ...stage, fields: { stage: 'plan' } },
      {
        action: 'change',
        collection: 'plans',
        id: plan.id,
        version: 1,
        fields: { placement: { Z: { moduleId: randomUUID() } } },
      },
    ],
  })
  expect(refused.status).toBe(400)
  expect(refused.body.error.fields[0].path).toBe('writes.1.fields.placement.Z')
  expect((await get(`/jobs/${jobId}`)).body).toMatchObject({ version: 1, stage: 'identify' })
})

test.each([
  ['a change against an older version', { action: 'change', fields: { name: 'B' } }],
  ['what it was decided on having moved on', { action: 'expect' }],
  ['a removal against an older version', { action: 'remove' }],
])('%s stops the whole act', async (_, write) => {
  const { id: jobId } = await aJob()
  const beside = (await post('/plans', { jobId, name: 'Beside' })).body
  await patch(`/plans/${beside.id}`, { version: 1, name: 'Moved on' })
  const answer = await post('/acts', {
    id: randomUUID(),
    writes: [
      { action: 'change', collection: 'jobs', id: jobId, version: 1, fields: { stage: 'plan' } },
      { collection: 'plans', id: beside.id, version: 1, ...write },
    ],
  })
  expect(answer).toMatchObject({ status: 409, body: { error: { code: 'stale_version' } } })
  expect(answer.body.error.fields).toMatchObject([{ path: 'writes.1' }])
  expect((await get(`/jobs/${jobId}`)).body).toMatchObject({ version: 1, stage: 'identify' })
})

test('what is expected is what was there before the act, whatever its writes change along', async () => {
  const { id: jobId, plan } = await aJob()
  await post('/fits', { jobId })
  const of = { collection: 'fits', id: jobId, version: 1 }
  const answer = await post('/acts', {
    id: randomUUID(),
    writes: [
      { ...of, action: 'change', fields: { finished: true } },
      { action: 'expect', collection: 'plans', id: plan.id, version: 1 },
      // Finishing moves the job on, which is a write of its own.
      { action: 'expect', collection: 'jobs', id: jobId, version: 1 },
    ],
  })
  expect(answer.status).toBe(201)
  expect((await get(`/jobs/${jobId}`)).body).toMatchObject({ version: 2, stage: 'verify' })
})

test('an act sent again, at once or later, is done once and answered as things stand', async () => {
  const { id: jobId } = await aJob()
  const id = randomUUID()
  const made = randomUUID()
  const act = {
    id,
    writes: [
      { action: 'create', collection: 'plans', id: made, fields: { jobId, name: 'B' } },
      { action: 'change', collection: 'jobs', id: jobId, version: 1, fields: { stage: 'plan' } },
    ],
  }
  const answers = await Promise.all([post('/acts', act), post('/acts', act), post('/acts', act)])
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 200, 201])
  await patch(`/plans/${made}`, { version: 1, name: 'C' })
  const again = await post('/acts', act)
  expect(again).toMatchObject({ status: 200, body: { records: [{ name: 'C' }, { version: 2 }] } })
  const { plans } = (await get(`/jobs/${jobId}`)).body
  expect(plans).toHaveLength(2)
})

test('what cannot be done to a kind of record is no part of an act', async () => {
  const { id: jobId } = await aJob()
  const remove = { action: 'remove', collection: 'jobs', id: jobId, version: 1 }
  const answer = await post('/acts', { id: randomUUID(), writes: [remove] })
  expect(answer).toMatchObject({ status: 400, body: { error: { code: 'impossible' } } })
  expect((await get(`/jobs/${jobId}`)).status).toBe(200)
})
