import { describe, expect, test } from 'vitest'
import { newJobBody } from '../../../test/sample'
import { useServer } from '../../../test/server'
import { type Gateway, GatewayFailed, round, simulatedGateway, startOutbox } from '.'

const { get, post, patch, remove, db } = useServer()

const to = async (address: string, of: object = {}) => {
  const job = (await post('/jobs', newJobBody)).body
  const fields = {
    jobId: job.id,
    channel: 'mail',
    to: address,
    subject: 'Ready',
    text: 'It is ready.',
  }
  const made = await post('/messages', { ...fields, ...of })
  expect(made.status).toBe(201)
  return { job, message: made.body, path: `/messages/${made.body.id}` }
}

/** A gateway that remembers what it took, once by id, and says of it what it is told to. */
function gateway(of: Partial<Gateway> = {}) {
  const taken = new Map<string, string>()
  const one: Gateway = {
    send: async ({ id, to }) => {
      taken.set(id, to)
      return { reference: `ref-${id}` }
    },
    status: async () => ({ is: 'under way' }),
    ...of,
  }
  return { one, taken }
}

test('a message waits in the outbox, is handed over once, and has arrived', async () => {
  const { job, message, path } = await to('ada@quill.example', { reason: 'ready' })
  expect(message).toMatchObject({ state: 'queued', tries: 0, reason: 'ready' })
  const { one, taken } = gateway()
  await round(db(), one)
  await round(db(), one)
  expect(taken.get(message.id)).toBe('ada@quill.example')
  const sent = (await get(path)).body
  expect(sent).toMatchObject({ state: 'sent', tries: 1, reference: `ref-${message.id}` })
  await round(db(), { ...one, status: async () => ({ is: 'delivered' }) })
  expect((await get(path)).body).toMatchObject({ state: 'delivered', version: 3 })
  const file = (await get(`/jobs/${job.id}`)).body
  expect(file.messages).toMatchObject([{ id: message.id, state: 'delivered' }])
  const lines = (await get(`/jobs/${job.id}/history`)).body
  const states = lines.flatMap(({ changes }: { changes: { state?: string[] } | null }) =>
    changes?.state ? [changes.state] : [],
  )
  expect(states).toEqual([
    ['sent', 'delivered'],
    ['queued', 'sent'],
  ])
  expect((await remove(`${path}?version=3`)).body.error.code).toBe('sent')
})

test('what came back is sent again, elsewhere; what is under way is not', async () => {
  const { path } = await to('bounce@quill.example')
  const { one } = gateway({ status: async () => ({ is: 'bounced', why: 'No such mailbox.' }) })
  await round(db(), one)
  expect((await patch(path, { version: 2, again: true })).body.error.code).toBe('under_way')
  await round(db(), one)
  const back = (await get(path)).body
  expect(back).toMatchObject({ state: 'bounced', why: 'No such mailbox.' })
  const wrong = await patch(path, { version: 3, to: 'nowhere', again: true })
  expect(wrong.body.error.fields).toMatchObject([{ path: 'to' }])
  const again = await patch(path, { version: 3, to: 'ada@quill.example', again: true })
  expect(again.body).toMatchObject({ state: 'queued', why: '', to: 'ada@quill.example' })
})

test('a gateway that takes nothing is tried later and later, then given up', async () => {
  const { path } = await to('busy@quill.example')
  let asked = 0
  const { one } = gateway({
    send: async ({ to }) => {
      if (to !== 'busy@quill.example') return { reference: 'x' }
      asked += 1
      throw new GatewayFailed('Not now.')
    },
  })
  const start = Date.now()
  await round(db(), one, start)
  await round(db(), one, start + 1000)
  expect(asked).toBe(1)
  expect((await get(path)).body).toMatchObject({ state: 'queued', tries: 1, why: 'Not now.' })
  for (const seconds of [100, 200, 300, 400]) await round(db(), one, start + seconds * 1000)
  expect(asked).toBe(5)
  expect((await get(path)).body).toMatchObject({ state: 'failed', tries: 5 })
  expect((await patch(path, { version: 6, again: true })).status).toBe(200)
})

test('one taken back before it goes is not sent', async () => {
  const { message, path } = await to('ada@quill.example')
  expect((await remove(`${path}?version=1`)).status).toBe(204)
  const { one, taken } = gateway()
  await round(db(), one)
  expect(taken.has(message.id)).toBe(false)
})

test('the outbox sends as soon as something is written, and no more once it is stopped', async () => {
  let hear = (_: string) => {}
  const heard = new Promise<string>((resolve) => {
    hear = resolve
  })
  const { one } = gateway({
    send: async ({ id, to }) => {
      if (to === 'soon@quill.example') hear(id)
      return { reference: 'x' }
    },
  })
  const stop = await startOutbox(db(), one)
  const { message } = await to('soon@quill.example')
  expect(await heard).toBe(message.id)
  await stop()
  const after = await to('late@quill.example')
  expect((await get(after.path)).body.state).toBe('queued')
})

describe('the simulated gateway', () => {
  const signal = new AbortController().signal
  const message = { id: '1', subject: '', text: '' }
  test.each([
    ['mail', 'ada@quill.example', 'delivered'],
    ['mail', 'bounce@quill.example', 'bounced'],
    ['text', '0555 1234', 'delivered'],
    ['text', '0555 0000', 'bounced'],
  ] as const)('a %s to %s is %s after a while', async (channel, to, is) => {
    let now = 1_000_000
    const one = simulatedGateway(() => now)
    const { reference } = await one.send({ ...message, channel, to }, signal)
    expect(await one.status(reference, signal)).toEqual({ is: 'under way' })
    now += 60_000
    const later = simulatedGateway(() => now)
    expect(await later.status(reference, signal)).toMatchObject({ is })
  })

  test('takes nothing for some', async () => {
    const one = simulatedGateway()
    for (const [channel, to] of [
      ['mail', 'busy@quill.example'],
      ['text', '0555 1111'],
    ] as const) {
      await expect(one.send({ ...message, channel, to }, signal)).rejects.toThrow(GatewayFailed)
    }
  })
})
