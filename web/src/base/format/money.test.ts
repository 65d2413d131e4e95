import { afterEach, expect, test } from 'vitest'
import { calculateIn, inUnits, minorFrom } from '.'

afterEach(() => calculateIn('EUR'))

test('an amount to be typed has its noughts, as many as its currency has', () => {
  calculateIn('EUR')
  expect([1250, 100, 0, -50].map(inUnits)).toEqual(['12.50', '1.00', '0.00', '-0.50'])
  calculateIn('JPY')
  expect(inUnits(11780)).toBe('11780')
})

test('an amount is read back as it was shown, and what is none stays as it is', () => {
  for (const minor of [1, 99, 1250, 123456]) expect(minorFrom(String(inUnits(minor)))).toBe(minor)
  expect([inUnits('soon'), inUnits(null)]).toEqual(['soon', null])
})
