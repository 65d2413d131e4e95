import fc from 'fast-check'
import { expect, test } from 'vitest'
import { typedRuns } from '.'

test.each<[string, string, number[]]>([
  ['31.5 31.2 31.8', 's', [31.5, 31.2, 31.8]],
  ['31.5, 31.2, 31.8', 's', [31.5, 31.2, 31.8]],
  ['31.5,31.2,31.8', 's', [31.5, 31.2, 31.8]],
  ['31,5 31,2\n31,8', 's', [31.5, 31.2, 31.8]],
  ['31,5; 31,2;31,8', 's', [31.5, 31.2, 31.8]],
  ['30,31,32', 'points', [30, 31, 32]],
  ['30, 31, 32,', 'points', [30, 31, 32]],
  ['1:20 1:18.5, 1:21,25', 's', [80, 78.5, 81.25]],
  ['1:00:30', 's', [3630]],
  ['1:30', 'min', [1.5]],
  ['31.5 s, 31.2s', 's', [31.5, 31.2]],
  ['60 FPS 61fps', 'fps', [60, 61]],
  ['1,234.5 1,301.5', 'points', [1234.5, 1301.5]],
  ['0,125', 's', [0.125]],
  ['1e3', 'points', [1000]],
  ['  ', 's', []],
])('%s in %s', (text, unit, runs) => {
  expect(typedRuns(text, unit)).toEqual({ runs, fault: null })
})

test.each([
  ['31 none', 's', { at: 2, text: 'none', why: 'no-figure' }],
  ['31 0', 's', { at: 2, text: '0', why: 'no-figure' }],
  ['-3', 's', { at: 1, text: '-3', why: 'no-figure' }],
  ['80ms', 's', { at: 1, text: '80ms', why: 'no-figure' }],
  ['1,234 1,301', 'points', { at: 1, text: '1,234', why: 'comma' }],
  ['30 1:20', 'points', { at: 2, text: '1:20', why: 'time' }],
])('%s in %s is asked about', (text, unit, fault) => {
  expect(typedRuns(text, unit)).toEqual({ runs: null, fault })
})

test('runs written as they are kept read the same', () => {
  const run = fc.double({ min: 1e-3, max: 1e9, noNaN: true })
  fc.assert(
    fc.property(fc.array(run, { maxLength: 20 }), (runs) => {
      expect(typedRuns(runs.join(' '), 's').runs).toEqual(runs)
    }),
  )
})
