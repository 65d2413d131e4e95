import { expect, test } from 'vitest'
import { newJobBody } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { get, post } = useServer()

test('repeated sessions of a shop become its scatter; before there are any, what is usual', async () => {
  const { body: first } = await get('/learned')
  expect(first).toMatchObject({
    scatter: { all: { withinSd: 0.01, sessionSd: 0.01, sessions: 0 }, tests: {} },
    results: [],
    ceilings: {},
  })
  const { id: jobId } = (await post('/jobs', newJobBody)).body
  for (const middle of [30, 33, 31.5]) {
    const runs = [middle, middle * 1.002, middle * 0.998]
    const session = { jobId, test: 'Copy', better: 'higher', configuration: 'after', runs }
    expect((await post('/measurements', session)).status).toBe(201)
  }
  const busy = { test: 'Copy', better: 'higher', configuration: 'after', runs: [9, 30, 60] }
  await post('/measurements', { jobId, ...busy, busy: true })
  const { scatter } = (await get('/learned')).body
  expect(scatter.all.sessions).toBe(3)
  expect(scatter.all.sessionSd).toBeGreaterThan(0.02)
  expect(scatter.tests.Copy.sessionSd).toBeGreaterThan(scatter.all.sessionSd)
})
