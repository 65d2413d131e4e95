import fc from 'fast-check'
import { expect, test } from 'vitest'
import { laptop, newJobBody, sampleStick } from '../../test/sample'
import { useServer } from '../../test/server'
import { RECORDS } from '../kinds'

const { get, raw, post } = useServer()

const CODE = '7c7d5a5e-9f57-4d57-8a6f-0d5b8b4f2a11'

/** Addresses that take a body, and those that are asked. */
const TAKING = [
  ...Object.keys(RECORDS).flatMap((kind) => [`POST /${kind}`, `PATCH /${kind}/${CODE}`]),
  ...['acts', 'read', 'identify', 'plan', 'evaluate', 'size', 'forecast', 'compare'],
  ...['diagnose', 'quote/price', 'price-lists', 'validated-lists', 'probe', 'supplier/order'],
].map((one) => (one.includes(' ') ? one : `POST /${one}`))
const ASKED = [
  ...Object.keys(RECORDS).flatMap((kind) => [
    `/${kind}`,
    `/${kind}/${CODE}`,
    `/${kind}/${CODE}/history`,
  ]),
  ...['/learned', '/shop', '/supplier', '/validated-lists', '/probe/code/ABCDEF'],
]

/** Words that shapes know, so that more of what is made gets past the first check. */
const WORDS = [
  'id version jobId customerId machineId name module machine source trials bench order modules start',
  'arrangement outcome kind placement settings before after runs uses offers need rows entries writes',
  'collection fields capacityGiB speeds quantum worthwhile text input slots profile',
]
  .join(' ')
  .split(' ')

const value = fc.oneof(
  fc.constantFrom(
    null,
    true,
    '',
    'shelf',
    'NO_START',
    'higher',
    CODE,
    0,
    -1,
    1,
    8,
    1e300,
    2 ** 31,
    0.1,
  ),
  fc.string({ maxLength: 12 }),
  fc.constantFrom('\u0000', '\ud800', "'; drop table jobs; --", '%', '__proto__', '𝟘'),
)
const { json } = fc.letrec((tie) => ({
  json: fc.oneof({ depthSize: 'small' }, value, tie('list'), tie('record')),
  list: fc.array(tie('json'), { maxLength: 3 }),
  record: fc.dictionary(
    fc.oneof(fc.constantFrom(...WORDS), fc.string({ maxLength: 5 })),
    tie('json'),
    {
      maxKeys: 5,
    },
  ),
}))

test('whatever is sent: an answer that is no failure of the server, and nothing refused changes anything', async () => {
  const job = (await post('/jobs', newJobBody)).body
  const stored = async () => (await get(`/jobs/${job.id}`)).body
  const before = await stored()
  await fc.assert(
    fc.asyncProperty(fc.constantFrom(...TAKING), json, async (address, body) => {
      const [method = '', path = ''] = address.split(' ')
      const answer = await raw(path, {
        method,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(20_000),
      })
      expect(answer.status, JSON.stringify([address, body])).toBeLessThan(500)
      if (answer.status >= 400) expect(answer.body.error.message).toMatch(/\w/)
    }),
    { numRuns: 400, seed: 17 },
  )
  expect(await stored()).toEqual(before)
})

const bench = { order: ['A', 'B'], modules: ['m1', 'm2'] }
const start = { arrangement: { A: 'm1', B: 'm2' }, outcome: { kind: 'NO_START' } }
const trial = { trial: { arrangement: { A: 'm1' }, depth: 'test' }, outcome: { kind: 'PASS' } }
const offer = { id: 'o', module: sampleStick, pieces: 1, price: 3000, stock: 4 }
const need = { minGiB: 8, budget: 9000, freeSlots: 0 }
/** Bodies that are accepted as they are, by address. */
const ACCEPTED: [string, unknown][] = [
  ['/jobs', newJobBody],
  ['/modules', { source: 'shelf', module: sampleStick, price: 3000 }],
  ['/evaluate', { machine: laptop, placement: { A: sampleStick }, settings: { profile: false } }],
  ['/diagnose', { bench, start, trials: [trial] }],
  [
    '/compare',
    {
      better: 'higher',
      before: [{ at: null, runs: [1, 2, 3] }],
      after: [{ at: null, runs: [2, 3, 4] }],
    },
  ],
  ['/plan', { machine: laptop, onHand: [sampleStick], offers: [offer], need, policy: 'balanced' }],
]

/** Every place in a body, as paths. */
function pathsOf(body: unknown, path: string[] = []): string[][] {
  if (body === null || typeof body !== 'object') return [path]
  return [path, ...Object.entries(body).flatMap(([name, one]) => pathsOf(one, [...path, name]))]
}

function withAt(body: unknown, [step, ...rest]: string[], put: unknown): unknown {
  if (step === undefined) return put
  const inside = (body as Record<string, unknown>)[step]
  const changed = { ...(body as object), [step]: withAt(inside, rest, put) }
  return Array.isArray(body) ? Object.values(changed) : changed
}

test.each(ACCEPTED)('%s takes a good request', async (path, body) => {
  expect((await post(path, body)).status).toBeLessThan(300)
})

test('whatever one thing in a good request is: no failure of the server', async () => {
  const headers = { 'content-type': 'application/json' }
  const broken = fc
    .constantFrom(...ACCEPTED)
    .chain(([path, body]) =>
      fc.tuple(fc.constant(path), fc.constant(body), fc.constantFrom(...pathsOf(body)), json),
    )
  await fc.assert(
    fc.asyncProperty(broken, async ([path, body, at, put]) => {
      const answer = await raw(path, {
        method: 'POST',
        headers,
        body: JSON.stringify(withAt(body, at, put)),
        signal: AbortSignal.timeout(20_000),
      })
      expect(answer.status, JSON.stringify([path, at, put])).toBeLessThan(500)
    }),
    { numRuns: 400, seed: 17 },
  )
})

test('whatever is asked for: no failure of the server', async () => {
  const query = fc.dictionary(
    fc.constantFrom('search', 'limit', 'jobId', 'version', 'stage', 'source'),
    value,
    {
      maxKeys: 3,
    },
  )
  await fc.assert(
    fc.asyncProperty(fc.constantFrom(...ASKED), query, async (path, asked) => {
      const words = Object.entries(asked).map(([name, one]) => [name, String(one).toWellFormed()])
      const answer = await raw(`${path}?${new URLSearchParams(words as [string, string][])}`, {
        signal: AbortSignal.timeout(20_000),
      })
      expect(answer.status, JSON.stringify([path, asked])).toBeLessThan(500)
    }),
    { numRuns: 200, seed: 17 },
  )
})

test.each([
  ['a module without its figures', 'POST', '/modules', { source: 'shelf' }],
  ['a version the database cannot count to', 'PATCH', `/customers/${CODE}`, { version: 2 ** 31 }],
  ['offers of nothing', 'POST', '/plan', { offers: [{}] }],
])('%s is refused at its field', async (_, method, path, body) => {
  const headers = { 'content-type': 'application/json' }
  const answer = await raw(path, { method, headers, body: JSON.stringify(body) })
  expect(answer.status).toBe(400)
  expect(answer.body.error.fields.length).toBeGreaterThan(0)
})

test('other sites may ask nothing, not even to read; what is answered is kept in no cache', async () => {
  for (const site of ['cross-site', 'same-site']) {
    expect((await raw('/jobs', { headers: { 'sec-fetch-site': site } })).status).toBe(403)
  }
  expect((await raw('/jobs', { headers: { 'sec-fetch-site': 'same-origin' } })).status).toBe(200)
})
