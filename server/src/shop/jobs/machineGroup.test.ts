import { describe, expect, test } from 'vitest'
import { newJobBody, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'
import { openArchive } from '../exchange/archive'

const { get, post, patch, address } = useServer()

const sold = async (of: object = {}) =>
  (
    await post('/modules', {
      source: 'supplier',
      supplier: 'Marrowby Parts',
      price: 2300,
      module: { ...sampleStick, article: 'Larkfield L4-8-3200' },
      ...of,
    })
  ).body

const machines = (count: number) =>
  Array.from({ length: count }, (_, at) => ({
    id: crypto.randomUUID(),
    serialNumber: `LM-${at + 2}`,
  }))

/** A job with a module found in A, and as many machines more like it. */
async function group(more: number) {
  const job = (await post('/jobs', newJobBody)).body
  const own = (await post('/modules', { jobId: job.id, source: 'customer', module: sampleStick }))
    .body
  const found = { A: { moduleId: own.id, unit: 0 } }
  await patch(`/jobs/${job.id}`, { version: 1, found })
  const added = machines(more)
  const made = await post(`/jobs/${job.id}/like`, { machines: added })
  expect(made.status).toBe(201)
  return { job, own, added, others: made.body as { id: string; number: number }[] }
}

const fileOf = async (id: string) => (await get(`/jobs/${id}`)).body
const planOf = async (id: string) => {
  const file = await fileOf(id)
  return file.plans.find((plan: { id: string }) => plan.id === file.planId)
}

async function planFor(jobId: string, placement: object) {
  const { id, version } = await planOf(jobId)
  return patch(`/plans/${id}`, { version, placement })
}

async function approve(jobId: string, placement: object, machines: number) {
  const { planId } = await fileOf(jobId)
  const option = {
    id: crypto.randomUUID(),
    planId,
    title: '',
    wording: null,
    minutes: null,
    credits: {},
    extras: [],
  }
  const quote = (await post('/quotes', { jobId, options: [option] })).body
  const at = new Date().toISOString()
  const sums = { net: 0, tax: 0, total: 4600, credit: 0, toPay: 4600, deposit: 0 }
  const quoted = {
    id: option.id,
    title: '',
    wording: '',
    lines: [],
    ...sums,
    placement,
    machines,
    minutes: 20,
    profile: false,
  }
  const document = {
    shopName: '',
    address: '',
    customerName: 'Ottoline Varga',
    machineName: 'Laptop',
    currency: 'EUR',
    taxPercent: 20,
    pricesIncludeTax: true,
    validUntil: '2099-01-31',
    note: '',
    returnTerms: '',
    options: [quoted],
  }
  const approval = { name: 'Ottoline Varga', optionId: option.id, at, takenBy: 'Mika' }
  return patch(`/quotes/${quote.id}`, { version: 1, offered: { at, by: '' }, approval, document })
}

describe('like machines', () => {
  test('are jobs of their own, with what was found in the first; sent again they are there once', async () => {
    const { job, added, others } = await group(2)
    expect((await post(`/jobs/${job.id}/like`, { machines: added })).body).toEqual(others)
    const second = await fileOf(others[0]?.id as string)
    expect(second).toMatchObject({
      leadId: job.id,
      lead: { id: job.id, number: job.number },
      machines: 3,
      complaint: job.complaint,
      machine: { serialNumber: 'LM-2', machine: newJobBody.machine.machine },
      modules: [{ module: sampleStick, serialNumber: '' }],
    })
    expect(second.found).toEqual({ A: { moduleId: second.modules[0].id, unit: 0 } })
    expect(await fileOf(job.id)).toMatchObject({ machines: 3, lead: null, version: 3 })
    expect((await get(`/jobs/${others[1]?.id}/like`)).body).toMatchObject([
      { id: job.id, leads: true },
      { serialNumber: 'LM-2', leads: false },
      { serialNumber: 'LM-3', leads: false },
    ])
  })

  test('follow the plan of the first, each with its own module where the first keeps its own', async () => {
    const { job, own, others } = await group(1)
    const offer = await sold()
    const placement = { A: { moduleId: offer.id, unit: 0 }, B: { moduleId: own.id, unit: 0 } }
    expect((await planFor(job.id, placement)).status).toBe(200)
    const id = others[0]?.id as string
    const { modules } = await fileOf(id)
    expect((await planOf(id)).placement).toEqual({
      A: { moduleId: offer.id, unit: 0 },
      B: { moduleId: modules[0].id, unit: 0 },
    })
    const other = (await post('/modules', { jobId: id, source: 'customer', module: sampleStick }))
      .body
    const { version } = await fileOf(id)
    await patch(`/jobs/${id}`, { version, found: { A: { moduleId: other.id, unit: 0 } } })
    expect((await planOf(id)).placement.B).toEqual({ moduleId: other.id, unit: 0 })
    const refused = await planFor(id, {})
    expect(refused).toMatchObject({ status: 409, body: { error: { code: 'follows' } } })
    expect(refused.body.error.message).toContain(`follows job ${job.number}`)
    expect((await post('/quotes', { jobId: id, options: [] })).body.error.code).toBe('follows')
    expect((await post(`/jobs/${id}/like`, { machines: machines(1) })).body.error.code).toBe(
      'follows',
    )
  })

  test('cannot share one piece of the shelf', async () => {
    const { job } = await group(1)
    const piece = (
      await post('/modules', {
        source: 'shelf',
        price: 1400,
        condition: 'used',
        module: sampleStick,
      })
    ).body
    const placement = { B: { moduleId: piece.id } }
    expect((await planFor(job.id, placement)).body.error.code).toBe('one_piece')
    expect((await planOf(job.id)).placement).toBeNull()
    const alone = (await post('/jobs', newJobBody)).body
    expect((await planFor(alone.id, placement)).status).toBe(200)
    const late = await post(`/jobs/${alone.id}/like`, { machines: machines(1) })
    expect(late.body.error.code).toBe('one_piece')
  })

  test('have one approval and one order for all, and each is fitted by itself', async () => {
    const { job, own, others } = await group(1)
    const offer = await sold()
    const placement = { A: { moduleId: offer.id, unit: 0 }, B: { moduleId: own.id, unit: 0 } }
    await planFor(job.id, placement)
    expect((await approve(job.id, placement, 2)).status).toBe(200)
    const id = others[0]?.id as string
    const second = await fileOf(id)
    const [option] = second.quotes[0].document.options
    expect(option.placement).toEqual((await planOf(id)).placement)

    const needed = (await get('/orders/needed')).body.filter(
      ({ moduleId }: { moduleId: string }) => moduleId === offer.id,
    )
    expect(needed.map(({ jobId }: { jobId: string }) => jobId).sort()).toEqual([job.id, id].sort())
    const lines = needed.map(
      ({ jobId, moduleId, module, purchases, price }: Record<string, unknown>) => ({
        ...{ jobId, moduleId, module, purchases, price },
        id: crypto.randomUUID(),
      }),
    )
    const order = (await post('/orders', { supplier: 'Marrowby Parts', lines })).body
    const day = async () =>
      (await get('/jobs/open')).body.filter((line: { id: string }) =>
        [job.id, id].includes(line.id),
      )
    expect(await day()).toMatchObject([
      { id: job.id, machines: 2, act: 'AWAIT_PARTS', minutes: 40 },
    ])
    const at = new Date().toISOString()
    await patch(`/orders/${order.id}`, { version: 1, sent: { at, by: '' } })
    const arriving = order.lines.map(({ id }: { id: string }, n: number) => ({
      ...{ id: crypto.randomUUID(), lineId: id, serial: `GROUP-${n}` },
      ...{ invoice: '', warrantyUntil: null, wrong: '' },
    }))
    await patch(`/orders/${order.id}`, { version: 2, arriving })
    expect(await day()).toMatchObject([{ act: 'FIT', ready: 0 }])

    const fit = (await post('/fits', { jobId: job.id })).body
    const removed = {}
    expect((await patch(`/fits/${fit.id}`, { version: 1, removed, finished: true })).status).toBe(
      200,
    )
    expect(await day()).toMatchObject([{ id: job.id, act: 'FIT', actId: id, minutes: 20 }])

    await planFor(job.id, { A: { moduleId: offer.id, unit: 0 } })
    expect(Object.keys((await planOf(id)).placement)).toEqual(['A'])
  })

  test('one that differs is a job by itself, and the first knows that it is one fewer', async () => {
    const { job, others } = await group(2)
    const id = others[0]?.id as string
    const { version } = await fileOf(id)
    expect((await post(`/jobs/${id}/single-out`, { version: version + 1 })).status).toBe(409)
    expect((await post(`/jobs/${id}/single-out`, { version })).status).toBe(200)
    expect(await fileOf(id)).toMatchObject({ leadId: null, lead: null, machines: 1 })
    expect(await fileOf(job.id)).toMatchObject({ machines: 2 })
    expect((await planFor(id, {})).status).toBe(200)
    expect((await post(`/jobs/${id}/single-out`, { version: version + 1 })).body.error.code).toBe(
      'alone',
    )
  })

  test('one goes elsewhere as a job of its own', async () => {
    const { job, own, others } = await group(1)
    const placement = { B: { moduleId: own.id, unit: 0 } }
    await planFor(job.id, placement)
    await approve(job.id, placement, 2)
    const id = others[0]?.id as string
    const read = async () =>
      Buffer.from(await (await fetch(`${address()}/jobs/${id}/file`)).arrayBuffer())
    const first = await read()
    expect(first.equals(await read())).toBe(true)
    const { job: text } = await openArchive(first)
    const alone = JSON.parse(text)
    expect(alone.job.leadId).toBeNull()
    expect(alone.quotes).toMatchObject([{ jobId: id, approval: {} }])
  })
})
