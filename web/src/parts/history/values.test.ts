import type { Plain } from '@tembrix/core/records'
import { expect, test } from 'vitest'
import { valueWords } from './values'

test.each<[Plain, boolean, string]>([
  [null, false, 'nothing'],
  ['', false, 'nothing'],
  [true, false, 'yes'],
  [12, false, '12'],
  [12000, true, '€120.00'],
  ['2030-02-10', false, '10 Feb 2030'],
  ['data:image/png;base64,AAAA', false, 'a picture'],
  // A name that a reader of dates would take for one.
  ['Tern 12', false, '“Tern 12”'],
  ['May T 2030', false, '“May T 2030”'],
  ['x'.repeat(200), false, `“${'x'.repeat(120)}…”`],
])('%s is read as it is', (value, amount, words) => {
  expect(valueWords(value, amount)).toBe(words)
})

test('a moment is a day and a time', () => {
  expect(valueWords('2030-02-10T10:00:00.000Z', false)).toMatch(/^10 Feb 2030, \d\d:00$/)
})
