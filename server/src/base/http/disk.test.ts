import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import express from 'express'
import { afterEach, expect, test } from 'vitest'
import { answerError, onTheDisk, type Storage } from '.'

let end = async () => {}
afterEach(() => end())

/** An application that stores something at POST, on a disk like this. */
async function over(storage: Storage, stored: string[] = []): Promise<string> {
  const app = express()
  app.use(onTheDisk(storage))
  app.get('/', (_request, response) => {
    response.json({ ok: true })
  })
  app.post('/', (_request, response) => {
    stored.push('stored')
    response.status(201).json({ ok: true })
  })
  app.use(answerError)
  const server = createServer(app)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  end = async () => {
    server.closeAllConnections()
    await new Promise((resolve) => server.close(resolve))
  }
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`
}

const writing = { method: 'POST' }

test('a full or read-only disk: nothing is begun, reading goes on, and it recovers', async () => {
  let trouble: 'full' | 'read-only' | null = 'full'
  const stored: string[] = []
  const base = await over({ trouble: () => trouble, flush: async () => {} }, stored)
  for (const what of ['full', 'read-only'] as const) {
    trouble = what
    const refused = await fetch(base, writing)
    expect(refused.status).toBe(507)
    expect(((await refused.json()) as { error: object }).error).toMatchObject({ code: 'no_room' })
    expect((await fetch(base)).status).toBe(200)
  }
  expect(stored).toEqual([])
  trouble = null
  expect((await fetch(base, writing)).status).toBe(201)
})

test('no answer leaves before its flush', async () => {
  const happened: string[] = []
  let flushes = () => {}
  const flush = () =>
    new Promise<void>((resolve) => {
      flushes = () => {
        happened.push('flushed')
        resolve()
      }
    })
  const base = await over({ trouble: () => null, flush }, happened)
  const answer = fetch(base, writing).then(() => happened.push('answered'))
  await expect.poll(() => happened).toEqual(['stored'])
  flushes()
  await answer
  expect(happened).toEqual(['stored', 'flushed', 'answered'])
})

test('where the flush fails there is no answer: whether it is stored is not known', async () => {
  const base = await over({
    trouble: () => null,
    flush: () => Promise.reject(new Error('input/output error')),
  })
  await expect(fetch(base, writing)).rejects.toThrow()
})
