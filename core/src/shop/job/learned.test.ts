import { expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import type { KeptRuns } from '../../bench/measure'
import { STARTING_USES } from '../../judging/sizing'
import { piecesById, type Verification } from '../../things/records'
import { learnedFrom, type Taught } from '.'

const machine = desktop()
const piece = (id: string, capacityGiB = 8) => ({
  id,
  source: 'customer' as const,
  module: stick({ capacityGiB }),
  price: null,
})
const pieces = piecesById([piece('a'), piece('b'), piece('small', 4), piece('small2', 4)])
const at = (slots: Record<string, string>) =>
  Object.fromEntries(Object.entries(slots).map(([slot, moduleId]) => [slot, { moduleId, unit: 0 }]))
const near = (value: number) => [value * 0.99, value, value * 1.01]
const kept = (configuration: 'before' | 'after', middle: number, more: Partial<KeptRuns> = {}) => ({
  jobId: 'job',
  test: 'Game',
  unit: 'frames/s',
  better: 'higher' as const,
  bandwidth: null,
  work: 'games-processor' as const,
  configuration,
  at: null,
  conditions: {},
  busy: false,
  runs: near(middle),
  failed: 0,
  ...more,
})
const SIZING: Taught['sizing'] = {
  uses: [],
  integratedGraphics: false,
  disk: 'unknown',
  log: null,
  years: null,
  wantedGiB: null,
} as never

const job = (more: Partial<Taught> = {}): Taught => ({
  machine: { machine, sources: {} },
  // As much memory in both, on one channel and on two.
  found: at({ A2: 'a' }),
  plan: { placement: at({ A2: 'small', B2: 'small2' }), profile: false, manual: null },
  sizing: SIZING,
  measurements: [kept('before', 60), kept('after', 66)],
  verification: null,
  ...more,
})
const learn = (of: Taught) => learnedFrom([of], pieces, STARTING_USES)

test('a machine whose own module needs another voltage than its record says teaches as well', () => {
  const low = { machine: desktop({ voltages: [1.35] }), sources: {} }
  expect(learn(job({ machine: low })).results).toHaveLength(1)
})

test('a test that stands for a kind of work is a result, with the memory it was made on', () => {
  expect(learn(job()).results).toMatchObject([
    {
      work: 'games-processor',
      ratio: expect.closeTo(1.1, 2),
      before: { peakGBs: 25.6, usableGiB: 8 },
      after: { peakGBs: 51.2, usableGiB: 8 },
    },
  ])
})

test('nothing is learned where paging may be part of it, the test stands for nothing, or nothing was planned', () => {
  const larger = { placement: at({ A2: 'a', B2: 'b' }), profile: false, manual: null }
  expect(learn(job({ plan: larger })).results).toEqual([])
  const open = [kept('before', 60, { work: null }), kept('after', 66, { work: null })]
  expect(learn(job({ measurements: open })).results).toEqual([])
  expect(learn(job({ plan: { ...larger, placement: null } })).results).toEqual([])
  expect(learn(job({ measurements: [kept('after', 66)] })).results).toEqual([])
  // A need that fitted before pages in neither.
  const uses = [{ use: 'office', level: 'usual', weight: 1, together: null }]
  const sizing = { ...SIZING, uses } as never
  expect(learn(job({ plan: larger, sizing })).results).toHaveLength(1)
})

test('what a test of bandwidth reached counts as its ceiling where two channels were at work for sure', () => {
  const copy = { test: 'Copy', unit: 'GB/s', bandwidth: 'copy' as const, work: null }
  const seen = (more: object) => ({ seen: { rate: null, ways: null, memoryClock: null, ...more } })
  const measurements = [kept('after', 31, copy)]
  const ceilingsWith = (verification: object | null) =>
    learn(job({ measurements, verification: verification as Pick<Verification, 'seen'> | null }))
      .ceilings
  expect(ceilingsWith(null)).toEqual({})
  expect(ceilingsWith(seen({ ways: 2 }))).toEqual({ Copy: 31 })
  // One channel at the 3200 seen carries 25.6 GB/s.
  expect(ceilingsWith(seen({ rate: 3200 }))).toEqual({ Copy: 31 })
  expect(ceilingsWith(seen({ rate: 1600 }))).toEqual({ Copy: 31 })
  expect(ceilingsWith(seen({ rate: 4800 }))).toEqual({})
})

test('learning may be off, begin again, and count or leave out single results', () => {
  const learning = { on: true, since: null, rulings: {} }
  const results = (of: Taught, more: Partial<typeof learning> | object) =>
    learnedFrom([of], pieces, STARTING_USES, { ...learning, ...more }).results
  const dated = (at: string) =>
    job({ measurements: [kept('before', 60, { at }), kept('after', 66, { at })] })
  expect(results(job(), { on: false })).toEqual([])
  const since = '2030-03-01T00:00:00Z'
  expect(results(dated('2030-02-01T09:00:00Z'), { since })).toEqual([])
  expect(results(dated('2030-03-02T09:00:00Z'), { since })).toHaveLength(1)
  const [result] = results(job(), {})
  expect(result).toMatchObject({ jobId: 'job', sd: expect.any(Number) })
  const ruling = (counts: boolean) => results(job(), { rulings: { [result?.id ?? '']: counts } })[0]
  expect(ruling(false)?.counts).toBe(false)
  expect(ruling(true)?.counts).toBe(true)
})
