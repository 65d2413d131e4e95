import { request as httpRequest } from 'node:http'
import { eq } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { newJobBody } from '../../../test/sample'
import { useServer } from '../../../test/server'
import { probeCodes } from '../../base/database'

const { get, post, db, address } = useServer()

const runs = (token: string, changes: object = {}) => ({
  token,
  configuration: 'after',
  measurements: [
    {
      test: 'Copy bandwidth',
      unit: 'GB/s',
      better: 'higher',
      bandwidth: 'copy',
      runs: [31.2, 30.8, 31.5],
      note: 'in the browser',
      ...changes,
    },
  ],
})

async function opened() {
  const job = (await post('/jobs', newJobBody)).body
  const { code } = (await post('/probe/codes', { jobId: job.id })).body
  return { job, code, open: (await post('/probe/open', { code })).body }
}

test('a code of six digits opens its job once, and its token adds measurements to it alone', async () => {
  const { job, code, open } = await opened()
  expect(code).toMatch(/^\d{6}$/)
  expect(open).toMatchObject({ number: job.number })
  expect(open).not.toHaveProperty('jobId')
  expect(open.changes).toBeNull()

  const again = await post('/probe/open', { code })
  expect(again).toMatchObject({ status: 410, body: { error: { code: 'code_used' } } })

  expect((await post('/probe/runs', runs(open.token))).body).toEqual({ added: 1, busy: false })
  const { measurements } = (await get(`/jobs/${job.id}`)).body
  expect(measurements).toMatchObject([
    { test: 'Copy bandwidth', configuration: 'after', runs: [31.2, 30.8, 31.5], failed: 0 },
  ])
})

test('a code that has run out opens nothing, nor does its token add', async () => {
  const { open } = await opened()
  const late = (await post('/jobs', newJobBody)).body
  const { code } = (await post('/probe/codes', { jobId: late.id })).body
  const past = new Date(Date.now() - 1000).toISOString()
  await db().update(probeCodes).set({ until: past }).where(eq(probeCodes.code, code))
  await db().update(probeCodes).set({ until: past }).where(eq(probeCodes.token, open.token))
  expect((await post('/probe/open', { code })).body.error.code).toBe('code_late')
  expect((await post('/probe/runs', runs(open.token))).status).toBe(410)
})

test('runs that cannot be are refused where they are wrong, and none is stored', async () => {
  const { job, open } = await opened()
  for (const bad of [0, -1, 1e99]) {
    const { body, status } = await post('/probe/runs', runs(open.token, { runs: [30, bad] }))
    expect(status).toBe(400)
    expect(body.error.fields[0].path).toBe('measurements.0.runs.1')
  }
  expect((await post('/probe/runs', runs('x'.repeat(32)))).status).toBe(410)
  expect((await get(`/jobs/${job.id}`)).body.measurements).toEqual([])
})

test('what the job calls its two changes comes with the code, so that the page can ask which', async () => {
  const { id: jobId } = (await post('/jobs', newJobBody)).body
  const changes = { first: 'new modules', second: 'two of them' }
  await post('/verifications', { jobId, changes })
  const { code } = (await post('/probe/codes', { jobId })).body
  const { token, ...open } = (await post('/probe/open', { code })).body
  expect(open.changes).toEqual(changes)
  expect((await post('/probe/runs', { ...runs(token), configuration: 'first' })).status).toBe(201)
  const [stored] = (await get(`/jobs/${jobId}`)).body.measurements
  expect(stored.configuration).toBe('first')
})

test('a session taken while something else was busy is kept, marked, and said so', async () => {
  const { job, open } = await opened()
  const sent = await post('/probe/runs', runs(open.token, { runs: [30, 9, 31, 61, 12, 30, 45] }))
  expect(sent.body).toEqual({ added: 1, busy: true })
  const [stored] = (await get(`/jobs/${job.id}`)).body.measurements
  expect(stored).toMatchObject({ busy: true, at: expect.stringMatching(/^\d{4}-.*Z$/) })
})

test('guessing is stopped after ten wrong codes', async () => {
  const { code } = await (async () => {
    const job = (await post('/jobs', newJobBody)).body
    return (await post('/probe/codes', { jobId: job.id })).body
  })()
  const wrong = Array.from({ length: 11 }, (_, at) => String(100_000 + at)).filter(
    (one) => one !== code,
  )
  const answers = []
  for (const guess of wrong.slice(0, 10)) {
    answers.push((await post('/probe/open', { code: guess })).status)
  }
  expect(new Set(answers)).toEqual(new Set([404]))
  expect(await post('/probe/open', { code })).toMatchObject({
    status: 429,
    body: { error: { code: 'too_many_tries' } },
  })
  // Only who guessed is locked out: another machine opens it.
  expect(await openFrom('127.0.0.2', code)).toBe(200)
})

/** Opens a code from another address of this machine; answers the status. */
function openFrom(localAddress: string, code: string): Promise<number> {
  const body = JSON.stringify({ code })
  return new Promise((resolve, reject) => {
    const asked = httpRequest(`${address()}/probe/open`, {
      method: 'POST',
      localAddress,
      headers: { 'content-type': 'application/json', 'content-length': body.length },
    })
    asked.on('response', (answer) => resolve(answer.resume().statusCode ?? 0))
    asked.on('error', reject)
    asked.end(body)
  })
}
