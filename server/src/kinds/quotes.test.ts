import { expect, test } from 'vitest'
import { newJobBody } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post, patch, remove } = useServer()

async function draft() {
  const job = (await post('/jobs', newJobBody)).body
  const [plan] = (await get(`/plans?jobId=${job.id}`)).body
  const option = {
    id: crypto.randomUUID(),
    planId: plan.id,
    title: 'One module more',
    wording: null,
    minutes: null,
    credits: {},
    extras: [],
  }
  const quote = (await post('/quotes', { jobId: job.id, options: [option] })).body
  return { job, quote, option }
}

const documentOf = (id: string) => ({
  shopName: 'Tandem Lane Repairs',
  address: '',
  customerName: 'Ada Quill',
  machineName: 'Heron 15',
  currency: 'EUR',
  taxPercent: 20,
  pricesIncludeTax: true,
  validUntil: '2030-01-31',
  note: '',
  returnTerms: '',
  options: [
    {
      id,
      title: 'One module more',
      wording: 'We put a second module beside the first.',
      lines: [{ kind: 'part', text: '8 GB module', quantity: 1, amount: 2300 }],
      net: 1917,
      tax: 383,
      total: 2300,
      credit: 0,
      toPay: 2300,
      deposit: 0,
      placement: {},
      profile: false,
    },
  ],
})

const offered = { at: '2030-01-19T10:00:00.000Z', by: 'Mika' }
const approval = (optionId: string) => ({
  name: 'Ada Quill',
  optionId,
  at: '2030-01-20T10:00:00.000Z',
  takenBy: 'Mika',
})

test('a quote is numbered within its job, comes with it, and is in its history', async () => {
  const { job, quote } = await draft()
  expect(quote).toMatchObject({ number: 1, approval: null, document: null, version: 1 })
  const second = (await post('/quotes', { jobId: job.id })).body
  expect(second.number).toBe(2)
  const file = (await get(`/jobs/${job.id}`)).body
  expect(file.quotes.map(({ number }: { number: number }) => number)).toEqual([1, 2])
  const history = (await get(`/jobs/${job.id}/history`)).body as { record: string }[]
  expect(history.filter(({ record }) => record === 'quote')).toHaveLength(2)
  expect((await remove(`/quotes/${second.id}?version=1`)).status).toBe(204)
})

test('once approved it stays as it is', async () => {
  const { job, quote, option } = await draft()
  const [document, agreed] = [documentOf(option.id), approval(option.id)]
  const answer = await patch(`/quotes/${quote.id}`, {
    version: 1,
    offered,
    document,
    approval: agreed,
  })
  expect(answer).toMatchObject({ status: 200, body: { approval: agreed, document, version: 2 } })

  const changed = await patch(`/quotes/${quote.id}`, { version: 2, note: 'cheaper' })
  expect(changed).toMatchObject({ status: 409, body: { error: { code: 'approved' } } })
  expect((await remove(`/quotes/${quote.id}?version=2`)).body.error.code).toBe('offered')
  expect((await post('/quotes', { jobId: job.id })).body.number).toBe(2)
  expect((await get(`/quotes/${quote.id}`)).body).toMatchObject({ note: '', document })
})

test('an approval names who, an option of the document, and comes with it', async () => {
  const { quote, option } = await draft()
  const path = `/quotes/${quote.id}`
  const document = documentOf(option.id)
  const alone = await patch(path, { version: 1, approval: approval(option.id) })
  expect(alone).toMatchObject({ status: 400 })
  expect(alone.body.error.fields).toEqual([
    { path: 'document', message: 'What is approved or ended has to be offered first.' },
  ])
  const half = await patch(path, { version: 1, document })
  expect(half.body.error.fields).toEqual([
    { path: 'offered', message: 'An offer and its document come together.' },
  ])
  const other = await patch(path, {
    version: 1,
    offered,
    document,
    approval: approval(crypto.randomUUID()),
  })
  expect(other.body.error.fields[0].path).toBe('approval.optionId')
  const nobody = await patch(path, {
    version: 1,
    offered,
    document,
    approval: { ...approval(option.id), name: '  ' },
  })
  expect(nobody.body.error.fields).toEqual([{ path: 'approval.name', message: 'Who approves it?' }])
})

test('an offer stays as it was; it is approved, then withdrawn with the reason, and nothing more', async () => {
  const { quote, option } = await draft()
  const path = `/quotes/${quote.id}`
  const document = documentOf(option.id)
  expect((await patch(path, { version: 1, offered, document })).body).toMatchObject({ offered })
  expect(await patch(path, { version: 2, note: 'cheaper' })).toMatchObject({
    status: 409,
    body: { error: { code: 'offered' } },
  })
  expect((await patch(path, { version: 2, approval: approval(option.id) })).status).toBe(200)
  const at = '2030-01-21T10:00:00.000Z'
  const ended = { as: 'withdrawn', at, by: 'Mika', why: 'Bought elsewhere.' }
  expect((await patch(path, { version: 3, ended })).body).toMatchObject({ ended, document })
  expect((await patch(path, { version: 4, ended })).body.error.code).toBe('ended')
})

test('what is fitted is not withdrawn', async () => {
  const { job, quote, option } = await draft()
  const agreed = { offered, document: documentOf(option.id), approval: approval(option.id) }
  await patch(`/quotes/${quote.id}`, { version: 1, ...agreed })
  await post('/fits', { jobId: job.id, id: job.id })
  expect((await patch(`/fits/${job.id}`, { version: 1, finished: true })).status).toBe(200)
  const ended = { as: 'withdrawn', at: '2030-01-23T10:00:00.000Z', by: '', why: '' }
  const answer = await patch(`/quotes/${quote.id}`, { version: 2, ended })
  expect(answer).toMatchObject({ status: 409, body: { error: { code: 'fitted' } } })
})
