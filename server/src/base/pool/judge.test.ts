import { expect, test } from 'vitest'
import { laptop, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { post } = useServer()

const paths = (body: { error: { fields: { path: string }[] } }) =>
  body.error.fields.map(({ path }) => path)

const state = { peakGBs: 25.6, firstWordNs: 13.75, usableGiB: 16 }
const asked = {
  uses: [{ work: 'games-processor', weight: 1, need: { low: 9, likely: 11, high: 14 } }],
  before: state,
  after: { ...state, peakGBs: 51.2 },
  disk: 'solid-state',
  log: { pagingShare: 0 },
}

test('a forecast by the contract, the same each time', async () => {
  const { status, body } = await post('/forecast', asked)
  expect(status).toBe(200)
  expect(body.median).toBeGreaterThan(1.05)
  expect(body.median).toBeLessThan(1.2)
  expect(Object.keys(body).sort()).toEqual(
    ['basis', 'chance10', 'half', 'low1', 'median', 'most', 'uses', 'words'].sort(),
  )
  expect((await post('/forecast', asked)).body).toEqual(body)
})

test('a forecast takes results to stand behind it, and sets aside one unlike the others', async () => {
  const { before, after } = asked
  const [use] = asked.uses
  const result = (ratio: number) => ({ work: use?.work, before, after, ratio, sd: 0.02 })
  const untold = (await post('/forecast', { ...asked, results: [] })).body
  const odd = (await post('/forecast', { ...asked, results: [result(0.5)] })).body
  expect(odd).toMatchObject({ median: untold.median, basis: { jobs: 0, setAside: 1 } })
  const results = [result(untold.median * 1.05), result(untold.median * 1.05)]
  const told = (await post('/forecast', { ...asked, results })).body
  expect(told.median).toBeGreaterThan(untold.median)
  expect(told.basis).toEqual({ jobs: 2, setAside: 0 })
  const bad = await post('/forecast', { ...asked, results: [{ ...result(1), ratio: 0 }] })
  expect(paths(bad.body)).toEqual(['results.0.ratio'])
})

test('a forecast without a before, or of nothing, says what is missing', async () => {
  const { before: _, ...without } = asked
  const missing = await post('/forecast', without)
  expect(missing.status).toBe(400)
  expect(paths(missing.body)).toEqual(['before'])
  expect(paths((await post('/forecast', { ...asked, uses: [] })).body)).toContain('uses')
  const dead = { ...asked, after: { ...state, peakGBs: 0 } }
  expect(paths((await post('/forecast', dead)).body)).toEqual(['after.peakGBs'])
  const turned = [{ work: 'office', weight: 1, need: { low: 9, likely: 4, high: 14 } }]
  expect(paths((await post('/forecast', { ...asked, uses: turned })).body)).toEqual([
    'uses.0.need.likely',
  ])
})

test('a need is worked out as in the page', async () => {
  const uses = [{ use: 'photos', level: 'usual', weight: 1, together: null }]
  const { status, body } = await post('/size', { uses, installedGiB: 8, machine: laptop })
  expect(status).toBe(200)
  // System 4.5, photos 6; and a reserve of 1.5.
  expect(body.demand.now.likely).toBe(10.5)
  expect(body.demand.likely).toBe(12)
  expect(body.advice.first).toBe('memory')
  expect(body.totals.length).toBeGreaterThan(3)
  expect(paths((await post('/size', { uses })).body)).toEqual(['installedGiB'])
})

test('the advice reads how memory lies in the machine; without a placement it says nothing of it', async () => {
  const uses = [{ use: 'games', level: 'light', weight: 1, together: null }]
  const said = { uses, installedGiB: 16, machine: laptop, integratedGraphics: true }
  const large = { ...sampleStick, capacityGiB: 16 }
  const settings = { profile: false }
  const { body } = await post('/size', { ...said, placement: { A: large }, settings })
  expect(body.advice).toMatchObject({
    first: 'layout',
    reasons: ['SINGLE_CHANNEL'],
    layout: { free: null, bought: { words: 'MUCH', adds: [{ capacityGiB: 16 }] } },
  })
  expect((await post('/size', said)).body.advice.layout).toBeNull()
  const wrong = await post('/size', { ...said, placement: { Z: large } })
  expect([wrong.status, paths(wrong.body)]).toEqual([400, ['placement.Z']])
})

test('an offer is added up, with taxes of three decimals', async () => {
  const { body } = await post('/quote/price', {
    currency: 'EUR',
    parts: [7600],
    minutes: 30,
    hourlyRate: 5400,
    taxPercent: 8.875,
    pricesIncludeTax: false,
  })
  // 76.00 and 27.00 are 103.00; 8.875 % of it is 9.14125.
  expect(body).toMatchObject({ labour: 2700, net: 10300, tax: 914, total: 11214 })
  const bad = await post('/quote/price', { currency: 'EUR', parts: [1.5] })
  expect(paths(bad.body)).toEqual(['parts.0'])
})

test('sessions are compared by the contract', async () => {
  const session = (...runs: number[]) => ({ at: null, runs })
  const compared = {
    better: 'higher',
    before: [{ at: '2026-11-25T09:10:00Z', runs: [61.2, 60.8, 61.0] }],
    after: [session(63.0, 63.4, 62.7), session(62.6, 62.9, 63.1)],
    quantum: 0.1,
    worthwhile: 0.03,
    shop: { withinSd: 0.006, sessionSd: 0.009 },
  }
  const { status, body } = await post('/compare', compared)
  expect(status).toBe(200)
  expect(body).toMatchObject({ verdict: 'gain', worthwhile: null, notes: ['ONE_SESSION'] })
  expect(body.ratio).toBeCloseTo(1.032, 3)
  expect(body.low).toBeGreaterThan(1)
  expect((await post('/compare', { ...compared, before: [] })).body.verdict).toBe('too-few')
  expect(paths((await post('/compare', { ...compared, before: [session(1, 0)] })).body)).toEqual([
    'before.0.runs.1',
  ])
  expect(paths((await post('/compare', { ...compared, after: [session()] })).body)).toEqual([
    'after.0.runs',
  ])
  const shop = { withinSd: -1, sessionSd: 0.01 }
  expect(paths((await post('/compare', { ...compared, shop })).body)).toEqual(['shop.withinSd'])
})
