import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { Terms } from '@tembrix/core/things/records'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { afterAll, expect, test } from 'vitest'
import { MIGRATIONS } from '../paths'
import { extensions } from './client'

const folder = mkdtempSync(join(tmpdir(), 'tembrix-upgrade-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** A database without tables, made once. */
let empty: Promise<File | Blob> | undefined
async function makeEmpty(): Promise<File | Blob> {
  const client = await PGlite.create({ extensions })
  const dump = await client.dumpDataDir('none')
  await client.close()
  return dump
}
async function openEmpty(): Promise<PGlite> {
  empty ??= makeEmpty()
  return PGlite.create({ extensions, loadDataDir: await empty })
}

/** The migrations up to one, as a version before had them. */
function migrationsUpTo(tag: string): string {
  const path = join(folder, tag)
  cpSync(MIGRATIONS, path, { recursive: true })
  const file = join(path, 'meta', '_journal.json')
  const journal = JSON.parse(readFileSync(file, 'utf8'))
  const last = journal.entries.findIndex((entry: { tag: string }) => entry.tag === tag)
  writeFileSync(file, JSON.stringify({ ...journal, entries: journal.entries.slice(0, last + 1) }))
  return path
}

const JOB = `
  customer as (insert into customers (name, phone, email, note) values ('Runa', '', '', '') returning id),
  machine as (insert into machines (customer_id, serial_number, note, machine)
    select id, '', '', '{}' from customer returning id, customer_id),
  job as (insert into jobs (customer_id, machine_id, complaint, uses, stage)
    select customer_id, id, '', '', 'fit' from machine returning id)`

test('terms get what they did not have, and a hatch nobody looked for is asked again', async () => {
  const client = await openEmpty()
  const db = drizzle(client)
  await migrate(db, { migrationsFolder: migrationsUpTo('0007_frames') })
  await client.exec(`
    insert into shops (uses, policy) values ('{}', 'balanced');
    with ${JOB}
    insert into fits (job_id, static, hatch, ticks, note, seconds, screws, screws_back, serials, removed)
      select id, 'strap', true, '{}', '', 0, '[]', '[]', '{}', '{}' from job
  `)
  await migrate(db, { migrationsFolder: MIGRATIONS })
  const { rows: shops } = await client.query<{ terms: unknown }>('select terms from shops')
  const terms = Terms.parse(shops[0]?.terms)
  expect(terms).toMatchObject({
    testHours: null,
    validDays: 14,
    labour: { display: 90, open: { 'all-in-one': 30 } },
  })
  expect(terms.warranty).toEqual({ newParts: null, usedParts: null, work: null })
  const { rows: fits } = await client.query('select hatch, battery from fits')
  expect(fits).toEqual([{ hatch: null, battery: null }])
  await client.close()
})

test('the plan on the board is the first that a job of before had', async () => {
  const client = await openEmpty()
  const db = drizzle(client)
  await migrate(db, { migrationsFolder: migrationsUpTo('0012_standing') })
  await client.exec(`
    with ${JOB}
    insert into plans (job_id, name, placement, profile, created_at)
      select id, name, null, false, at::timestamptz from job,
        (values ('second', '2026-03-01T10:05Z'), ('first', '2026-03-01T10:00Z')) as p (name, at)
  `)
  await migrate(db, { migrationsFolder: MIGRATIONS })
  const { rows } = await client.query(
    'select plans.name from jobs join plans on plans.id = jobs.plan_id',
  )
  expect(rows).toEqual([{ name: 'first' }])
  await client.close()
})

test('records keep the order they were made in, and jobs that of their last change', async () => {
  const client = await openEmpty()
  const db = drizzle(client)
  await migrate(db, { migrationsFolder: migrationsUpTo('0013_board') })
  await client.exec(`
    with ${JOB}
    insert into plans (job_id, name, placement, profile, created_at, updated_at)
      select id, name, null, false, made::timestamptz, changed::timestamptz from job, (values
        ('third', '2026-03-01T12:00Z', '2026-03-01T12:00Z'),
        ('first', '2026-03-01T10:00Z', '2026-03-01T13:00Z'),
        ('second', '2026-03-01T11:00Z', '2026-03-01T11:00Z')) as p (name, made, changed)
  `)
  await migrate(db, { migrationsFolder: MIGRATIONS })
  await client.exec(`insert into plans (job_id, name, placement, profile, created_at)
    select id, 'since', null, false, '2026-02-01T10:00Z'::timestamptz from jobs`)
  const ordered = async (column: string) => {
    const { rows } = await client.query<{ name: string }>(
      `select name from plans order by ${column}`,
    )
    return rows.map(({ name }) => name)
  }
  expect(await ordered('first_write')).toEqual(['first', 'second', 'third', 'since'])
  expect(await ordered('last_write')).toEqual(['second', 'third', 'first', 'since'])
  await client.close()
})

test('runs made before and after are kept when configurations come', async () => {
  const client = await openEmpty()
  const db = drizzle(client)
  await migrate(db, { migrationsFolder: migrationsUpTo('0006_causes') })
  await client.exec(`
    with ${JOB}
    insert into measurements (job_id, test, unit, better, moment, runs, failed, note)
      select id, 'Export', 's', 'lower', moment, '[3, 4]', 0, '' from job, (values ('before'), ('after')) as m (moment)
  `)
  await migrate(db, { migrationsFolder: MIGRATIONS })
  const { rows } = await client.query(
    'select configuration, runs from measurements order by configuration',
  )
  expect(rows).toEqual([
    { configuration: 'after', runs: [3, 4] },
    { configuration: 'before', runs: [3, 4] },
  ])
  await client.close()
})

test('units that pieces were ordered for keep their place and history under the new name', async () => {
  const client = await openEmpty()
  const db = drizzle(client)
  await migrate(db, { migrationsFolder: migrationsUpTo('0025_sizing') })
  const unit = { jobId: 'job', moduleId: 'offer', unit: 1 }
  await client.exec(`
    insert into customers (name, phone, email, note) values ('Runa', '', '', '');
    insert into modules (source, module, note, stands_for)
      values ('shelf', '{"article": "K-8"}', '', '${JSON.stringify(unit)}');
    insert into history (record, record_id, action, fields, changes) select 'module', id, 'changed',
      '["price", "standsFor"]', '{"price": [null, 5], "standsFor": [null, 1]}' from modules
  `)
  await migrate(db, { migrationsFolder: MIGRATIONS })
  const { rows: modules } = await client.query('select ordered_for from modules')
  expect(modules).toEqual([{ ordered_for: unit }])
  const { rows: history } = await client.query('select fields, changes from history')
  expect(history).toEqual([
    { fields: ['price', 'orderedFor'], changes: { price: [null, 5], orderedFor: [null, 1] } },
  ])
  const { rows: found } = await client.query(
    `select name from customers where search_text like '% runa%'`,
  )
  expect(found).toEqual([{ name: 'Runa' }])
  await client.close()
})
