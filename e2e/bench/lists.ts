import { cpSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { startApplication } from '../application'

const JOBS = 50_000
const MODULES = 100_000
/** Of these, jobs that are not closed; half of them approved, waiting for a part. */
const OPEN = 200
const ORDERS = 5000
/** Of these, orders of which something is still to come. */
const OPEN_ORDERS = 60
const ROUNDS = 60

const DOCUMENT = {
  ...{ shopName: '', address: '', customerName: 'x', machineName: 'x', currency: 'EUR' },
  ...{
    taxPercent: 20,
    pricesIncludeTax: true,
    validUntil: '2099-01-01',
    note: '',
    returnTerms: '',
  },
}
const OPTION = {
  ...{ title: '', wording: '', lines: [], net: 0, tax: 0, total: 0, credit: 0, toPay: 0 },
  ...{ deposit: 0, minutes: 30, machines: 1, profile: false },
}

const server = fileURLToPath(new URL('../../server', import.meta.url))

/** A shop of many years: the demonstration's machines and modules, over and over. */
async function fill(folder: string, machine: object, module: object): Promise<void> {
  const find = createRequire(join(server, 'package.json'))
  const load = (name: string) => import(pathToFileURL(find.resolve(name)).href)
  const { PGlite } = await load('@electric-sql/pglite')
  const { pg_trgm } = await load('@electric-sql/pglite/contrib/pg_trgm')
  const db = await PGlite.create(join(folder, 'database'), { extensions: { pg_trgm } })
  await db.exec(`
    insert into customers(name, phone, email, note, shape)
    select (array['Ottoline','Perrin','Sable','Wystan','Ilse','Corin','Maude','Edric'])[1 + g % 8] || ' '
      || initcap(substr(md5(g::text), 1, 6)), '0555 ' || (g * 37 % 10000), '', '', 0
    from generate_series(1, 20000) g;`)
  await db.query(
    `insert into machines(customer_id, serial_number, note, machine, shape)
     select id, '', '', $1::jsonb || jsonb_build_object('name', 'Laptop ' || n % 300), 0
     from (select id, row_number() over () n from customers) c, generate_series(1, 3) g
     limit ${JOBS}`,
    [JSON.stringify(machine)],
  )
  await db.exec(`
    insert into jobs(customer_id, machine_id, complaint, uses, stage, shape, search_text)
    select m.customer_id, m.id, 'Stutters while sorting ' || substr(md5(m.id::text), 1, 9), '', case when row_number() over () > ${JOBS - OPEN} then 'plan' else 'closed' end, 0, ''
    from machines m limit ${JOBS};
    insert into plans(job_id, name, placement, profile, shape) select id, 'Plan 1', null, false, 0 from jobs;
    update jobs set plan_id = plans.id from plans where plans.job_id = jobs.id;
    update jobs set search_text = lower(concat_ws(' ', '', jobs.number, jobs.complaint, customers.name, customers.phone, machines.machine->>'name', 'tel:' || ltrim(regexp_replace(customers.phone, '\\D', '', 'g'), '0')))
    from customers, machines where customers.id = jobs.customer_id and machines.id = jobs.machine_id;`)
  await db.query(
    `insert into modules(job_id, source, module, note, supplier, price, stock, lead_days, shape)
     select case when g > 20000 then j.id end,
       case when g > 20000 then 'customer' when g > 500 then 'supplier' else 'shelf' end,
       $1::jsonb || jsonb_build_object('article', 'bench ' || g), '',
       case when g between 501 and 20000 then 'Supplier ' || g % 5 else '' end, 1000 + g % 9000, 5, 2, 0
     from generate_series(1, ${MODULES}) g
     left join (select id, row_number() over () n from jobs) j on j.n = g % ${JOBS}`,
    [JSON.stringify(module)],
  )
  await db.exec(`
    create temp table offer as select id, module from modules where source = 'supplier' limit 1;
    create temp table waiting as select jobs.id, jobs.plan_id, row_number() over () n from jobs where stage = 'plan' limit ${OPEN / 2};
    update plans set placement = jsonb_build_object('A', jsonb_build_object('moduleId', (select id from offer), 'unit', 0))
    from waiting where waiting.plan_id = plans.id;
    insert into quotes(job_id, number, options, valid_until, note, offered, approval, document, shape)
    select waiting.id, 1, '[]', null, '', '{"at": "2030-01-01T10:00:00.000Z", "by": ""}',
      jsonb_build_object('name', 'x', 'optionId', waiting.id, 'at', '2030-01-01T10:00:00.000Z', 'takenBy', ''),
      '${JSON.stringify(DOCUMENT)}'::jsonb || jsonb_build_object('options', jsonb_build_array(
        '${JSON.stringify(OPTION)}'::jsonb || jsonb_build_object('id', waiting.id, 'placement', plans.placement))), 0
    from waiting join plans on plans.id = waiting.plan_id;
    insert into orders(supplier, currency, lines, sent, confirmation, open, shape)
    select 'Supplier 1', 'EUR', jsonb_build_array(jsonb_build_object('id', gen_random_uuid(), 'jobId', j.id,
        'moduleId', offer.id, 'module', offer.module, 'purchases', '[0]'::jsonb, 'price', 2300)),
      '{"at": "2030-01-01T10:00:00.000Z", "by": ""}', null, g > ${ORDERS - OPEN_ORDERS}, 0
    from generate_series(1, ${ORDERS}) g, offer, lateral (
      select coalesce((select id from waiting where g > ${ORDERS - OPEN_ORDERS} and n = g % ${OPEN / 2} + 1), (select id from jobs limit 1)) id) j;
    insert into units_on_order(job_id, module_id, unit, order_id, line_id)
    select (lines->0->>'jobId')::uuid, (lines->0->>'moduleId')::uuid, 0, id, (lines->0->>'id')::uuid
    from orders where open on conflict do nothing;`)
  await db.close()
}

interface Timed {
  name: string
  ask: (at: number) => string
}

const p95 = (all: number[]): number =>
  all.sort((a, b) => a - b)[Math.floor(all.length * 0.95)] as number

async function timed(base: string, { ask }: Timed): Promise<number> {
  const taken: number[] = []
  // What was never asked since the start is read from the disk first.
  for (let at = 0; at < 10; at += 1) await (await fetch(base + ask(at))).arrayBuffer()
  for (let at = 0; at < ROUNDS; at += 1) {
    const begun = performance.now()
    const response = await fetch(base + ask(at))
    await response.arrayBuffer()
    if (!response.ok) throw new Error(`${ask(at)}: ${response.status}`)
    taken.push(performance.now() - begun)
  }
  return p95(taken)
}

const folder = mkdtempSync(join(tmpdir(), 'tembrix-lists-'))
cpSync(join(server, 'dist/prepared'), join(folder, 'database'), { recursive: true })
const demo = await startApplication()
const shown = async (path: string) => (await fetch(`${demo.address}/api/v1${path}`)).json()
const [model] = (await shown('/models')) as { machine: object }[]
const [piece] = (await shown('/modules?shop=1')) as { module: object }[]
await demo.end()
if (!model || !piece) throw new Error('the demonstration has no model or no module')
await fill(folder, model.machine, piece.module)

const few = await startApplication(false)
const fewStart = few.startedIn()
await few.end()
const app = await startApplication(false, folder)
const base = `${app.address}/api/v1`
// The server looks at its tables a little after its start.
await pause(15_000)
const read = async (path: string) => (await fetch(base + path)).json()
const jobs = (await read('/jobs?limit=500')) as { id: string; number: number }[]
const orders = (await read('/orders?rows=1&limit=100')) as { id: string }[]
const words = [
  'o',
  'ot',
  'ottoline',
  'laptop 17',
  '0555 12',
  'zq',
  'sable a',
  'xyzzy',
  'stutters 7',
  '%2B44 555 12',
]
const all: Timed[] = [
  { name: 'the day, 200 open jobs', ask: () => '/jobs/open' },
  { name: 'the list of all', ask: () => '/jobs' },
  { name: 'search as one types', ask: (at) => `/jobs?search=${words[at % words.length]}` },
  {
    name: 'a customer, as one types',
    ask: (at) => `/customers?search=${words[at % words.length]}&limit=4`,
  },
  { name: 'a job as a file', ask: (at) => `/jobs/${jobs[at * 7]?.id}/file` },
  { name: 'opening a job', ask: (at) => `/jobs/${jobs[at * 7]?.id}` },
  {
    name: 'its shelf',
    ask: (at) => `/modules?shop=1&source=shelf&limit=1000&forJob=${jobs[at]?.id}`,
  },
  { name: 'what is to be ordered', ask: () => '/orders/needed' },
  { name: 'the open orders', ask: () => '/orders?rows=1&open=1' },
  { name: 'all orders', ask: () => '/orders?rows=1' },
  { name: 'an order', ask: (at) => `/orders/${orders[at]?.id}` },
  {
    name: 'searching the offers',
    ask: (at) => `/modules?shop=1&source=supplier&search=bench ${at}`,
  },
]
const rows = []
for (const one of all) rows.push(`${one.name} ${(await timed(base, one)).toFixed(0)} ms`)
const start = app.startedIn()
const removing = []
for (const { id } of (await read('/modules?shop=1&source=shelf&limit=40')) as { id: string }[]) {
  const begun = performance.now()
  const { status } = await fetch(`${base}/modules/${id}?version=1`, { method: 'DELETE' })
  if (status !== 204) throw new Error(`removing answered ${status}`)
  removing.push(performance.now() - begun)
}
rows.push(`removing a module ${p95(removing).toFixed(0)} ms`)
await app.end()
writeFileSync(
  process.argv[2] as string,
  JSON.stringify([
    {
      what: 'with 50,000 jobs, 100,000 modules and 5,000 orders, 95th percentile',
      measured: rows.join(', '),
      aim: 'under 100 ms each',
    },
    {
      what: 'starting with these, against an empty shop',
      measured: `${start.toFixed(0)} ms, ${(start / fewStart).toFixed(2)}× of ${fewStart.toFixed(0)}`,
      aim: '1×',
    },
  ]),
)
rmSync(folder, { recursive: true, force: true })
