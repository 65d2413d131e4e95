import { expect, test } from 'vitest'
import { desktop } from '../../../test/builders'
import { isProcessorKept, keepProcessor, withProcessor } from '.'

const slow = [{ modulesPerChannel: 1, ranks: 1, dataRate: 2666 }]

test('the figures of a processor come with it, and go with the next one', () => {
  const first = keepProcessor({ ...desktop(), processor: 'Older one' })
  expect(isProcessorKept(first)).toBe(true)
  const other = {
    ...withProcessor(first, 'Newer one'),
    limits: { ...first.limits, dataRates: slow },
    ecc: 'supported' as const,
  }
  expect(isProcessorKept(other)).toBe(false)
  const both = keepProcessor(other)
  expect(both.processors?.map(({ name }) => name)).toEqual(['Older one', 'Newer one'])
  const back = withProcessor(both, ' older ONE ')
  expect(back).toMatchObject({ processor: 'Older one', ecc: 'ignored' })
  expect(back.limits.dataRates).toEqual(first.limits.dataRates)
  expect(withProcessor(back, 'Newer one').limits.dataRates).toEqual(slow)
})

test('one that is not known changes no figure; without a name nothing is kept', () => {
  const machine = desktop()
  expect(withProcessor(machine, 'Unheard of')).toEqual({ ...machine, processor: 'Unheard of' })
  expect(withProcessor({ ...machine, processor: 'x' }, '  ')).toEqual(machine)
  expect(keepProcessor(machine)).toBe(machine)
})
