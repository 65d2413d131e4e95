import fc from 'fast-check'
import { expect, test } from 'vitest'
import { phoneForms } from '.'

test.each([
  ['07700 900123', ['7700900123']],
  ['7700 900', ['7700900']],
  ['+44 7700 900123', ['447700900123', '47700900123', '7700900123', '700900123']],
  ['0044 7700', ['447700', '47700', '7700']],
  ['(0555) 01-42', ['5550142']],
  ['12', []],
  ['0555 Heron', []],
  ['', []],
])('%s', (typed, forms) => {
  expect(phoneForms(typed)).toEqual(forms)
})

test('how a number is grouped changes nothing', () => {
  const digits = fc.stringMatching(/^0[1-9][0-9]{6,10}$/)
  const gaps = fc.array(fc.constantFrom('', ' ', '-', '/', '.'), { minLength: 12, maxLength: 12 })
  fc.assert(
    fc.property(digits, gaps, (number, between) => {
      const spelled = [...number].map((digit, at) => digit + (between[at] ?? '')).join('')
      expect(phoneForms(spelled)).toEqual(phoneForms(number))
    }),
  )
})
