import { expect, test } from 'vitest'
import type { Work } from '../../judging/forecast'
import { type KeptRuns, overall, testedOf } from '.'

const of = (ratio: number, work: Work | null, verdict = 'gain') =>
  ({ work, against: { after: { ratio, low: ratio / 1.1, high: ratio * 1.1, verdict } } }) as never

test('the geometric mean by the customer’s mix: tests of one work share its weight', () => {
  const mix = [
    { work: 'games', weight: 50 },
    { work: 'photos', weight: 50 },
  ] as const
  const figure = overall([of(1.44, 'games-processor'), of(1, 'photos'), of(1, 'photos')], mix)
  // Half of the weight on 1.44, a quarter each on 1: the root of 1.44.
  expect(figure?.ratio).toBeCloseTo(1.2, 10)
  expect(figure?.tests).toBe(3)
  // Errors of ln 1.1 each, weighed 1/2, 1/4, 1/4: √(1/4 + 1/16 + 1/16) of it.
  expect(Math.log((figure?.high ?? 0) / 1.2)).toBeCloseTo(Math.log(1.1) * Math.sqrt(0.375), 10)
  expect((figure?.low ?? 0) * (figure?.high ?? 0)).toBeCloseTo(1.44, 10)
})

test('what is none of the customer’s work, or too few runs, is left out; one test is no mean', () => {
  const mix = [{ work: 'photos', weight: 1 }] as const
  expect(overall([of(1.1, 'photos'), of(2, 'office'), of(3, null)], mix)).toBeNull()
  expect(overall([of(1.1, 'photos'), of(1.2, 'photos', 'too-few')], mix)).toBeNull()
  expect(overall([of(1.1, 'photos'), of(1.2, 'photos')], mix)?.tests).toBe(2)
})

const session = (
  configuration: KeptRuns['configuration'],
  runs: number[],
  conditions: KeptRuns['conditions'],
): KeptRuns => ({
  test: 't',
  unit: '',
  better: 'higher',
  configuration,
  runs,
  failed: 0,
  bandwidth: null,
  work: null,
  at: null,
  conditions,
  busy: false,
})

test('a driver that differs on a whole side was changed along, and is told; one session of another is left out', () => {
  const [old, fresh] = [{ driver: '1' }, { driver: '2' }]
  const [changed] = testedOf([
    session('before', [10, 10.1, 10.2], old),
    session('before', [10, 10.1, 10.1], old),
    session('after', [12, 12.1, 12.2], fresh),
  ])
  expect(changed?.along).toEqual({ before: ['driver'] })
  expect(changed?.against.after?.verdict).toBe('gain')
  const [mixed] = testedOf([
    session('before', [10, 10.1, 10.2], old),
    session('before', [11, 11.1, 11.1], fresh),
    session('after', [12, 12.1, 12.2], fresh),
  ])
  expect(mixed?.along).toEqual({})
  expect(mixed?.sides.before?.sessions.map(({ leftOut }) => leftOut)).toEqual([['driver'], null])
  // The conditions of the test itself are no part of a change, and are never compared.
  const [other] = testedOf([
    session('before', [10, 10.1], { power: 'battery' }),
    session('after', [12, 12.1], { power: 'mains' }),
  ])
  expect(other?.along).toEqual({})
  expect(other?.against.after?.verdict).toBe('too-few')
})
