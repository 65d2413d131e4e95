import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { CounterState, Week } from '../../things/records'
import { atBench, plannedWeek } from '.'

const HOURS: Week = [
  { from: '09:00', to: '17:30' },
  null,
  { from: '10:00', to: '12:00' },
  { from: '09:00', to: '17:00' },
  { from: '09:00', to: '17:00' },
  null,
  null,
]
const job = (
  id: string,
  dueOn: string | null,
  minutes: number | null,
  state: CounterState = 'bench',
) => ({
  id,
  dueOn,
  minutes,
  state,
})

/** Seven days of February 2030 from one on. */
const from = (first: number) =>
  Array.from({ length: 7 }, (_, at) => `2030-02-${String(first + at).padStart(2, '0')}`)

test('work is counted on the day it is due, late work today, against the hours of all at the bench', () => {
  const jobs = [
    job('a', '2030-02-11', 40),
    job('b', '2030-02-13', 30),
    job('c', '2030-02-13', null),
    job('d', '2030-02-13', 90, 'ready'),
    job('e', '2030-02-08', 20),
    job('f', null, 60),
    job('g', '2030-02-20', 60),
  ]
  const week = plannedWeek(jobs, from(11), '2030-02-13', HOURS, 2)
  expect(week.map(({ on, open, planned, unquoted }) => [on, open, planned, unquoted])).toEqual([
    ['2030-02-11', 1020, 0, 0],
    ['2030-02-12', 0, 0, 0],
    ['2030-02-13', 240, 90, 1],
    ['2030-02-14', 960, 0, 0],
    ['2030-02-15', 960, 0, 0],
    ['2030-02-16', 0, 0, 0],
    ['2030-02-17', 0, 0, 0],
  ])
  expect(week[2]?.jobs.map(({ id }) => id)).toEqual(['a', 'b', 'c', 'd', 'e'])
  expect(plannedWeek(jobs, from(11), '2030-02-13', null, 1)[0]?.open).toBeNull()
})

test('every dated job of work is in one day of the weeks from today on', () => {
  const days = fc
    .integer({ min: 0, max: 20 })
    .map((n) => `2030-02-${String(n + 1).padStart(2, '0')}`)
  fc.assert(
    fc.property(fc.array(days, { maxLength: 12 }), days, (dues, today) => {
      const jobs = dues.map((due, at) => job(String(at), due, 10))
      const weeks = [1, 8, 15].flatMap((first) => plannedWeek(jobs, from(first), today, HOURS, 1))
      expect(weeks.reduce((sum, { planned }) => sum + planned, 0)).toBe(10 * jobs.length)
    }),
  )
})

test('one is at the bench where nobody is named', () => {
  expect(atBench([])).toBe(1)
  expect(atBench([{ bench: false }])).toBe(1)
  expect(atBench([{ bench: true }, { bench: true }, { bench: false }])).toBe(2)
})
