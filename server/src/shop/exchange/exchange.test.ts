import { Buffer } from 'node:buffer'
import sharp from 'sharp'
import { expect, test } from 'vitest'
import { ZipFile } from 'yazl'
import { newJobBody, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'
import { openArchive } from './archive'

const here = useServer()
const elsewhere = useServer()

type Server = ReturnType<typeof useServer>

async function fileOf(server: Server, id: string): Promise<Buffer> {
  const answer = await fetch(`${server.address()}/jobs/${id}/file`)
  expect(answer.headers.get('content-type')).toBe('application/zip')
  return Buffer.from(await answer.arrayBuffer())
}

const send = async (server: Server, body: Buffer) =>
  server.raw('/job-files', {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
    body: new Uint8Array(body),
  })

/** A job with a photo, a piece of the shelf in its plan, a fitting and a measurement. */
async function wholeJob() {
  const { get, post, patch, raw } = here
  const job = (await post('/jobs', { ...newJobBody, dueOn: '2030-02-10', accessories: ['bag'] }))
    .body
  const own = { jobId: job.id, source: 'customer', serialNumber: 'OWN-1' }
  const module = (await post('/modules', { ...own, module: sampleStick })).body
  const shelf = { source: 'shelf', price: 2300, condition: 'used', serialNumber: 'SHELF-1' }
  const piece = (await post('/modules', { ...shelf, module: sampleStick })).body
  const found = { A: { moduleId: module.id, unit: 0 } }
  await patch(`/jobs/${job.id}`, { version: 1, found })
  const placement = { ...found, B: { moduleId: piece.id, unit: 0 } }
  await patch(`/plans/${job.planId}`, { version: 1, placement })
  const picture = await sharp({
    create: { width: 60, height: 40, channels: 3, background: '#465' },
  })
    .png()
    .toBuffer()
  await raw(`/photos?jobId=${job.id}&caption=lid`, {
    method: 'POST',
    headers: { 'content-type': 'image/png' },
    body: new Uint8Array(picture),
  })
  await post('/measurements', {
    jobId: job.id,
    test: 'Copy',
    better: 'higher',
    configuration: 'before',
    runs: [13.1, 13.4],
  })
  const fit = (await post('/fits', { jobId: job.id })).body
  await patch(`/fits/${fit.id}`, { version: 1, finished: true })
  await post('/handovers', { jobId: job.id, reasons: { UNPAID: 'Friday' } })
  await post('/claims', { jobId: job.id, moduleId: piece.id, what: 'Errors after a week' })
  return (await get(`/jobs/${job.id}`)).body
}

const zipped = async (parts: Record<string, string | Buffer>): Promise<Buffer> => {
  const zip = new ZipFile()
  for (const [name, content] of Object.entries(parts)) zip.addBuffer(Buffer.from(content), name)
  zip.end()
  const chunks: Buffer[] = []
  for await (const chunk of zip.outputStream) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks)
}

test('a job goes elsewhere whole and comes out of there equal, and is taken in once', async () => {
  const job = await wholeJob()
  const file = await fileOf(here, job.id)
  const answer = await send(elsewhere, file)
  expect(answer).toMatchObject({
    status: 201,
    body: { id: job.id, number: job.number, numberBefore: job.number },
  })
  expect(await fileOf(elsewhere, job.id)).toEqual(file)
  const there = (await elsewhere.get(`/jobs/${job.id}`)).body
  expect(there).toMatchObject({ dueOn: '2030-02-10', stage: 'verify', accessories: ['bag'] })
  const picture = await fetch(`${elsewhere.address()}/photos/${there.photos[0].id}/picture`)
  expect((await sharp(Buffer.from(await picture.arrayBuffer())).metadata()).width).toBe(60)
  expect((await elsewhere.get('/jobs?search=shelf-1')).body).toHaveLength(1)
  expect(await send(elsewhere, file)).toMatchObject({
    status: 409,
    body: { error: { code: 'known', message: expect.stringContaining(`job ${job.number}`) } },
  })
  // What went with it is on nobody's shelf there.
  expect((await elsewhere.get('/modules?shop=1&source=shelf')).body).toEqual([])
  const next = (await elsewhere.post('/jobs', newJobBody)).body
  expect(next.number).toBeGreaterThan(job.number)
})

test('a job whose number is taken gets the next one, and says so', async () => {
  const job = (await here.post('/jobs', newJobBody)).body
  const { job: text } = await openArchive(await fileOf(here, job.id))
  const other = (await elsewhere.post('/jobs', newJobBody)).body
  const value = JSON.parse(text)
  value.job.number = other.number
  const answer = await send(elsewhere, await zipped({ 'job.json': JSON.stringify(value) }))
  expect(answer.body).toMatchObject({ numberBefore: other.number })
  expect(answer.body.number).toBeGreaterThan(other.number)
})

test('a file that is damaged, hostile, newer or of something else changes nothing and says what is wrong', async () => {
  const job = (await here.post('/jobs', newJobBody)).body
  const file = await fileOf(here, job.id)
  const { job: text } = await openArchive(file)
  const value = JSON.parse(text)
  const json = (changes: object) => zipped({ 'job.json': JSON.stringify({ ...value, ...changes }) })
  const flipped = Buffer.from(file)
  // In the middle of the compressed job, past the heading of its part.
  const at = Math.floor(file.length / 3)
  flipped[at] = (flipped[at] ?? 0) ^ 0xff
  const bomb = await zipped({ 'job.json': Buffer.alloc(30_000_000, 0x20) })
  // As long as the name that is written, so that nothing else of the archive moves.
  const plain = await zipped({ 'job.json': text, 'photos/x.jpg': 'x' })
  const climbing = Buffer.from(
    plain.toString('latin1').replaceAll('photos/x.jpg', '../../xx.jpg'),
    'latin1',
  )
  const strayPlan = [{ ...value.plans[0], jobId: crypto.randomUUID() }]
  const held = { A: { moduleId: crypto.randomUUID(), unit: 0 } }
  const text1 = { jobId: job.id, channel: 'text', to: '0555 1234', text: 'Ready' }
  const message = (await here.post('/messages', text1)).body
  const { version: _, ...queued } = message
  const before = (await elsewhere.get('/jobs')).body.length
  const cases: [string, Buffer, number, RegExp][] = [
    ['no zip', Buffer.from('no zip at all'), 400, /no zip archive/],
    ['empty', Buffer.alloc(0), 400, /Send the file of a job|no zip archive/],
    ['cut off', file.subarray(0, file.length - 40), 400, /zip archive/],
    ['a bit turned', flipped, 400, /damaged/],
    ['a bomb', bomb, 413, /more in the file/],
    ['another path', climbing, 400, /invalid relative path|damaged/],
    ['something beside it', await zipped({ 'job.json': text, 'run.sh': 'x' }), 400, /has no place/],
    ['no job in it', await zipped({}), 400, /no job\.json/],
    ['no JSON', await zipped({ 'job.json': '{' }), 400, /no JSON/],
    ['something else', await json({ format: 'other' }), 400, /no file of a job/],
    ['newer', await json({ version: value.version + 1 }), 400, /newer version/],
    ['older, and wrong', await json({ version: 1, plans: 'none' }), 400, /plans/],
    ['a message to be sent', await json({ messages: [queued] }), 400, /still under way/],
    ['a field wrong', await json({ job: { ...value.job, stage: 'gone' } }), 400, /job\.stage/],
    ['a field too many', await json({ more: 1 }), 400, /damaged/],
    ['of another job', await json({ plans: strayPlan }), 400, /of another job/],
    ['a slot with nothing', await json({ job: { ...value.job, found: held } }), 400, /not in it/],
    ['no plan', await json({ plans: [] }), 400, /plan on its board/],
  ]
  for (const [name, body, status, says] of cases) {
    const answer = await send(elsewhere, body)
    expect([name, answer.status]).toEqual([name, status])
    expect(answer.body.error.message, name).toMatch(says)
  }
  expect((await elsewhere.get('/jobs')).body).toHaveLength(before)
})

test('a file of an older form is taken in; a message under way is sent from where it was written alone', async () => {
  const job = (await here.post('/jobs', newJobBody)).body
  const text = { jobId: job.id, channel: 'text', to: '0555 1234', text: 'Ready' }
  await here.post('/messages', text)
  await here.post('/handovers', { jobId: job.id })
  const { job: written } = await openArchive(await fileOf(here, job.id))
  const value = JSON.parse(written)
  expect(value.messages).toMatchObject([{ state: 'failed' }])

  const { login: _, followUpOn: __, leadId: ___, ...before } = value.job
  const { messages: ____, ...lists } = value
  const [{ setupFound: _____, ...handover }] = value.handovers
  const older = { ...lists, version: 1, job: before, handovers: [handover] }
  const answer = await send(elsewhere, await zipped({ 'job.json': JSON.stringify(older) }))
  expect(answer.status).toBe(201)
  expect((await elsewhere.get(`/jobs/${job.id}`)).body).toMatchObject({
    login: null,
    leadId: null,
    messages: [],
    handovers: [{ setupFound: {} }],
  })
})

test('a module in a file of the second form keeps what it was ordered for', async () => {
  const job = (await here.post('/jobs', newJobBody)).body
  const own = { jobId: job.id, source: 'customer' }
  await here.post('/modules', { ...own, module: sampleStick })
  const value = JSON.parse((await openArchive(await fileOf(here, job.id))).job)
  const standsFor = { jobId: job.id, moduleId: job.id, unit: 0 }
  const modules = value.modules.map(
    ({ orderedFor: _, ...one }: object & { orderedFor: unknown }) => ({
      ...one,
      standsFor,
    }),
  )
  const older = { ...value, version: 2, modules }
  const answer = await send(elsewhere, await zipped({ 'job.json': JSON.stringify(older) }))
  expect(answer.status).toBe(201)
  expect((await elsewhere.get(`/jobs/${job.id}`)).body.modules).toMatchObject([
    { orderedFor: standsFor },
  ])
})

test('a file of the third form gets what its records had not yet', async () => {
  const job = (await here.post('/jobs', newJobBody)).body
  await here.post('/fits', { jobId: job.id })
  await here.post('/verifications', { jobId: job.id })
  const value = JSON.parse((await openArchive(await fileOf(here, job.id))).job)
  const { ownSettings: _, withoutWork: __, ...before } = value.job
  const [{ inTheWay: ___, testFrom: ____, ...fit }] = value.fits
  const [{ soak: _a, errorLogs: _b, besides: _c, ...verification }] = value.verifications
  const older = {
    ...value,
    version: 3,
    job: before,
    fits: [fit],
    verifications: [verification],
  }
  const answer = await send(elsewhere, await zipped({ 'job.json': JSON.stringify(older) }))
  expect(answer.status).toBe(201)
  expect((await elsewhere.get(`/jobs/${job.id}`)).body).toMatchObject({
    ownSettings: null,
    withoutWork: null,
    fits: [{ inTheWay: [], testFrom: null }],
    verifications: [{ soak: null, errorLogs: [], besides: null }],
  })
})

test('the form of a file is there as JSON Schema, down to a module of a slot', async () => {
  const { body } = await here.get('/job-files/schema')
  expect(body.required).toEqual(expect.arrayContaining(['format', 'version', 'job', 'modules']))
  expect(JSON.stringify(body.properties.modules)).toContain('capacityGiB')
  expect(body.properties.format).toMatchObject({ const: 'tembrix-job' })
})

test('lists come as sheets that no spreadsheet runs', async () => {
  const customer = { name: '=HYPERLINK("x")', phone: '+49 30 1' }
  await here.post('/jobs', { ...newJobBody, customer })
  const jobs = await (await fetch(`${here.address()}/sheets/jobs.csv`)).text()
  expect(jobs).toContain(`"'=HYPERLINK(""x"")",'+49 30 1`)
  const modules = await (await fetch(`${here.address()}/sheets/modules.csv`)).text()
  expect(modules.split('\r\n').length).toBeGreaterThan(2)
  const runs = await (await fetch(`${here.address()}/sheets/measurements.csv`)).text()
  expect(runs).toContain('Copy,,higher,before,,no,1,13.1,')
  expect((await here.get('/sheets/constructor.csv')).status).toBe(404)
})
