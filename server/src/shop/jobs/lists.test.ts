import { folded } from '@tembrix/core/shop/counter'
import { expect, test } from 'vitest'
import { laptop, newJobBody, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { get, post, patch, raw, remove } = useServer()

const jobOf = async (customer: string, complaint: string, name = laptop.name) => {
  const machine = { machine: { ...laptop, name } }
  return (await post('/jobs', { ...newJobBody, customer: { name: customer }, machine, complaint }))
    .body
}

const found = async (search: string): Promise<string[]> =>
  (await get(`/jobs?search=${encodeURIComponent(search)}`)).body.map(
    ({ complaint }: { complaint: string }) => complaint,
  )

test('a list goes on page by page to its end, each row once, also while others are added', async () => {
  for (let at = 0; at < 7; at += 1) await jobOf('Page Turner', `paged ${at}`)
  const seen: string[] = []
  let path: string | null = '/jobs?search=paged&limit=3'
  while (path !== null) {
    const { body, next } = await get(path)
    seen.push(...body.map(({ complaint }: { complaint: string }) => complaint))
    path = next
    await jobOf('Page Turner', 'paged late')
  }
  expect(seen).toEqual([6, 5, 4, 3, 2, 1, 0].map((at) => `paged ${at}`))
  expect((await get('/jobs?limit=0')).status).toBe(400)
  expect((await get('/jobs?after=nowhere')).body.error.fields[0].path).toBe('after')
})

test('a job is found by each word of it, its customer and its machine, as they are called now', async () => {
  const { id, customerId, machineId } = await jobOf('Øystein Quill', 'hangs at noon', 'Teal 40')
  expect(await found('øystein teal noon')).toEqual(['hangs at noon'])
  await patch(`/customers/${customerId}`, { version: 1, name: 'Ysolde Quill' })
  expect(await found('oystein')).toEqual([])
  expect(await found('ysolde')).toEqual(['hangs at noon'])
  const machine = { ...laptop, name: 'Umber 41' }
  await patch(`/machines/${machineId}`, { version: 1, machine })
  expect([await found('teal'), await found('umber')]).toEqual([[], ['hangs at noon']])
  await patch(`/jobs/${id}`, { version: 1, complaint: 'hangs at dusk' })
  expect(await found('dusk')).toEqual(['hangs at dusk'])
})

test('one or two letters are looked for at the beginning of words; signs mean themselves', async () => {
  await jobOf('Zebedee Vane', '100% zigzag')
  expect(await found('zi')).toEqual(['100% zigzag'])
  expect(await found('gz')).toEqual([])
  expect(await found('gza')).toEqual(['100% zigzag'])
  expect(await found('100%')).toEqual(['100% zigzag'])
  expect(await found('1_0%')).toEqual([])
})

test('customers are found by name, phone or e-mail, by name in order', async () => {
  for (const name of ['Wat Umber', 'Ada Umber'])
    await post('/customers', { name, phone: '0177 31' })
  const names = async (search: string) =>
    (await get(`/customers?search=${search}`)).body.map(({ name }: { name: string }) => name)
  expect(await names('umber')).toEqual(['Ada Umber', 'Wat Umber'])
  expect(await names('0177%20ada')).toEqual(['Ada Umber'])
})

test('the history of a job that was written to often is there to its end', async () => {
  const { id } = await jobOf('Often Written', 'often')
  for (let version = 1; version <= 6; version += 1) {
    await patch(`/jobs/${id}`, { version, complaint: `often ${version}` })
  }
  let path: string | null = `/jobs/${id}/history?limit=4`
  let lines = 0
  while (path !== null) {
    const { body, next } = await get(path)
    lines += body.length
    path = next
  }
  expect(lines).toBe(10)
})

test('a module in a slot of any job stays, whichever of many it is; removing it asks nobody else', async () => {
  const module = { source: 'supplier', supplier: 'Ash', price: 100 }
  const held = (await post('/modules', { ...module, module: sampleStick })).body
  const free = (await post('/modules', { ...module, module: sampleStick })).body
  const { planId } = await jobOf('Slot Holder', 'holds one')
  const placement = { A: { moduleId: held.id, unit: 0 } }
  expect((await patch(`/plans/${planId}`, { version: 1, placement })).status).toBe(200)
  expect((await remove(`/modules/${held.id}?version=1`)).body.error.code).toBe('in_use')
  expect((await remove(`/modules/${free.id}?version=1`)).status).toBe(204)
})

test.each([
  [
    '07700 900123',
    ['07700 900123', '+44 7700 900123', '0044-7700-900123', '(07700) 900', '7700900123'],
  ],
  ['+44 7700 900321', ['07700 900321', '+447700900321', '+44 (0)7700 900321', '07700 9003']],
])('the phone number %s is found in any spelling', async (phone, spellings) => {
  const customer = { name: 'Rung Up', phone }
  await post('/jobs', { ...newJobBody, customer, complaint: `rings ${phone}` })
  for (const spelling of spellings) expect(await found(spelling)).toEqual([`rings ${phone}`])
  expect(await found('07700 911')).toEqual([])
  const customers = (await get(`/customers?search=${encodeURIComponent('07700 900')}`)).body
  expect(customers.length).toBeGreaterThan(0)
})

test('a job is found by serial and part numbers: of its machine, what was in it, what was fitted from the shelf', async () => {
  const machine = { machine: laptop, serialNumber: 'HX-20817' }
  const job = (await post('/jobs', { ...newJobBody, machine, complaint: 'by its numbers' })).body
  const own = { jobId: job.id, source: 'customer', serialNumber: 'OWN-5521' }
  await post('/modules', { ...own, module: { ...sampleStick, article: 'Larkfield Q8' } })
  const shelf = { source: 'shelf', price: 100, serialNumber: 'SHELF-9' }
  const piece = (await post('/modules', { ...shelf, module: sampleStick })).body
  const placement = { A: { moduleId: piece.id, unit: 0 } }
  await patch(`/plans/${job.planId}`, { version: 1, placement })
  const fit = (await post('/fits', { jobId: job.id })).body
  await patch(`/fits/${fit.id}`, { version: 1, serials: { [`${piece.id} 0`]: 'NOTED-31' } })
  expect(await found('shelf-9')).toEqual([])
  await patch(`/fits/${fit.id}`, { version: 2, finished: true })
  for (const words of ['hx-20817', 'own-5521', 'larkfield q8', 'noted-31', 'shelf-9']) {
    expect(await found(words)).toEqual(['by its numbers'])
  }
})

test('the day has every open job once, with the phone and what is to be done; closed ones are not in it', async () => {
  const customer = { name: 'Day Lister', phone: '0555 77' }
  const job = (await post('/jobs', { ...newJobBody, customer, dueOn: '2030-02-10' })).body
  const line = async () =>
    (await get('/jobs/open?today=2030-02-10')).body.find(({ id }: { id: string }) => id === job.id)
  expect(await line()).toMatchObject({ phone: '0555 77', state: 'workshop', act: 'IDENTIFY' })
  const offer = (
    await post('/modules', { source: 'supplier', supplier: 'Ash', price: 100, module: sampleStick })
  ).body
  const placement = { A: { moduleId: offer.id, unit: 0 } }
  await patch(`/plans/${job.planId}`, { version: 1, placement })
  expect(await line()).toMatchObject({ act: 'OFFER' })
  const version = (await get(`/jobs/${job.id}`)).body.version
  await patch(`/jobs/${job.id}`, { version, stage: 'handover' })
  expect(await line()).toMatchObject({ state: 'ready', act: 'HAND_OVER' })
  await patch(`/jobs/${job.id}`, { version: version + 1, stage: 'closed' })
  expect(await line()).toBeUndefined()
  expect((await get('/jobs/open?today=soon')).status).toBe(400)
})

test('the history says what each field was and is, and who changed it', async () => {
  const { id, customerId } = await jobOf('History Told', 'was slow')
  await raw(`/jobs/${id}`, {
    method: 'PATCH',
    headers: {
      'content-type': 'application/json',
      'x-technician': encodeURIComponent('Mika Ørn'),
    },
    body: JSON.stringify({ version: 1, dueOn: '2030-02-10', budget: 12000, complaint: 'was slow' }),
  })
  await patch(`/jobs/${id}`, { version: 2, dueOn: '2030-02-12', found: {} })
  await patch(`/customers/${customerId}`, { version: 1, phone: '0555 9' })
  const fit = (await post('/fits', { jobId: id })).body
  const runningSince = '2030-02-10T10:00:00.000Z'
  await patch(`/fits/${fit.id}`, { version: 1, runningSince, seconds: 5 })
  await patch(`/fits/${fit.id}`, { version: 2, runningSince, seconds: 9 })
  const lines = (await get(`/jobs/${id}/history`)).body
  const changed = lines.filter(({ action }: { action: string }) => action === 'changed')
  expect(changed.map(({ by, changes }: { by: string; changes: object }) => [by, changes])).toEqual([
    ['', { seconds: [5, 9] }],
    ['', { seconds: [0, 5], runningSince: [null, runningSince] }],
    ['', { phone: ['', '0555 9'] }],
    ['', { dueOn: ['2030-02-10', '2030-02-12'] }],
    ['Mika Ørn', { dueOn: [null, '2030-02-10'], budget: [null, 12000] }],
  ])
  // What was set to what it was already is not said to be changed.
  expect(changed.map(({ fields }: { fields: string[] }) => fields.toSorted())).toEqual([
    ['seconds'],
    ['runningSince', 'seconds'],
    ['phone'],
    ['dueOn'],
    ['budget', 'dueOn'],
  ])
})

test('of slots, lists and maps the history says what differs, of too much only where', async () => {
  const { id } = await jobOf('History Of Lists', 'slow')
  const made = await post('/modules', { jobId: id, source: 'customer', module: sampleStick })
  const assigned = { moduleId: made.body.id, unit: 0 }
  await patch(`/jobs/${id}`, { version: 1, accessories: ['a bag', 'a charger'] })
  await patch(`/jobs/${id}`, { version: 2, found: { A: assigned }, accessories: ['a charger'] })
  await patch(`/jobs/${id}`, { version: 3, found: { B: assigned } })
  const rulings = Object.fromEntries(
    Array.from({ length: 60 }, (_, at) => [
      `slot.${at}.capacityGiB`,
      { value: at, source: 'opened', by: 'Mika', at: '2030-02-10T10:00:00.000Z' },
    ]),
  )
  await patch(`/jobs/${id}`, { version: 4, rulings, budget: 100 })
  const lines = (await get(`/jobs/${id}/history`)).body
  const changed = lines.filter(({ action }: { action: string }) => action === 'changed')
  const told = changed.map(({ fields, changes }: { fields: string[]; changes: object }) => [
    fields.toSorted(),
    changes,
  ])
  expect(told).toEqual([
    [['budget', 'rulings'], { budget: [null, 100] }],
    [['found'], { found: { A: [assigned, 0, 0], B: [assigned] } }],
    [
      ['accessories', 'found'],
      { found: { A: [assigned] }, accessories: { _t: 'a', _0: ['a bag', 0, 0] } },
    ],
    [['accessories'], { accessories: { _t: 'a', 0: ['a bag'], 1: ['a charger'] } }],
  ])
})

test('a key that every object has is stored like another, and its change is named', async () => {
  const { id } = await jobOf('History Of Keys', 'slow')
  const ruling = { value: 2, source: 'opened', by: 'Mika', at: '2030-02-10T10:00:00.000Z' }
  const done = await patch(`/jobs/${id}`, { version: 1, rulings: { toString: ruling } })
  expect(done.status).toBe(200)
  expect(Object.keys(done.body.rulings)).toEqual(['toString'])
  const [line] = (await get(`/jobs/${id}/history`)).body
  expect(line).toMatchObject({ fields: ['rulings'], changes: {} })
})

test.each([
  ['Jürgen Sprot', 'jurgen', 'juergen', 'JÜRGEN'],
  ['Mueller Sprot', 'Müller', 'mueller'],
  ['Weiß Sprot', 'weiss', 'Weiß'],
  ['Aoife O’Neill', "O'Neill", 'oneill', 'o neill', 'O`Neill'],
  ['Smith–Jones Sprot', 'smith-jones', 'smith jones'],
  ['Łukasz Øye', 'lukasz', 'oye'],
  ['José Núñez', 'jose nunez'],
])('%s is found however it is spelt', async (name, ...spelt) => {
  const complaint = `spelt ${name}`
  await jobOf(name, complaint)
  for (const search of spelt) expect(await found(`${search} spelt`), search).toEqual([complaint])
})

test('a search that finds nothing says which name it may have meant', async () => {
  await jobOf('Wilberforce Tanglewood', 'slow')
  const meant = async (search: string) =>
    (await get(`/jobs/meant?search=${encodeURIComponent(search)}`)).body.meant
  expect(await meant('Tanlgewood')).toBe('tanglewood')
  expect(await meant('wilbeforce tanglewood')).toBe('wilberforce tanglewood')
  // Two slips are another word; a word that is found needs none; three letters are too few.
  expect(await meant('Tnalgewood')).toBeNull()
  expect(await meant('tanglewood')).toBeNull()
  expect(await meant('qqq')).toBeNull()
})

test('the database folds a text as the search does', async () => {
  const texts = ['Jürgen Weiß', 'O’Neill–Smith', '16 GB DDR4', 'Łukasz', 'Ærø 2R×8', 'naïve Œuvre']
  for (const text of texts) {
    await jobOf('Fold Er', text)
    expect(await found(`${text} fold`)).toContain(text)
    expect(await found(`${folded(text)} fold`)).toContain(text)
  }
})
