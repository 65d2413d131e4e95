import { request as httpRequest, type IncomingMessage } from 'node:http'
import type { Machine, Module } from '@tembrix/core/things/model'
import { expect, test, vi } from 'vitest'
import { laptop, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { post, get, address } = useServer()

const stickOf = (changes: Partial<Module>): Module => ({ ...sampleStick, ...changes })
const laptopOf = (changes: Partial<Machine>): Machine => ({ ...laptop, ...changes })

const body = (changes: object = {}) => ({
  machine: laptop,
  onHand: [stickOf({ capacityGiB: 8 })],
  offers: [
    {
      id: 'kit',
      module: stickOf({ capacityGiB: 16, article: 'N-16' }),
      pieces: 2,
      price: 6900,
      stock: 1,
    },
  ],
  need: { minGiB: 0, budget: null },
  policy: 'capacity',
  settings: { profile: false },
  ...changes,
})

test('answers the trade-offs by the contract', async () => {
  const { status, body: answer } = await post('/plan', body())
  expect(status).toBe(200)
  expect(answer.options.map((one: { cost: number }) => one.cost)).toEqual([0, 6900])
  expect(answer.options[1]).toMatchObject({
    usableGiB: 32,
    evaluation: { starts: true, mode: 'dual' },
  })
  expect(Object.values(answer.options[1].placement)).toEqual([
    { source: 'offer', id: 'kit', unit: 0 },
    { source: 'offer', id: 'kit', unit: 1 },
  ])
})

test('names what stands in the way, and sets aside what cannot be used', async () => {
  const offers = [...body().offers, { ...body().offers[0], id: 'odd', module: { article: 'odd' } }]
  const { body: answer } = await post('/plan', body({ offers, need: { minGiB: 32, budget: 5000 } }))
  expect(answer.options).toEqual([])
  expect(
    answer.blockers.map((one: { requirements: string[]; to: unknown }) => [
      one.requirements,
      one.to,
    ]),
  ).toEqual([
    [['minGiB'], { minGiB: 8 }],
    [['budget'], { budget: 6900 }],
  ])
  expect(answer.setAside).toMatchObject([
    { source: 'offer', index: 1, id: 'odd', reasons: ['NOT_AN_OFFER'] },
  ])
})

test('says which field of a request is at fault', async () => {
  const { status, body: answer } = await post(
    '/plan',
    body({ policy: 'any', need: { minGiB: -1, budget: 1.5 } }),
  )
  expect(status).toBe(400)
  const paths = answer.error.fields.map(({ path }: { path: string }) => path)
  expect(paths).toEqual(expect.arrayContaining(['policy', 'need.minGiB', 'need.budget']))
})

/** What takes seconds. */
const many = Array.from({ length: 400 }, (_, at) => ({
  id: `o${at}`,
  module: stickOf({
    article: `a${at}`,
    capacityGiB: [4, 8, 16, 32][at % 4] as number,
    ranks: (at % 2) + 1,
  }),
  pieces: (at % 2) + 1,
  price: 1000 + ((at * 7919) % 5000),
  stock: 9,
}))
const wide = laptopOf({
  channels: ['A', 'B', 'C', 'D'],
  slots: ['A', 'B', 'C', 'D'].flatMap((channel) =>
    [1, 2, 3].map((position) => ({
      id: `${channel}${position}`,
      channel,
      position,
      order: null,
      mustFill: false,
      color: null,
    })),
  ),
  limits: { ...laptop.limits, totalGiB: 512 },
})
const text = JSON.stringify(body({ machine: wide, offers: many }))

/** Asks for it without waiting; what comes of it is in `ended`. */
function askLong() {
  const asked = httpRequest(`${address()}/plan`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) },
  })
  const ended = new Promise<IncomingMessage | null>((resolve) => {
    asked.on('response', resolve)
    asked.on('close', () => resolve(null))
    asked.on('error', () => resolve(null))
  })
  asked.end(text)
  return { asked, ended }
}

test('answers others while it plans, and gives up when the sender goes away', async () => {
  const { asked, ended } = askLong()
  expect((await get('/health')).status).toBe(200)
  asked.destroy()
  await ended
  expect((await post('/plan', body())).status).toBe(200)
})

test('where too many wait, others are told when to ask again; nothing else is held up', async () => {
  const all = Array.from({ length: 60 }, askLong)
  const answers = all.map(({ ended }) => ended.then((answer) => answer?.headers['retry-after']))
  expect(await Promise.race(answers)).toBe('2')
  expect((await get('/health')).status).toBe(200)
  for (const { asked } of all) asked.destroy()
  await Promise.all(answers)
  await vi.waitFor(async () => expect((await post('/plan', body())).status).toBe(200), 60_000)
})
