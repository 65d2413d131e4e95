import { expect, test } from 'vitest'
import { deliver } from './courier'
import type { Entry } from './outbox'

const entry = (action: Entry['action']): Entry => ({
  id: 'e',
  jobId: 'j',
  collection: 'plans',
  recordId: 'p',
  action,
  version: 3,
  fields: { name: 'B' },
  base: {},
})
const answering = (status: number, body: unknown) => async () => Response.json(body, { status })
const refusal = (code: string, fields?: unknown) => ({ error: { code, message: 'No.', fields } })

test.each<[string, Entry['action'], number, unknown, object]>([
  ['stored', 'change', 200, { version: 4 }, { kind: 'sent', answer: { version: 4 } }],
  ['moved on', 'change', 409, refusal('stale_version'), { kind: 'stale' }],
  ['another 409', 'change', 409, refusal('finished'), { kind: 'refused', why: 'No.' }],
  ['gone', 'change', 404, refusal('not_found'), { kind: 'gone' }],
  ['gone, which was wanted', 'remove', 404, refusal('not_found'), { kind: 'sent', answer: null }],
  ['no such job', 'create', 404, refusal('not_found'), { kind: 'refused', why: 'No.' }],
  ['too large', 'create', 413, refusal('too_large'), { kind: 'refused', why: 'No.' }],
  ['broken', 'change', 500, refusal('internal'), { kind: 'failed', why: 'No.' }],
  [
    'broken, without words',
    'change',
    500,
    'oops',
    { kind: 'failed', why: 'The server answered 500.' },
  ],
  ['busy', 'change', 503, refusal('busy'), { kind: 'unreachable' }],
  [
    'wrong at a field',
    'change',
    400,
    refusal('invalid', [{ path: 'name', message: 'Too long.' }]),
    { kind: 'refused', why: 'No. name: Too long.' },
  ],
])('%s', async (_, action, status, body, delivery) => {
  expect(await deliver(entry(action), answering(status, body))).toEqual(delivery)
})

test('only no answer at all means that the server is away', async () => {
  const cut = async () => {
    throw new TypeError('failed to fetch')
  }
  expect(await deliver(entry('change'), cut)).toEqual({ kind: 'unreachable' })
})
