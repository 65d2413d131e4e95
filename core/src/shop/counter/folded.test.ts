import fc from 'fast-check'
import { expect, test } from 'vitest'
import { folded, isOneSlip, spellings } from '.'

test.each([
  ['Jürgen Weiß', 'jurgen weiss'],
  ['O’Neill–Smith', 'oneill-smith'],
  ["O'Neill", 'oneill'],
  ['Łukasz Øye', 'lukasz oye'],
  ['16 GB 3200 MT/s', '16gb 3200mt/s'],
  ['2R×8', '2rx8'],
])('%s is searched as %s', (text, plain) => {
  expect(folded(text)).toBe(plain)
})

test('an umlaut is found with and without its second letter', () => {
  expect(spellings('Müller')).toEqual(['muller', 'mueller'])
  expect(spellings('Mueller')).toEqual(['mueller'])
})

test('folding twice is folding once', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), (text) => {
      expect(folded(folded(text))).toBe(folded(text))
    }),
  )
})

test.each([
  ['smtih', 'smith', true],
  ['smit', 'smith', true],
  ['smitth', 'smith', true],
  ['smoth', 'smith', true],
  ['smith', 'smith', false],
  ['smhti', 'smith', false],
  ['smiht', 'smith', true],
  ['sm', 'smith', false],
])('%s and %s are one slip apart: %s', (a, b, apart) => {
  expect(isOneSlip(a, b)).toBe(apart)
  expect(isOneSlip(b, a)).toBe(apart)
})
