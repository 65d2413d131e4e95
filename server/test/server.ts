import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, inject } from 'vitest'
import { createApp } from '../src/app'
import { type Database, openDatabase } from '../src/base/database'

export interface HttpAnswer {
  status: number
  // biome-ignore lint/suspicious/noExplicitAny: answers are JSON of many shapes, looked into by the tests
  body: any
  /** Where the list goes on, as asked here; null where it does not. */
  next: string | null
}

/** Starts the application over a database of its own for the tests of one file. */
export function useServer() {
  const folder = mkdtempSync(join(tmpdir(), 'tembrix-test-'))
  let base = ''
  let db: Database
  let stop = async () => {}

  beforeAll(async () => {
    const open = await openDatabase(folder, { prepared: inject('prepared') })
    db = open.db
    const server = createServer(createApp(open.db, undefined, { demo: true }))
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1`
    stop = async () => {
      server.closeAllConnections()
      await new Promise((resolve) => server.close(resolve))
      await open.close()
    }
  })

  afterAll(async () => {
    await stop()
    rmSync(folder, { recursive: true, force: true })
  })

  async function raw(path: string, init: RequestInit = {}): Promise<HttpAnswer> {
    const response = await fetch(base + path, init)
    const text = await response.text()
    const [, next = null] =
      /^<\/api\/v1([^>]*)>; rel="next"$/.exec(response.headers.get('link') ?? '') ?? []
    return { status: response.status, body: text === '' ? null : JSON.parse(text), next }
  }

  function send(method: string, path: string, body?: unknown): Promise<HttpAnswer> {
    const headers = { 'content-type': 'application/json' }
    return raw(path, {
      method,
      headers,
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  }

  return {
    raw,
    address: () => base,
    db: () => db,
    get: (path: string) => raw(path),
    post: (path: string, body: unknown) => send('POST', path, body),
    patch: (path: string, body: unknown) => send('PATCH', path, body),
    remove: (path: string) => send('DELETE', path),
  }
}
