import type { Written } from '@tembrix/core/things/records'
import { expect, test } from 'vitest'
import { newJobBody } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { address, post, patch, remove } = useServer()

/** A screen that listens: what it is told, as it is told. */
async function listen() {
  const end = new AbortController()
  const response = await fetch(`${address()}/changes`, { signal: end.signal })
  const reader = (response.body as ReadableStream<Uint8Array>)
    .pipeThrough(new TextDecoderStream())
    .getReader()
  let text = ''
  return {
    type: response.headers.get('content-type'),
    /** Reads on until so many writes of a kind were told of. */
    told: async (record: Written['record'], count: number): Promise<Written[]> => {
      for (;;) {
        const events = text.split('\n\n').filter((one) => one.startsWith('data: '))
        const all = events.map((one): Written => JSON.parse(one.slice(6)))
        const own = all.filter((one) => one.record === record)
        if (own.length >= count) return own
        const { value, done } = await reader.read()
        if (done) throw new Error('the stream ended')
        text += value
      }
    },
    end: () => end.abort(),
  }
}

test('every screen is told of each write that went through, in its order, and of none that did not', async () => {
  const screens = [await listen(), await listen()]
  expect(screens[0]?.type).toContain('text/event-stream')
  const { id: jobId } = (await post('/jobs', newJobBody)).body
  const reading = (await post('/readings', { jobId, name: 'pasted', text: 'x' })).body
  expect((await patch(`/readings/${reading.id}`, { version: 9, name: 'n' })).status).toBe(409)
  expect((await patch(`/readings/${reading.id}`, { version: 1, name: '' })).status).toBe(400)
  await patch(`/readings/${reading.id}`, { version: 1, name: 'typed' })
  await remove(`/readings/${reading.id}?version=2`)
  const of = { jobId, record: 'reading', recordId: reading.id }
  for (const screen of screens) {
    expect(await screen.told('reading', 3)).toEqual([
      { ...of, action: 'created', version: 1 },
      { ...of, action: 'changed', version: 2 },
      { ...of, action: 'removed', version: 2 },
    ])
    screen.end()
  }
  // One that has gone holds nobody up.
  expect((await post('/readings', { jobId, name: 'pasted', text: 'y' })).status).toBe(201)
})
