import { eq } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { newJobBody, sampleStick } from '../../test/sample'
import { useServer } from '../../test/server'
import { plans } from '../base/database'

const { get, post, patch, db } = useServer()

async function plannedJob() {
  const job = (await post('/jobs', newJobBody)).body
  const [plan] = (await get(`/plans?jobId=${job.id}`)).body
  const own = (await post('/modules', { jobId: job.id, source: 'customer', module: sampleStick }))
    .body
  const piece = (await post('/modules', { source: 'shelf', module: sampleStick, price: 1400 })).body
  await patch(`/jobs/${job.id}`, { version: 1, found: { A: { moduleId: own.id } } })
  await patch(`/plans/${plan.id}`, { version: 1, placement: { A: { moduleId: piece.id } } })
  return { job, own, piece }
}

const onShelf = async (query = '') =>
  (await get(`/modules?shop=1${query}`)).body as { id: string; keptFor: unknown }[]

const tick = { state: 'done', at: '2030-01-01T10:00:00.000Z', by: 'Mika' }

test('a job is fitted once, however often it is begun', async () => {
  const { job } = await plannedJob()
  const [first, second] = await Promise.all([
    post('/fits', { jobId: job.id, id: job.id }),
    post('/fits', { jobId: job.id, id: job.id }),
  ])
  expect([first.status, second.status].sort()).toEqual([200, 201])
  expect(first.body.id).toBe(job.id)
  const ticked = await patch(`/fits/${job.id}`, { version: 1, ticks: { BACKUP: tick } })
  expect(ticked.body).toMatchObject({ version: 2, ticks: { BACKUP: { ...tick, reason: '' } } })
  expect((await get(`/jobs/${job.id}`)).body.fits).toEqual([ticked.body])
})

test('what is left out needs a reason', async () => {
  const { job } = await plannedJob()
  await post('/fits', { jobId: job.id })
  const skipped = { ...tick, state: 'skipped' }
  const { body } = await patch(`/fits/${job.id}`, { version: 1, ticks: { BACKUP: skipped } })
  expect(body.error.fields).toEqual([
    { path: 'ticks.BACKUP.reason', message: 'Say why it is left out.' },
  ])
})

test('finished: what was planned leaves the shelf, what came out goes to it, once', async () => {
  const { job, own, piece } = await plannedJob()
  await post('/fits', { jobId: job.id })
  const path = `/fits/${job.id}`
  const early = await patch(path, { version: 1, finished: true })
  expect(early).toMatchObject({ status: 409, body: { error: { code: 'open_removed' } } })
  expect((await get(path)).body).toMatchObject({ version: 1, finishedAt: null })

  const shelfId = crypto.randomUUID()
  const removed = { [own.id]: { to: 'shelf', shelfId, price: 600 } }
  await patch(path, { version: 1, removed, serials: { [`${own.id} 0`]: 'LF-1' } })
  const done = await patch(path, { version: 2, finished: true })
  expect(done.body.finishedAt).not.toBeNull()
  expect((await patch(path, { version: 3, finished: true })).body.error.code).toBe('finished')

  const shelf = await onShelf()
  expect(shelf.map(({ id }) => id)).not.toContain(piece.id)
  expect(shelf.find(({ id }) => id === shelfId)).toMatchObject({
    source: 'shelf',
    condition: 'used',
    testedOn: null,
    serialNumber: 'LF-1',
    fromJobId: job.id,
    price: 600,
    keptFor: null,
  })
  // The job itself still knows what it was fitted with.
  const forJob = await onShelf(`&generation=DDR4&formFactor=SODIMM&forJob=${job.id}`)
  expect(forJob.map(({ id }) => id)).toContain(piece.id)
  expect((await get(`/jobs/${job.id}`)).body.stage).toBe('verify')
})

test('with the clock set back between two plans, the one on the board is fitted', async () => {
  const { job, own, piece } = await plannedJob()
  const beside = (await post('/plans', { jobId: job.id, name: 'Plan 2', placement: {} })).body
  const earlier = new Date(Date.parse(beside.createdAt) - 3 * 3_600_000).toISOString()
  await db().update(plans).set({ createdAt: earlier, firstWrite: 0 }).where(eq(plans.id, beside.id))
  const { planId, plans: all } = (await get(`/jobs/${job.id}`)).body
  expect(all[0].id).toBe(beside.id)
  expect(planId).not.toBe(beside.id)
  await post('/fits', { jobId: job.id })
  const removed = { [own.id]: { to: 'recycling', shelfId: crypto.randomUUID() } }
  await patch(`/fits/${job.id}`, { version: 1, removed, finished: true })
  expect((await get(`/modules/${piece.id}`)).body.fittedJobId).toBe(job.id)
})

test('what goes to the customer or to recycling is recorded and comes to no shelf', async () => {
  const { job, own } = await plannedJob()
  await post('/fits', { jobId: job.id })
  const before = (await onShelf()).length
  const removed = { [own.id]: { to: 'recycling', shelfId: crypto.randomUUID() } }
  await patch(`/fits/${job.id}`, { version: 1, removed, finished: true })
  expect((await onShelf()).length).toBe(before - 1)
  expect((await get(`/fits/${job.id}`)).body.removed[own.id].to).toBe('recycling')
})

test('another job cannot plan on a piece that has left the shelf', async () => {
  const { job, own, piece } = await plannedJob()
  await post('/fits', { jobId: job.id })
  const removed = { [own.id]: { to: 'customer', shelfId: crypto.randomUUID() } }
  await patch(`/fits/${job.id}`, { version: 1, removed, finished: true })
  const other = (await post('/jobs', newJobBody)).body
  const [plan] = (await get(`/plans?jobId=${other.id}`)).body
  const reached = await patch(`/plans/${plan.id}`, {
    version: 1,
    placement: { A: { moduleId: piece.id } },
  })
  expect(reached.status).toBe(400)
  expect(reached.body.error.fields[0].message).toBe('This piece has left the shelf.')
})

async function orderedJob() {
  const job = (await post('/jobs', newJobBody)).body
  const [plan] = (await get(`/plans?jobId=${job.id}`)).body
  const article = {
    source: 'supplier',
    supplier: 'Marrowby Parts',
    module: sampleStick,
    price: 2300,
  }
  const { id: moduleId } = (await post('/modules', article)).body
  const placement = { A: { moduleId, unit: 0 } }
  await patch(`/plans/${plan.id}`, { version: 1, placement })
  await post('/fits', { id: job.id, jobId: job.id })
  return { job, plan, moduleId, path: `/fits/${job.id}` }
}

test('a fitting does not end while a part is not here, unless somebody says that it is', async () => {
  const { moduleId, path } = await orderedJob()
  const early = await patch(path, { version: 1, finished: true })
  expect(early).toMatchObject({ status: 409, body: { error: { code: 'not_here' } } })
  expect(early.body.error.message).toContain('the module for A')
  const hereWithoutOrder = [`${moduleId} 0`]
  const done = await patch(path, { version: 1, hereWithoutOrder, finished: true })
  expect(done.body).toMatchObject({ fittedAs: { A: { moduleId, unit: 0 } } })
})

test('a part that was replaced comes back put aside as bad, no plan takes it again, and the work goes on', async () => {
  const { job, plan, moduleId, path } = await orderedJob()
  const line = { id: crypto.randomUUID(), jobId: job.id, moduleId, module: sampleStick }
  const lines = [{ ...line, purchases: [0], price: 2300 }]
  const { id: order } = (await post('/orders', { supplier: 'Marrowby Parts', lines })).body
  await patch(`/orders/${order}`, { version: 1, sent: { at: tick.at, by: 'Mika' } })
  const arriving = [
    {
      id: crypto.randomUUID(),
      lineId: line.id,
      serial: 'S-1',
      invoice: '',
      warrantyUntil: null,
      wrong: '',
    },
  ]
  await patch(`/orders/${order}`, { version: 2, arriving })
  expect((await get(`/jobs/${job.id}/parts`)).body).toMatchObject([
    { moduleId, unit: 0, pieceId: expect.any(String), order: { number: expect.any(Number) } },
  ])
  await patch(path, { version: 1, finished: true })
  const [entry] = [
    {
      id: crypto.randomUUID(),
      round: 1,
      slot: 'A',
      moduleId,
      unit: 0,
      serial: 'S-1',
      why: 'no start with it',
      at: tick.at,
      by: 'Mika',
    },
  ]
  await patch(`/plans/${plan.id}`, { version: 2, placement: { A: { moduleId, unit: 1 } } })
  const again = await patch(path, { version: 2, replaced: [entry], goesOn: true })
  expect(again.body).toMatchObject({ finishedAt: null, replaced: [{ serial: 'S-1' }] })
  expect((await get(`/jobs/${job.id}`)).body).toMatchObject({ stage: 'fit' })
  const aside = ((await onShelf()) as unknown as { id: string; serialNumber: string }[]).find(
    ({ serialNumber }) => serialNumber === 'S-1',
  )
  expect(aside).toMatchObject({ bad: { why: 'no start with it' }, fittedJobId: null })
  const refused = await patch(`/plans/${plan.id}`, {
    version: 3,
    placement: { A: { moduleId: aside?.id } },
  })
  expect(refused.body.error.fields).toEqual([
    { path: 'placement.A.moduleId', message: 'This piece is put aside as bad.' },
  ])
})
