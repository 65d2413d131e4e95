import { expect, test } from 'vitest'
import { dateFrom } from './dates'

const NOW = new Date(2026, 10, 26)

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
