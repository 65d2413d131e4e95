import { expect, test } from 'vitest'
import { fieldName } from '../format'
import { inWords } from './inWords'

const ID = '0b9f5772-c332-45ef-84bf-1aae44dbc804'
const names = new Map([[ID, '8 GB, Q4-8-3200']])

test.each<[unknown, string]>([
  [null, '–'],
  ['', '–'],
  [{}, '–'],
  [0, '0'],
  [false, 'no'],
  ['as typed', 'as typed'],
  [{ B: { moduleId: ID, unit: 0 } }, 'B: 8 GB, Q4-8-3200'],
  [{ A: { moduleId: ID.replace('0', '1'), unit: 0 } }, '–'],
  [{ [ID]: { to: 'shelf', price: null } }, '8 GB, Q4-8-3200: to: shelf'],
  [[{ id: ID, takenBy: 'Mika' }, { takenBy: 'Runa' }], 'taken by: Mika, taken by: Runa'],
  ['2026-03-01T12:30:00.000', '1 Mar 2026, 12:30'],
])('%j in words', (value, words) => {
  expect(inWords(value, names)).toBe(words)
})

test('what has parts is cut where it is long, a text never, and fields have their words', () => {
  expect(inWords({ a: 'bcdef' }, names, 4)).toBe('a: b…')
  expect(inWords('abcdef', names, 3)).toBe('abcdef')
  expect(fieldName('validUntil')).toBe('valid until')
})
