import { expect, test } from 'vitest'
import { newJobBody, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { get, post, patch, remove } = useServer()

async function jobWithPlan() {
  const job = (await post('/jobs', newJobBody)).body
  const [plan] = (await get(`/plans?jobId=${job.id}`)).body
  return { job, plan }
}

const onShelf = async () => {
  const piece = { source: 'shelf', module: sampleStick, price: 1400, condition: 'used' }
  return (await post('/modules', piece)).body
}

const keptFor = async (id: string) => {
  const shelf = (await get('/modules?shop=1')).body as { id: string; keptFor: unknown }[]
  return shelf.find((one) => one.id === id)?.keptFor
}

test('a piece of the shelf that one job plans on is no other job’s to plan on', async () => {
  const piece = await onShelf()
  const [first, second] = [await jobWithPlan(), await jobWithPlan()]
  const placement = { A: { moduleId: piece.id } }

  const planned = await patch(`/plans/${first.plan.id}`, { version: 1, placement })
  expect(planned.status).toBe(200)
  expect(await keptFor(piece.id)).toEqual({ jobId: first.job.id, number: first.job.number })

  const refused = await patch(`/plans/${second.plan.id}`, { version: 1, placement })
  expect(refused).toMatchObject({ status: 409, body: { error: { code: 'kept' } } })
  expect(refused.body.error.message).toContain(`kept for job ${first.job.number}`)
  expect((await get(`/plans/${second.plan.id}`)).body).toMatchObject({ version: 1 })

  await patch(`/plans/${first.plan.id}`, { version: 2, placement: {} })
  expect(await keptFor(piece.id)).toBeNull()
  expect((await patch(`/plans/${second.plan.id}`, { version: 1, placement })).status).toBe(200)
  expect(await keptFor(piece.id)).toMatchObject({ number: second.job.number })
})

test('two jobs that reach for it at once: one has it', async () => {
  const piece = await onShelf()
  const jobs = [await jobWithPlan(), await jobWithPlan(), await jobWithPlan()]
  const answers = await Promise.all(
    jobs.map(({ plan }) =>
      patch(`/plans/${plan.id}`, { version: 1, placement: { A: { moduleId: piece.id } } }),
    ),
  )
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409])
})

test('a plan kept beside the first holds its pieces too, until it is removed', async () => {
  const piece = await onShelf()
  const { job } = await jobWithPlan()
  const beside = await post('/plans', {
    jobId: job.id,
    name: 'Plan 2',
    placement: { A: { moduleId: piece.id } },
  })
  expect(await keptFor(piece.id)).toMatchObject({ jobId: job.id })
  await remove(`/plans/${beside.body.id}?version=1`)
  expect(await keptFor(piece.id)).toBeNull()
})

test('a closed job lets its pieces go, and takes them again when it is opened', async () => {
  const piece = await onShelf()
  const { job, plan } = await jobWithPlan()
  await patch(`/plans/${plan.id}`, { version: 1, placement: { A: { moduleId: piece.id } } })
  await patch(`/jobs/${job.id}`, { version: 1, stage: 'closed' })
  expect(await keptFor(piece.id)).toBeNull()
  await patch(`/jobs/${job.id}`, { version: 2, stage: 'plan' })
  expect(await keptFor(piece.id)).toMatchObject({ jobId: job.id })
})

test('a supplier’s module can be planned by any number of jobs', async () => {
  const offer = (await post('/modules', { source: 'supplier', module: sampleStick, price: 2300 }))
    .body
  for (const { plan } of [await jobWithPlan(), await jobWithPlan()]) {
    const placement = { A: { moduleId: offer.id } }
    expect((await patch(`/plans/${plan.id}`, { version: 1, placement })).status).toBe(200)
  }
})
