import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { FACTS, JOB_LISTS, KINDS, OwnId, Stored, Versioned } from '@tembrix/core/records'
import { sql } from 'drizzle-orm'
import { index, integer, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core'
import { expect, test } from 'vitest'
import { z } from 'zod'
import { newJob } from '../../test/sample'
import { useServer } from '../../test/server'
import { createApp } from '../app'
import { RECORDS } from '../kinds'
import { kind } from '../store/store'
import { records } from './records'

/** A kind of its own, as a file of it would have it: what a technician was told on the telephone. */
const fields = { jobId: z.uuid(), said: z.string().trim().min(1, 'What was said?') }
const facts = {
  record: 'call',
  called: 'a call',
  inJob: 'many',
  blank: {},
  entries: [],
  joins: true,
} as const
const schemas = {
  ...facts,
  made: OwnId.extend(fields),
  patch: Versioned.extend({ said: fields.said.optional() }),
  stored: Stored.extend(fields),
}
const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'string' })
const calls = pgTable(
  'calls',
  {
    id: uuid('id').primaryKey(),
    version: integer('version').notNull().default(1),
    createdAt: moment('created_at').notNull().default(sql`now()`),
    updatedAt: moment('updated_at').notNull().default(sql`now()`),
    firstWrite: integer('first_write').notNull().default(sql`nextval('writes')`),
    lastWrite: integer('last_write').notNull().default(sql`nextval('writes')`),
    shape: integer('shape').notNull().default(0),
    jobId: uuid('job_id').notNull(),
    said: text('said').notNull(),
  },
  (table) => [index('calls_job').on(table.jobId)],
)

const { post, get, db, address } = useServer()

test('a kind added to the registry has its addresses, its place in jobs, acts, history and refusals', async () => {
  // The lines that a new kind adds; everything below follows from them.
  Object.assign(FACTS, { calls: facts })
  Object.assign(KINDS, { calls: schemas })
  JOB_LISTS.push('calls' as never)
  const stored = kind(
    calls as never,
    {
      ...schemas,
      stored: schemas.stored.extend({ createdAt: z.string(), updatedAt: z.string() }),
    } as never,
    ((row: { jobId: string }) => row.jobId) as never,
  )
  Object.assign(RECORDS, { calls: records('calls' as never, {}, stored as never) })

  await db().execute(sql`
    create table calls (id uuid primary key, version integer not null default 1,
      created_at timestamptz not null default now(), updated_at timestamptz not null default now(),
      first_write integer not null default nextval('writes'),
      last_write integer not null default nextval('writes'),
      shape integer not null default 0, job_id uuid not null, said text not null)`)
  const { id: jobId } = (await post('/jobs', newJob)).body

  const server = createServer(createApp(db()))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const base = address().replace(/:\d+/, `:${(server.address() as AddressInfo).port}`)
  const send = async (method: string, path: string, body: object) => {
    const answer = await fetch(base + path, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    // biome-ignore lint/suspicious/noExplicitAny: answers are JSON of many shapes
    return { status: answer.status, body: (await answer.json()) as any }
  }
  const made = await send('POST', '/calls', { jobId, said: ' rings at noon ' })
  expect(made).toMatchObject({ status: 201, body: { jobId, said: 'rings at noon', version: 1 } })
  const { id } = made.body
  expect((await send('PATCH', `/calls/${id}`, { version: 1, said: '' })).body.error.fields).toEqual(
    [{ path: 'said', message: 'What was said?' }],
  )
  const act = {
    id: crypto.randomUUID(),
    writes: [
      { action: 'change', collection: 'calls', id, version: 1, fields: { said: 'rings at one' } },
      { action: 'change', collection: 'jobs', id: jobId, version: 1, fields: { stage: 'plan' } },
    ],
  }
  expect((await send('POST', '/acts', act)).status).toBe(201)
  expect((await send('PATCH', `/calls/${id}`, { version: 1, said: 'late' })).status).toBe(409)
  const file = (await get(`/jobs/${jobId}`)).body
  expect(file).toMatchObject({ stage: 'plan', calls: [{ id, said: 'rings at one', version: 2 }] })
  const lines = (await get(`/jobs/${jobId}/history`)).body
  expect(lines.filter(({ record }: { record: string }) => record === 'call')).toHaveLength(2)
  server.closeAllConnections()
  server.close()
})
