import { expect, test } from 'vitest'
import { MACHINE, saidOfSubject } from '../facts'
import { answerTo, read } from '../inputs'

test.each<[string, object, string | undefined]>([
  ['Main Memory: DDR4 2133MHz 8192MB', { totalGiB: 8, shownRate: 2133 }, 'DDR4'],
  ['DRAM: 8 GB DDR4 @ 2400 MHz', { totalGiB: 8, shownRate: 2400 }, 'DDR4'],
  ['DDR4-2666 Dual Channel 16384MB', { totalGiB: 16, shownRate: 2666, channels: 2 }, 'DDR4'],
  ['Memory Test: 16777216K OK', { totalGiB: 16 }, undefined],
  [
    'Memory Information: DDR3 at 1600MHz, Dual Channel, 64-bit',
    { shownRate: 1600, channels: 2 },
    'DDR3',
  ],
  ['Arbeitsspeicher 16384 MB DDR4-2666 OK', { totalGiB: 16, shownRate: 2666 }, 'DDR4'],
])('%s is of all that runs, and no module', (text, system, generation) => {
  const answer = answerTo(text)
  expect(answer.modules).toEqual([])
  expect(answer.system).toEqual(system)
  expect(saidOfSubject(read(text).observations, MACHINE).generation).toBe(generation)
})

test.each([
  '8GB 1Rx8 PC4-2666V-SA1-11',
  '8192MB DDR4 SO-DIMM OK',
  '16GB DDR4-2666 CL19 dual channel kit',
])('%s is a module all the same', (text) => {
  expect(answerTo(text).modules).toHaveLength(1)
})
