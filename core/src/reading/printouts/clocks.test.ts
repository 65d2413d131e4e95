import { expect, test } from 'vitest'
import { desktop } from '../../../test/builders'
import { seenIn } from '../../bench/diagnose'
import { answerTo, read } from '../inputs'

const system = (text: string) => answerTo(text).system
const seen = (text: string) => seenIn(read(text), desktop())

test.each<[string, object]>([
  ['DRAM frequency 1596 MHz, CL 16, Dual', { rate: 1596, cl: 16, ways: 2 }],
  [
    'Channel #\t2 x 64-bit\nDRAM Frequency\t1596.0 MHz\nCAS# Latency (CL)\t16.0 clocks\nRAS# to CAS# Delay (tRCD)\t18 clocks',
    { rate: 1596, cl: 16, ways: 2 },
  ],
  ['Memory Frequency: 3200 MHz\nTotal Memory: 32768 MB', { rate: 3200, totalGiB: 32 }],
  ['Channel #\t4 x 32-bit\nDRAM Frequency 2792.8 MHz', { rate: 2792, ways: 2 }],
  ['Channel # 1 x 64-bit\nMemory Speed 2666 MT/s', { rate: 2666, ways: 1 }],
  ['DRAM Frequency 1600 MHz\nDRAM Timing 16-18-18-36', { rate: 1600, cl: 16 }],
])('%s is what the machine shows, and no module', (text, shown) => {
  expect(answerTo(text).modules).toEqual([])
  expect(seen(text)).toEqual(shown)
})

test('a label and a system’s memory in use are no clocks', () => {
  expect(seen('16GB DDR4-3200 CL22 SO-DIMM')).toMatchObject({ totalGiB: 16 })
  expect(system('16GB DDR4-3200 CL22 SO-DIMM')).toBeNull()
  expect(seen('MemTotal:       16256504 kB')).toBeNull()
  expect(system('Memory clock of the graphics card')).toBeNull()
})
