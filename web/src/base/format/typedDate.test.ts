import { afterEach, expect, test } from 'vitest'
import { dateFrom, day, dayAndTime, noDate, writeDates } from '.'

const NOW = new Date(2026, 10, 26)

afterEach(() => writeDates('day first'))

test.each([
  ['2026-12-01', '2026-12-01'],
  ['1 Dec 2026', '2026-12-01'],
  ['1 december 2026', '2026-12-01'],
  ['01.12.2026', '2026-12-01'],
  ['1/12/2026', '2026-12-01'],
  [' 3 Dec ', '2026-12-03'],
  ['3.12.', '2026-12-03'],
  ['29 Feb 2028', '2028-02-29'],
])('%s is %s', (text, iso) => {
  expect(dateFrom(text, NOW)).toBe(iso)
})

test.each(['', 'tomorrow', '31 Feb 2026', '2026-13-01', '12/31/2026', '1.1.26', '5'])(
  '%s is no day',
  (text) => {
    expect(dateFrom(text, NOW)).toBeNull()
  },
)

test('a shop writes its dates one way, everywhere, and reads them so between strokes', () => {
  expect(day('2026-11-03')).toBe('3 Nov 2026')
  writeDates('month first')
  expect(day('2026-11-03')).toBe('Nov 3, 2026')
  expect(dateFrom('Nov 3, 2026', NOW)).toBe('2026-11-03')
  expect(dateFrom('11/3/2026', NOW)).toBe('2026-11-03')
  expect(noDate()).toBe('Enter a date, such as Nov 28, 2026.')
  writeDates('year first')
  expect(dayAndTime('2026-11-03T09:05:00')).toBe('2026-11-03, 09:05')
  expect(dateFrom('2026-11-03', NOW)).toBe('2026-11-03')
})
