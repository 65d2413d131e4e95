import { expect, test } from 'vitest'
import { newJobBody } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post, patch } = useServer()

const begun = async () => {
  const { id: jobId } = (await post('/jobs', newJobBody)).body
  return { jobId, made: await post('/verifications', { jobId }) }
}

test('a job is verified in one record, begun at two screens or one', async () => {
  const { jobId, made } = await begun()
  expect(made).toMatchObject({
    status: 201,
    body: { id: jobId, trials: [], stability: [], changes: null, seen: { totalGiB: null } },
  })
  const again = await post('/verifications', { jobId })
  expect(again).toMatchObject({ status: 200, body: { id: jobId, version: 1 } })
  expect((await get(`/jobs/${jobId}`)).body.verifications).toHaveLength(1)
})

test('what is seen, tried and told apart is kept; a stale write is not', async () => {
  const { jobId } = await begun()
  const seen = {
    totalGiB: 8,
    slots: { A: 8, B: 0 },
    rate: 1333,
    ways: null,
    cl: null,
    memoryClock: null,
    controllerClock: null,
    fabricClock: null,
    eccActive: null,
  }
  const trial = {
    id: crypto.randomUUID(),
    arrangement: { A: `${crypto.randomUUID()} 0` },
    reseat: true,
    profile: false,
    depth: 'start',
    outcome: { kind: 'MISSING', slots: ['A'] },
    at: new Date().toISOString(),
    by: 'Mika',
  }
  const changes = { first: 'new modules', second: 'two of them' }
  const fields = { seen, trials: [trial], changes }
  const changed = await patch(`/verifications/${jobId}`, { version: 1, ...fields })
  expect(changed).toMatchObject({ status: 200, body: { ...fields, version: 2 } })
  expect((await patch(`/verifications/${jobId}`, { version: 1, seen })).status).toBe(409)
  expect((await get(`/verifications/${jobId}`)).body).toMatchObject(fields)
})

test.each([
  ['changes.first', { changes: { first: ' ', second: 'two of them' } }],
  ['seen.ways', { seen: { ways: 0 } }],
  ['trials.0.outcome.slots', { trials: [{ outcome: { kind: 'MISSING', slots: [] } }] }],
  ['stability.0.passes', { stability: [{ passes: 1.5 }] }],
])('%s that cannot be is refused there', async (path, wrong) => {
  const { jobId } = await begun()
  const { status, body } = await patch(`/verifications/${jobId}`, { version: 1, ...wrong })
  expect(status).toBe(400)
  expect(body.error.fields.map((field: { path: string }) => field.path)).toContain(path)
})
