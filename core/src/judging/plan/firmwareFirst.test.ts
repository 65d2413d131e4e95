import { expect, test } from 'vitest'
import { stick } from '../../../test/builders'
import { firmwareFirst } from '.'

const five = { generation: 'DDR5' as const }
const module = (capacityGiB: number, changes = {}) =>
  stick({ generation: 'DDR5', capacityGiB, ...changes })

test('new sizes, clocked modules and many modules ask for firmware first', () => {
  const large = module(48)
  expect(firmwareFirst(five, [large], [large])).toEqual(['SIZE'])
  const clocked = module(16, { buffering: 'clocked' })
  expect(firmwareFirst(five, [clocked], [clocked])).toEqual(['CLOCKED'])
  const plain = module(16)
  expect(firmwareFirst(five, [plain, plain], [plain, plain, plain, plain])).toEqual(['MANY'])
})

test('32 GB DDR4 modules came after boards of before about 2019', () => {
  const four = { generation: 'DDR4' as const }
  const large = stick({ capacityGiB: 32 })
  expect(firmwareFirst(four, [large], [large])).toEqual(['LARGE_DDR4'])
  const usual = stick({ capacityGiB: 16 })
  expect(firmwareFirst(four, [usual], [usual])).toEqual([])
})

test('usual ones do not, nor what is there already', () => {
  const plain = module(16)
  expect(firmwareFirst(five, [plain, plain], [plain, plain])).toEqual([])
  expect(firmwareFirst(five, [], [module(48)])).toEqual([])
  const registered = module(64, { buffering: 'registered' })
  expect(firmwareFirst(five, [registered], [registered])).toEqual([])
})
