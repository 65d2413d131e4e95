import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { CounterState, Week } from '../records'
import { atBench, mondayOf, plannedWeek } from '.'

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

describe('the Monday of a week', () => {
  test.each([
    ['2030-02-11', '2030-02-11'],
    ['2030-02-17', '2030-02-11'],
    ['2030-01-01', '2029-12-31'],
    ['2028-03-01', '2028-02-28'],
  ])('of %s is %s', (day, monday) => {
    expect(mondayOf(day)).toBe(monday)
  })
})

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
  const week = plannedWeek(jobs, '2030-02-11', '2030-02-13', HOURS, 2)
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
  expect(plannedWeek(jobs, '2030-02-11', '2030-02-13', null, 1)[0]?.open).toBeNull()
})

test('every dated job of work is in one day of the weeks from today on', () => {
  const days = fc
    .integer({ min: 0, max: 20 })
    .map((n) => `2030-02-${String(n + 1).padStart(2, '0')}`)
  fc.assert(
    fc.property(fc.array(days, { maxLength: 12 }), days, (dues, today) => {
      const jobs = dues.map((due, at) => job(String(at), due, 10))
      const weeks = ['2030-01-28', '2030-02-04', '2030-02-11', '2030-02-18'].flatMap((monday) =>
        plannedWeek(jobs, monday, today, HOURS, 1),
      )
      expect(weeks.reduce((sum, { planned }) => sum + planned, 0)).toBe(10 * jobs.length)
    }),
  )
})

test('one is at the bench where nobody is named', () => {
  expect(atBench([])).toBe(1)
  expect(atBench([{ bench: false }])).toBe(1)
  expect(atBench([{ bench: true }, { bench: true }, { bench: false }])).toBe(2)
})
