import { expect, test } from 'vitest'
import { answerTo } from '../inputs'

test.each([
  ['System type            64-bit operating system, x64-based processor', 64],
  ['System type:           32-bit operating system, x64-based processor', 32],
  ['Systemtyp 64-Bit-Betriebssystem, x64-basierter Prozessor', 64],
  ['OSArchitecture : 32-bit', 32],
  ['x86_64', 64],
  ['i686', 32],
  ['Linux bench 6.1.0-9-amd64 #1 SMP x86_64 GNU/Linux', 64],
  ['Architecture:            x86_64', 64],
])('%s', (text, bits) => {
  expect(answerTo(text).system?.systemBits).toBe(bits)
})

test('the width of the processor is not the width of the system', () => {
  expect(answerTo('CPU op-mode(s):          32-bit, 64-bit').system?.systemBits).toBeUndefined()
  expect(answerTo('    width: 64 bits').system?.systemBits).toBeUndefined()
})

test('what the system can use of what is installed', () => {
  expect(answerTo('Installed RAM\t8.00 GB (3.46 GB usable)').system).toMatchObject({
    totalGiB: 8,
    usableGiB: 3.46,
  })
})
