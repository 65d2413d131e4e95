import { afterEach, expect, test } from 'vitest'
import { calculateIn, inUnits, minorFrom } from '.'

afterEach(() => calculateIn('EUR'))

test('a prefilled amount has as many decimals as its currency', () => {
  calculateIn('EUR')
  expect([1250, 100, 0, -50].map(inUnits)).toEqual(['12.50', '1.00', '0.00', '-0.50'])
  calculateIn('JPY')
  expect(inUnits(11780)).toBe('11780')
})

test('a prefilled amount is read back unchanged, and anything else stays as it is', () => {
  for (const minor of [1, 99, 1250, 123456]) expect(minorFrom(String(inUnits(minor)))).toBe(minor)
  expect([inUnits('soon'), inUnits(null)]).toEqual(['soon', null])
})
