import { JOB_LISTS, KIND_INFO, RECORD_KINDS } from '@tembrix/core/things/records'
import { sql } from 'drizzle-orm'
import { expect, test, vi } from 'vitest'
import { newJobBody } from '../../../test/sample'
import { useServer } from '../../../test/server'

// A kind of its own: its file, what a technician was told on the telephone.
const CALLS = await vi.hoisted(async () => {
  const { z } = await import('zod')
  const stamps = { id: z.uuid(), version: z.int(), createdAt: z.string(), updatedAt: z.string() }
  const fields = { jobId: z.uuid(), said: z.string().trim().min(1, 'What was said?') }
  return {
    record: 'call',
    displayName: 'a call',
    inJob: 'many',
    shownIn: [],
    createSchema: z.object({ id: z.uuid().optional(), ...fields }),
    updateSchema: z.object({ version: z.int(), said: fields.said.optional() }),
    stored: z.object({ ...stamps, ...fields }),
    blank: {},
    entries: [],
  }
})

// Its line.
vi.mock('../../../../core/src/things/records/kinds', async (original) => {
  const { KINDS } = await original<{ KINDS: object }>()
  return { KINDS: { ...KINDS, calls: CALLS } }
})

// Its table.
vi.mock('../../base/database', async (original) => {
  const { index, integer, pgTable, text, timestamp, uuid } = await import('drizzle-orm/pg-core')
  const moment = (name: string) => timestamp(name, { mode: 'string' }).notNull().defaultNow()
  const write = (name: string) => integer(name).notNull().default(sql`nextval('writes')`)
  const columns = {
    id: uuid('id').primaryKey(),
    version: integer('version').notNull().default(1),
    createdAt: moment('created_at'),
    updatedAt: moment('updated_at'),
    firstWrite: write('first_write'),
    lastWrite: write('last_write'),
    shape: integer('shape').notNull().default(0),
    jobId: uuid('job_id').notNull(),
    said: text('said').notNull(),
  }
  const calls = pgTable('calls', columns, ({ jobId }) => [index('calls_job').on(jobId)])
  return { ...(await original<object>()), calls }
})

const { post, patch, get, db } = useServer()

test('a kind that has its file, its line and its table is there everywhere', async () => {
  await db().execute(sql`
    create table calls (id uuid primary key, version integer not null default 1,
      created_at timestamp not null default now(), updated_at timestamp not null default now(),
      first_write integer not null default nextval('writes'),
      last_write integer not null default nextval('writes'),
      shape integer not null default 0, job_id uuid not null, said text not null)`)
  expect(KIND_INFO).toHaveProperty('calls', {
    record: 'call',
    displayName: 'a call',
    inJob: 'many',
    shownIn: [],
    blank: {},
    entries: [],
    joins: true,
  })
  expect(JOB_LISTS).toContain('calls')
  expect(RECORD_KINDS).toContain('call')

  const { id: jobId } = (await post('/jobs', newJobBody)).body
  const made = await post('/calls', { jobId, said: ' rings at noon ' })
  expect(made).toMatchObject({ status: 201, body: { jobId, said: 'rings at noon', version: 1 } })
  const { id } = made.body
  expect((await patch(`/calls/${id}`, { version: 1, said: '' })).body.error.fields).toEqual([
    { path: 'said', message: 'What was said?' },
  ])
  const act = {
    id: crypto.randomUUID(),
    writes: [
      { action: 'change', collection: 'calls', id, version: 1, fields: { said: 'rings at one' } },
      { action: 'change', collection: 'jobs', id: jobId, version: 1, fields: { stage: 'plan' } },
    ],
  }
  expect((await post('/acts', act)).status).toBe(201)
  expect((await patch(`/calls/${id}`, { version: 1, said: 'late' })).status).toBe(409)
  const file = (await get(`/jobs/${jobId}`)).body
  expect(file).toMatchObject({ stage: 'plan', calls: [{ id, said: 'rings at one', version: 2 }] })
  const lines = (await get(`/jobs/${jobId}/history`)).body
  expect(lines.filter(({ record }: { record: string }) => record === 'call')).toHaveLength(2)
})
