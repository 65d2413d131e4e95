import { describe, expect, test } from 'vitest'
import { newJobBody, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { get, post, patch, remove, raw, address } = useServer()

const SUPPLIER = 'Marrowby Parts'
const kit = { ...sampleStick, article: 'Wendover W4S-16-3200', kit: { id: 'W4S-2x16', size: 2 } }

const sold = async (module: object, of: object = {}) =>
  (await post('/modules', { source: 'supplier', supplier: SUPPLIER, price: 9000, module, ...of }))
    .body

/** A job whose customer agreed to a plan with these modules of suppliers. */
async function approved(placement: Record<string, { moduleId: string; unit?: number }>) {
  const job = (await post('/jobs', newJobBody)).body
  await patch(`/plans/${job.planId}`, { version: 1, placement })
  const option = {
    id: crypto.randomUUID(),
    planId: job.planId,
    title: '',
    wording: null,
    minutes: null,
    credits: {},
    extras: [],
  }
  const quote = (await post('/quotes', { jobId: job.id, options: [option] })).body
  const at = new Date().toISOString()
  const agreed = await patch(`/quotes/${quote.id}`, {
    version: 1,
    offered: { at, by: 'Mika' },
    approval: { name: 'Ottoline Varga', optionId: option.id, at, takenBy: 'Mika' },
    document: {
      shopName: '',
      address: '',
      customerName: 'Ottoline Varga',
      machineName: 'Heron 15',
      currency: 'EUR',
      taxPercent: 20,
      pricesIncludeTax: true,
      validUntil: '2099-01-31',
      note: '',
      returnTerms: '',
      options: [
        {
          id: option.id,
          title: '',
          wording: '',
          lines: [],
          net: 0,
          tax: 0,
          total: 0,
          credit: 0,
          toPay: 0,
          deposit: 0,
          placement,
          profile: false,
        },
      ],
    },
  })
  expect(agreed.status).toBe(200)
  return job
}

const neededFor = async (jobId: string) =>
  (await get('/orders/needed')).body.filter((line: { jobId: string }) => line.jobId === jobId)

const lineOf = ({ jobId, moduleId, module, purchases, price }: Record<string, unknown>) => ({
  id: crypto.randomUUID(),
  jobId,
  moduleId,
  module,
  purchases,
  price,
})

/** An order of everything that a job needs. */
async function ordered(jobId: string) {
  const lines = (await neededFor(jobId)).map(lineOf)
  const made = await post('/orders', { supplier: SUPPLIER, lines })
  expect(made.status).toBe(201)
  return made.body
}

const dayLine = async (jobId: string) =>
  (await get('/jobs/open')).body.find(({ id }: { id: string }) => id === jobId)

let made = 0
const arriving = (lineId: string, of: object = {}) => ({
  id: crypto.randomUUID(),
  lineId,
  serial: `CAME-${++made}`,
  invoice: 'D-77',
  warrantyUntil: '2032-01-31',
  wrong: '',
  ...of,
})

const shelfOf = async (jobId: string) =>
  (await get(`/modules?shop=1&source=shelf&forJob=${jobId}&limit=1000`)).body.filter(
    ({ orderedFor }: { orderedFor: { jobId: string } | null }) => orderedFor?.jobId === jobId,
  )

describe('from an approval to the bench', () => {
  test('a kit is needed, ordered, confirmed, comes piece by piece, and is fitted', async () => {
    const offer = await sold(kit)
    const job = await approved({
      A: { moduleId: offer.id, unit: 0 },
      B: { moduleId: offer.id, unit: 1 },
    })
    expect(await neededFor(job.id)).toMatchObject([
      { moduleId: offer.id, purchases: [0], price: 9000, supplier: SUPPLIER, job: job.number },
    ])
    expect(await dayLine(job.id)).toMatchObject({ state: 'parts', act: 'ORDER_PARTS' })

    const draft = await ordered(job.id)
    expect(await neededFor(job.id)).toEqual([])
    expect(await dayLine(job.id)).toMatchObject({ state: 'parts', act: 'AWAIT_PARTS' })

    const sent = await post(`/orders/${draft.id}/send`, { version: 1 })
    expect(sent).toMatchObject({
      status: 200,
      body: { sent: {}, confirmation: { lines: [{ times: 1, lineId: draft.lines[0].id }] } },
    })
    const { confirmation } = sent.body
    expect(confirmation.lines[0].cost).toBeGreaterThan(0)
    expect(await dayLine(job.id)).toMatchObject({ partsOn: confirmation.lines[0].dueOn })
    expect((await get(`/orders/${draft.id}/deliveries`)).body).toMatchObject([
      { lines: [{ partNumber: kit.article, quantity: 1 }] },
    ])

    const lineId = draft.lines[0].id
    const first = arriving(lineId)
    const one = await patch(`/orders/${draft.id}`, { version: 3, arriving: [first] })
    expect(one).toMatchObject({ status: 200, body: { open: true } })
    expect(await dayLine(job.id)).toMatchObject({ act: 'AWAIT_PARTS' })
    const both = await patch(`/orders/${draft.id}`, {
      version: 4,
      arriving: [first, arriving(lineId)],
    })
    expect(both).toMatchObject({ status: 200, body: { open: false } })
    expect(both.body.arrived).toHaveLength(2)
    expect(await dayLine(job.id)).toMatchObject({ state: 'bench', act: 'FIT' })

    const shelf = await shelfOf(job.id)
    expect(shelf).toMatchObject([
      {
        serialNumber: first.serial,
        supplier: SUPPLIER,
        invoice: 'D-77',
        warrantyUntil: '2032-01-31',
        price: 4500,
        cost: Math.round(confirmation.lines[0].cost / 2),
        keptFor: { jobId: job.id },
      },
      { keptFor: { jobId: job.id } },
    ])
    expect(shelf[0].module.kit).toEqual(shelf[1].module.kit)

    const fit = (await post('/fits', { jobId: job.id })).body
    const ended = await patch(`/fits/${fit.id}`, { version: 1, finished: true })
    expect(ended.body.serials).toMatchObject({ [`${offer.id} 0`]: first.serial })
    const fitted = await shelfOf(job.id)
    expect(fitted.map(({ fittedJobId }: { fittedJobId: string }) => fittedJobId)).toEqual([
      job.id,
      job.id,
    ])
    const found = await get(`/jobs?search=${first.serial.toLowerCase()}`)
    expect(found.body).toMatchObject([{ id: job.id }])
  })

  test('what the plan no longer holds is free for others when it comes', async () => {
    const offer = await sold({ ...sampleStick, article: 'Larkfield L4-8-3200' })
    const job = await approved({ A: { moduleId: offer.id } })
    const draft = await ordered(job.id)
    await post(`/orders/${draft.id}/send`, { version: 1 })
    const plan = (await get(`/plans/${job.planId}`)).body
    await patch(`/plans/${job.planId}`, { version: plan.version, placement: {} })
    const { id } = draft.lines[0]
    const { version } = (await get(`/orders/${draft.id}`)).body
    expect((await patch(`/orders/${draft.id}`, { version, arriving: [arriving(id)] })).status).toBe(
      200,
    )
    expect(await shelfOf(job.id)).toMatchObject([{ keptFor: null }])
    await patch(`/plans/${job.planId}`, {
      version: plan.version + 1,
      placement: { A: { moduleId: offer.id } },
    })
    expect(await shelfOf(job.id)).toMatchObject([{ keptFor: { jobId: job.id } }])
  })
})

describe('refused, and nothing is changed by it', () => {
  async function sentFor(times = 1) {
    const offer = await sold(sampleStick)
    const slots = ['A', 'B']
      .slice(0, times)
      .map((slot, unit) => [slot, { moduleId: offer.id, unit }])
    const job = await approved(Object.fromEntries(slots))
    const draft = await ordered(job.id)
    const at = new Date().toISOString()
    const sent = (await patch(`/orders/${draft.id}`, { version: 1, sent: { at, by: 'Mika' } })).body
    return { job, order: sent, lineId: sent.lines[0].id, path: `/orders/${draft.id}` }
  }

  test('the same unit in two orders', async () => {
    const { order } = await sentFor()
    const again = await post('/orders', {
      supplier: SUPPLIER,
      lines: [{ ...order.lines[0], id: crypto.randomUUID() }],
    })
    expect(again).toMatchObject({ status: 409, body: { error: { code: 'ordered' } } })
    expect(again.body.error.message).toContain(`in order ${order.number} already`)
  })

  test('a module of another supplier, one of the shelf, a job there is not', async () => {
    const other = await sold(sampleStick, { supplier: 'Elsewhere' })
    const job = await approved({ A: { moduleId: other.id } })
    const line = lineOf((await neededFor(job.id))[0])
    expect((await post('/orders', { supplier: SUPPLIER, lines: [line] })).body.error).toMatchObject(
      {
        fields: [{ path: 'lines.0.moduleId' }],
      },
    )
    const piece = (
      await post('/modules', { source: 'shelf', price: 1, module: sampleStick, condition: 'used' })
    ).body
    const wrong = { ...line, moduleId: piece.id }
    expect((await post('/orders', { supplier: SUPPLIER, lines: [wrong] })).status).toBe(400)
    const nobody = { ...line, jobId: crypto.randomUUID() }
    expect((await post('/orders', { supplier: 'Elsewhere', lines: [nobody] })).status).toBe(404)
    expect(await neededFor(job.id)).toHaveLength(1)
  })

  test('confirming twice, by hand too; more than was ordered; a serial number the shelf has', async () => {
    const { order, lineId, path } = await sentFor()
    const at = new Date().toISOString()
    const confirmation = (times: number) => ({
      at,
      reference: 'X-1',
      lines: [{ lineId, times, cost: 100, dueOn: null, why: '' }],
    })
    const more = await patch(path, { version: 2, confirmation: confirmation(2) })
    expect(more.body.error.fields).toMatchObject([{ path: 'confirmation.lines.0.times' }])
    expect((await patch(path, { version: 2, confirmation: confirmation(1) })).status).toBe(200)
    const again = await patch(path, { version: 3, confirmation: confirmation(1) })
    expect(again).toMatchObject({ status: 409, body: { error: { code: 'confirmed' } } })
    expect(again.body.error.message).toContain('as X-1')
    expect((await post(`${path}/send`, { version: 3 })).body.error.code).toBe('confirmed')

    const first = arriving(lineId)
    expect((await patch(path, { version: 3, arriving: [first] })).status).toBe(200)
    const extra = await patch(path, { version: 4, arriving: [arriving(lineId)] })
    expect(extra.body.error.fields).toMatchObject([{ path: 'arriving.0.serial' }])

    const other = await sentFor(2)
    const known = arriving(other.lineId, { serial: first.serial.toLowerCase() })
    const taken = await patch(other.path, { version: 2, arriving: [arriving(other.lineId), known] })
    expect(taken.body.error.fields).toMatchObject([{ path: 'arriving.1.serial' }])
    expect(taken.body.error.fields[0].message).toContain('is on the shelf already')
    expect((await get(other.path)).body).toMatchObject({ version: 2, arrived: [] })
    expect(await get(path)).toMatchObject({ body: { number: order.number, version: 4 } })
  })

  test('sending to one whom nobody here can ask; taking away what was sent', async () => {
    const elsewhere = await sold(sampleStick, { supplier: 'Elsewhere' })
    const job = await approved({ A: { moduleId: elsewhere.id } })
    const lines = (await neededFor(job.id)).map(lineOf)
    const draft = (await post('/orders', { supplier: 'Elsewhere', lines })).body
    expect(await post(`/orders/${draft.id}/send`, { version: 1 })).toMatchObject({
      status: 409,
      body: { error: { code: 'not_connected' } },
    })
    expect((await get(`/orders/${draft.id}`)).body).toMatchObject({ version: 1, sent: null })
    expect((await remove(`/orders/${draft.id}?version=1`)).status).toBe(204)
    expect(await neededFor(job.id)).toHaveLength(1)
    const { path } = await sentFor()
    expect((await remove(`${path}?version=2`)).body.error.code).toBe('sent')
  })
})

describe('the supplier', () => {
  const behaviour = (name: string) =>
    raw('/supplier/behaviour', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ behaviour: name }),
    })

  test('that answers with an error leaves the order sent; asked again, it confirms', async () => {
    const offer = await sold({ ...sampleStick, article: 'Larkfield L4-8-3200' })
    const job = await approved({ A: { moduleId: offer.id } })
    const draft = await ordered(job.id)
    await behaviour('failing')
    expect((await post(`/orders/${draft.id}/send`, { version: 1 })).status).toBe(502)
    await behaviour('steady')
    const left = (await get(`/orders/${draft.id}`)).body
    expect(left).toMatchObject({ version: 2, confirmation: null })
    expect(left.sent).not.toBeNull()
    const again = await post(`/orders/${draft.id}/send`, { version: 2 })
    expect(again.body.confirmation.lines).toMatchObject([{ times: 1 }])
  })

  test('that refuses gives the job back to be ordered elsewhere', async () => {
    const offer = await sold({ ...sampleStick, article: 'Larkfield L4-8-3200' })
    const job = await approved({ A: { moduleId: offer.id } })
    const draft = await ordered(job.id)
    await behaviour('refusing')
    const sent = await post(`/orders/${draft.id}/send`, { version: 1 })
    await behaviour('steady')
    expect(sent.body).toMatchObject({ open: false, confirmation: { lines: [{ times: 0 }] } })
    expect(sent.body.confirmation.lines[0].why).not.toBe('')
    expect(await neededFor(job.id)).toHaveLength(1)
    expect(await dayLine(job.id)).toMatchObject({ act: 'ORDER_PARTS' })
  })

  test('that sends a wrong part: it is noted, and the right one is still awaited', async () => {
    const offer = await sold({ ...sampleStick, article: 'Larkfield L4-8-3200' })
    const job = await approved({ A: { moduleId: offer.id } })
    const draft = await ordered(job.id)
    await behaviour('wrong')
    await post(`/orders/${draft.id}/send`, { version: 1 })
    const [note] = (await get(`/orders/${draft.id}/deliveries`)).body
    await behaviour('steady')
    expect(note.lines[0].partNumber).not.toBe('Larkfield L4-8-3200')
    const wrong = arriving(draft.lines[0].id, { wrong: note.lines[0].partNumber })
    const noted = await patch(`/orders/${draft.id}`, { version: 3, arriving: [wrong] })
    expect(noted.body).toMatchObject({ open: true, arrived: [{ pieceId: null }] })
    expect(await shelfOf(job.id)).toEqual([])
    expect(await dayLine(job.id)).toMatchObject({ act: 'AWAIT_PARTS' })
  })
})

test('a piece that somebody took off the shelf does not come back with the next', async () => {
  const offer = await sold(kit)
  const job = await approved({ A: { moduleId: offer.id }, B: { moduleId: offer.id, unit: 1 } })
  const draft = await ordered(job.id)
  const path = `/orders/${draft.id}`
  await patch(path, { version: 1, sent: { at: new Date().toISOString(), by: '' } })
  const { id } = draft.lines[0]
  await patch(path, { version: 2, arriving: [arriving(id)] })
  const [piece] = await shelfOf(job.id)
  expect((await remove(`/modules/${piece.id}?version=${piece.version}`)).status).toBe(204)
  await patch(path, { version: 3, arriving: [arriving(id)] })
  expect(await shelfOf(job.id)).toHaveLength(1)
})

test('a piece noted by mistake goes from the shelf again, not once it is fitted', async () => {
  const offer = await sold(sampleStick)
  const job = await approved({ A: { moduleId: offer.id } })
  const draft = await ordered(job.id)
  const at = new Date().toISOString()
  const path = `/orders/${draft.id}`
  await patch(path, { version: 1, sent: { at, by: '' } })
  const one = arriving(draft.lines[0].id)
  await patch(path, { version: 2, arriving: [one] })
  const back = await patch(path, { version: 3, takenBack: [one.id] })
  expect(back.body).toMatchObject({ open: true, arrived: [] })
  expect(await shelfOf(job.id)).toEqual([])
  await patch(path, { version: 4, arriving: [one] })
  const fit = (await post('/fits', { jobId: job.id })).body
  expect((await patch(`/fits/${fit.id}`, { version: 1, finished: true })).status).toBe(200)
  const late = await patch(path, { version: 5, takenBack: [one.id] })
  expect(late).toMatchObject({ status: 409, body: { error: { code: 'gone' } } })
  expect((await get(path)).body.arrived).toHaveLength(1)
})

test('the list says how each order stands on a day; one is read as CSV and as JSON', async () => {
  const offer = await sold(sampleStick)
  const job = await approved({ A: { moduleId: offer.id } })
  const draft = await ordered(job.id)
  const at = '2030-02-10T09:00:00.000Z'
  await patch(`/orders/${draft.id}`, { version: 1, sent: { at, by: '' } })
  const lines = [{ lineId: draft.lines[0].id, times: 1, cost: null, dueOn: '2030-02-12', why: '' }]
  await patch(`/orders/${draft.id}`, { version: 2, confirmation: { at, reference: 'X', lines } })
  const stateOn = async (today: string) =>
    (await get(`/orders?rows=1&open=1&today=${today}&limit=1`)).body[0]
  expect(await stateOn('2030-02-12')).toMatchObject({
    number: draft.number,
    state: 'confirmed',
    jobs: [job.number],
    pieces: 1,
    here: 0,
    dueOn: '2030-02-12',
  })
  expect((await stateOn('2030-02-13')).state).toBe('late')
  expect((await get(`/orders/${draft.id}/file`)).body).toMatchObject({
    format: 'tembrix-order',
    number: draft.number,
    on: '2030-02-10',
    lines: [{ partNumber: sampleStick.article, quantity: 1 }],
  })
  const csv = await fetch(`${address()}/orders/${draft.id}/file?form=csv`)
  expect(csv.headers.get('content-type')).toContain('text/csv')
  expect(await csv.text()).toContain(`${draft.number},2030-02-10,${sampleStick.article}`)
  expect((await get(`/orders/${draft.id}/file?form=xml`)).status).toBe(400)
})
