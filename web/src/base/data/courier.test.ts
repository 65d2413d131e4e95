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
  ['stored', 'change', 200, { version: 4 }, { kind: 'sent', answers: [{ version: 4 }] }],
  ['moved on', 'change', 409, refusal('stale_version'), { kind: 'versionConflict' }],
  ['another 409', 'change', 409, refusal('finished'), { kind: 'refused', at: 0, why: 'No.' }],
  ['gone', 'change', 404, refusal('not_found'), { kind: 'gone', at: 0 }],
  [
    'gone, which was wanted',
    'remove',
    404,
    refusal('not_found'),
    { kind: 'sent', answers: [null] },
  ],
  ['no such job', 'create', 404, refusal('not_found'), { kind: 'refused', at: 0, why: 'No.' }],
  ['too large', 'create', 413, refusal('too_large'), { kind: 'refused', at: 0, why: 'No.' }],
  ['broken', 'change', 500, refusal('internal'), { kind: 'failed', why: 'No.' }],
  [
    'broken, without words',
    'change',
    500,
    'oops',
    { kind: 'failed', why: 'The server answered 500.' },
  ],
  ['busy', 'change', 503, refusal('busy'), { kind: 'unreachable' }],
  ['full', 'change', 507, refusal('no_room'), { kind: 'no-room' }],
  [
    'wrong at a field',
    'change',
    400,
    refusal('invalid', [{ path: 'name', message: 'Too long.' }]),
    { kind: 'refused', at: 0, why: 'No. name: Too long.' },
  ],
])('%s', async (_, action, status, body, delivery) => {
  expect(await deliver([entry(action)], answering(status, body))).toEqual(delivery)
})

test('only no answer at all means that the server is away', async () => {
  const cut = async () => {
    throw new TypeError('failed to fetch')
  }
  expect(await deliver([entry('change')], cut)).toEqual({ kind: 'unreachable' })
})

const act = { id: 'a', name: 'the approval' }
const three: [Entry, ...Entry[]] = [
  { ...entry('create'), act, recordId: 'n' },
  { ...entry('change'), act },
  { ...entry('remove'), act, recordId: 'q', fields: {} },
]

test('an act goes out as one, with what each write is made against', async () => {
  let sent: unknown
  const request = async (address: unknown, init?: RequestInit) => {
    sent = [address, JSON.parse(String(init?.body))]
    return Response.json({ records: [{ version: 1 }, { version: 4 }, null] }, { status: 201 })
  }
  const answers = [{ version: 1 }, { version: 4 }, null]
  expect(await deliver(three, request)).toEqual({ kind: 'sent', answers })
  const of = { collection: 'plans' }
  expect(sent).toEqual([
    '/api/v1/acts',
    {
      id: 'a',
      writes: [
        { ...of, action: 'create', id: 'n', fields: { name: 'B' } },
        { ...of, action: 'change', id: 'p', version: 3, fields: { name: 'B' } },
        { ...of, action: 'remove', id: 'q', version: 3 },
      ],
    },
  ])
})

test.each<[string, number, unknown, object]>([
  [
    'refused at a field',
    400,
    refusal('invalid', [{ path: 'writes.1.fields.name', message: 'Too long.' }]),
    { kind: 'refused', at: 1, why: 'No. name: Too long.' },
  ],
  [
    'refused as a whole',
    409,
    refusal('offered', [{ path: 'writes.2', message: 'No.' }]),
    { kind: 'refused', at: 2, why: 'No.' },
  ],
  [
    'gone',
    404,
    refusal('not_found', [{ path: 'writes.1', message: 'No.' }]),
    { kind: 'gone', at: 1 },
  ],
  [
    'nothing to hang on',
    404,
    refusal('not_found', [{ path: 'writes.0', message: 'No.' }]),
    { kind: 'refused', at: 0, why: 'No.' },
  ],
  [
    'moved on',
    409,
    refusal('stale_version', [{ path: 'writes.1', message: 'No.' }]),
    { kind: 'versionConflict' },
  ],
])('an act %s: it is said of which of its writes', async (_, status, body, delivery) => {
  expect(await deliver(three, answering(status, body))).toEqual(delivery)
})
