import { expect, test } from 'vitest'
import { bandwidth, capacity, latency, numberFrom, roughly, roughRange, speed } from '.'

test('each kind of figure is written one way', () => {
  expect([capacity(16), capacity(0.5), capacity(7.75)]).toEqual(['16 GB', '512 MB', '7.75 GB'])
  expect([latency(14.25), latency(10), bandwidth(83.2), bandwidth(42.656)]).toEqual([
    '14.3 ns',
    '10 ns',
    '83.2 GB/s',
    '42.7 GB/s',
  ])
  expect([speed(5600), speed(undefined)]).toEqual(['5600 MT/s', '–'])
})

test('what is needed is never rounded below itself, and a range never made narrower', () => {
  expect([roughly(16), roughly(16.1), roughly(3.14), roughly(3.1)]).toEqual([
    '16 GB',
    '17 GB',
    '3.2 GB',
    '3.1 GB',
  ])
  expect(roughRange(30.8, 57.2)).toBe('30–58 GB')
})

test('a number is read with either decimal sign; what is none stays for the check to refuse', () => {
  expect([numberFrom('1,5'), numberFrom(' 2.25 '), numberFrom(''), numberFrom('two')]).toEqual([
    1.5,
    2.25,
    null,
    'two',
  ])
})
